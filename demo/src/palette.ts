import type { AssetRef, Box } from '@gobrel/core';
import { OWN, element, scenery, text, type SlidePart } from '@gobrel/core/testing';
import type { PictureName } from './pictures.js';

/** The demo's pictures as the server keeps them. */
export type Pictures = Record<PictureName, AssetRef>;

export const WHITE = '#ffffff';

export const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });

/** A scene on the background and a line of story under the title. */
export function scene(
  pictures: Pictures,
  id: string,
  picture: PictureName,
  alt: string,
  story: string,
  colour = WHITE,
): SlidePart[] {
  return [
    scenery(pictures[picture], `${id}-scene`, alt),
    text(story, { id: `${id}-story`, colour, box: box(96, 168, 640, 120) }),
  ];
}

/** The title of a slide over a dark scene. */
export function title(id: string, words: string, colour = WHITE): SlidePart {
  return text(words, { id: `${id}-head`, style: 'title', colour, box: box(96, 88, 760, 76) });
}

/** A drawn thing that students move. */
export function drawnPiece(
  pictures: Pictures,
  id: string,
  picture: PictureName,
  name: string,
  where: Box,
): SlidePart {
  return element({
    kind: 'picture',
    layer: 'pieces',
    id,
    box: where,
    asset: pictures[picture],
    credit: OWN,
    alt: name,
    name,
    fit: 'contain',
  });
}

/** A part of the scene to fly into. */
export const closeUp = (id: string, name: string, where: Box): SlidePart =>
  element({ kind: 'closeup', layer: 'content', id, name, box: where });

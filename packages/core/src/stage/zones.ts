import { type Box } from '../parts/place.js';
import type { ZoneElement } from '../elements/zone/zone.js';
import type { Slide } from '../deck/types.js';
import type { ElementId } from '../parts/ids.js';
import {
  keptOnStage,
  keptOnTrack,
  lyingPieces,
  pieceOf,
  readCopyId,
  type LyingPiece,
  type Placement,
  type Placements,
} from './pieces.js';
import { isInBox, middleOf, turn } from '../geometry/transform.js';
import { sure } from '../parts/sure.js';

const GAP = 10;

const zonesOf = (slide: Slide): ZoneElement[] =>
  slide.elements.filter((element): element is ZoneElement => element.kind === 'zone');

/** The zone that holds a piece: the one under the piece's middle, the smallest where zones overlap. */
export function zoneUnder(slide: Slide, box: Box): ZoneElement | null {
  const zones = zonesOf(slide).filter((zone) => isInBox(zone.box, zone.rotation, middleOf(box)));
  zones.sort((a, b) => a.box.w * a.box.h - b.box.w * b.box.h);
  return zones[0] ?? null;
}

/** The pieces and copies that lie in a zone, in the slide's order. */
export function piecesIn(slide: Slide, placements: Placements, zone: ZoneElement): ElementId[] {
  return held(slide, placements, zone).map(({ id }) => id);
}

const held = (slide: Slide, placements: Placements, zone: ZoneElement): LyingPiece[] =>
  lyingPieces(slide, placements).filter(({ box }) => zoneUnder(slide, box)?.id === zone.id);

/** Why a zone does not take a piece, or null. */
export function refusal(
  slide: Slide,
  placements: Placements,
  id: ElementId,
  zone: ZoneElement,
): string | null {
  const { pieceId } = readCopyId(id);
  const name = zone.name || 'This zone';
  if (zone.takes && !zone.takes.includes(pieceId)) return `${name} does not take this piece.`;
  if (zone.most === 0) return null;
  const there = piecesIn(slide, placements, zone).filter((other) => other !== id);
  if (there.length < zone.most) return null;
  return `${name} is full: it holds ${zone.most === 1 ? 'one piece' : `${zone.most} pieces`}.`;
}

export interface Dropped {
  /** All placements that change: the piece's own, and those of others that a tidy zone lays out anew. */
  placements: Placements;
  zone: ZoneElement | null;
  /** Why the piece went back to where it was. */
  refused: string | null;
}

/**
 * What becomes of a piece that is let go at a place: it stays on its track, comes to rest in a zone that takes it, and
 * goes back where a zone does not.
 */
export function drop(slide: Slide, placements: Placements, id: ElementId, at: Placement): Dropped {
  const piece = pieceOf(slide, id);
  if (!piece) return { placements: {}, zone: null, refused: null };
  const { w, h } = piece.box;
  const kept = keptOnTrack(piece.piece, piece.box, { x: at.x, y: at.y, w, h });
  const own: Placement = at.rotation ? { ...kept, rotation: at.rotation } : kept;
  const zone = zoneUnder(slide, { ...kept, w, h });
  const left = zoneOf(slide, placements, id);
  const tidied = left && left.id !== zone?.id ? laidOut(slide, placements, left, id) : {};
  if (!zone) return { placements: { ...tidied, [id]: own }, zone: null, refused: null };
  const refused = refusal(slide, placements, id, zone);
  if (refused) return { placements: {}, zone: null, refused };
  const others = laidOut(slide, { ...placements, [id]: own }, zone, null);
  const rests =
    zone.tidy === 'free' && piece.piece.snaps
      ? { ...own, ...within(zone, { ...kept, w, h }) }
      : (others[id] ?? own);
  return { placements: { ...tidied, ...others, [id]: rests }, zone, refused: null };
}

/** The same for a piece that is put into a zone by name: with the keyboard, or below the picture on a phone. */
export function putInto(
  slide: Slide,
  placements: Placements,
  id: ElementId,
  zone: ZoneElement,
): Dropped {
  const piece = pieceOf(slide, id);
  if (!piece) return { placements: {}, zone: null, refused: null };
  const spot =
    zone.tidy === 'free'
      ? freeSpot(slide, placements, id, piece.box, zone)
      : lyingIn(zone, {
          ...piece.box,
          x: zone.box.x + zone.box.w - piece.box.w,
          y: zone.box.y + zone.box.h - piece.box.h,
        });
  const result = drop(slide, placements, id, {
    ...spot,
    ...(placements[id]?.rotation ? { rotation: placements[id].rotation } : {}),
  });
  return result.zone?.id === zone.id || result.refused
    ? result
    : { ...result, placements: {}, refused: `It cannot reach ${zone.name || 'this zone'}.` };
}

function zoneOf(slide: Slide, placements: Placements, id: ElementId): ZoneElement | null {
  const now = lyingPieces(slide, placements).find((one) => one.id === id);
  return now && placements[id] ? zoneUnder(slide, now.box) : null;
}

/*
 * Zones may be turned. Where pieces lie in one is reckoned as if it were not; then their middles are turned with it.
 * Pieces stay upright.
 */

/** Where a box lies on the stage that lies so in the unturned zone: its upper left corner. */
function lyingIn(zone: ZoneElement, box: Box): { x: number; y: number } {
  const { x, y } = turn(middleOf(box), middleOf(zone.box), zone.rotation);
  return keptOnStage({ ...box, x: x - box.w / 2, y: y - box.h / 2 });
}

/** The same box as it lies to the unturned zone. */
function inZone(zone: ZoneElement, box: Box): Box {
  const { x, y } = turn(middleOf(box), middleOf(zone.box), -zone.rotation);
  return { ...box, x: x - box.w / 2, y: y - box.h / 2 };
}

/** A box moved so that it lies within a zone, as far as it fits. */
function within(zone: ZoneElement, lying: Box): { x: number; y: number } {
  const room = zone.box;
  const box = inZone(zone, lying);
  const x = Math.min(Math.max(box.x, room.x), Math.max(room.x, room.x + room.w - box.w));
  const y = Math.min(Math.max(box.y, room.y), Math.max(room.y, room.y + room.h - box.h));
  return lyingIn(zone, { ...box, x, y });
}

/** A spot in a zone beside what lies in it already: in rows from the left. */
function freeSpot(
  slide: Slide,
  placements: Placements,
  id: ElementId,
  { w, h }: Box,
  zone: ZoneElement,
): { x: number; y: number } {
  const others = held(slide, placements, zone).filter((other) => other.id !== id);
  const [flow] = flowed(zone, [...others.map(({ box }) => box), { x: 0, y: 0, w, h }]).slice(-1);
  return sure(flow, 'a zone that sorts has its flow');
}

/** Where the pieces of a tidy zone come to lie, without one that has just left. */
function laidOut(
  slide: Slide,
  placements: Placements,
  zone: ZoneElement,
  without: ElementId | null,
): Placements {
  if (zone.tidy === 'free') return {};
  const inside = held(slide, placements, zone).filter(({ id }) => id !== without);
  const inOrder =
    zone.tidy === 'row' ? inside.sort((a, b) => across(zone, a.box) - across(zone, b.box)) : inside;
  const boxes = inOrder.map(({ box }) => box);
  const spots =
    zone.tidy === 'stack'
      ? stacked(zone, boxes)
      : zone.tidy === 'row'
        ? inRow(zone, boxes)
        : flowed(zone, boxes);
  return Object.fromEntries(
    inOrder.map(({ id }, index) => {
      const rotation = placements[id]?.rotation;
      return [id, { ...spots[index]!, ...(rotation ? { rotation } : {}) }];
    }),
  );
}

const across = (zone: ZoneElement, box: Box): number => middleOf(inZone(zone, box)).x;

/** Side by side in the middle of the zone; closer than side by side when there is not room enough. */
function inRow(zone: ZoneElement, pieces: readonly Box[]): { x: number; y: number }[] {
  const { box } = zone;
  const taken = pieces.reduce((sum, { w }) => sum + w, 0);
  const gap = pieces.length < 2 ? 0 : Math.min(GAP, (box.w - taken) / (pieces.length - 1));
  let x = box.x + Math.max(0, (box.w - taken - gap * (pieces.length - 1)) / 2);
  return pieces.map(({ w, h }) => {
    const spot = lyingIn(zone, { x, y: box.y + (box.h - h) / 2, w, h });
    x += w + gap;
    return spot;
  });
}

/** In rows from the upper left; what does not fit any more lies on the last row. */
function flowed(zone: ZoneElement, pieces: readonly Box[]): { x: number; y: number }[] {
  const { box } = zone;
  let [x, y, rowHeight] = [box.x + GAP, box.y + GAP, 0];
  return pieces.map(({ w, h }, index) => {
    if (index > 0 && x + w > box.x + box.w) {
      x = box.x + GAP;
      y += rowHeight + GAP;
      rowHeight = 0;
    }
    const isAlone = pieces.length === 1;
    const spot = lyingIn(zone, {
      x: isAlone && w + 2 * GAP >= box.w ? box.x + (box.w - w) / 2 : x,
      y: isAlone || y + h > box.y + box.h ? box.y + (box.h - h) / 2 : y,
      w,
      h,
    });
    x += w + GAP;
    rowHeight = Math.max(rowHeight, h);
    return spot;
  });
}

function stacked(zone: ZoneElement, pieces: readonly Box[]): { x: number; y: number }[] {
  const { box } = zone;
  return pieces.map(({ w, h }, index) =>
    lyingIn(zone, {
      x: box.x + (box.w - w) / 2 + index * 4,
      y: box.y + (box.h - h) / 2 - index * 4,
      w,
      h,
    }),
  );
}

import { STAGE, type Box } from '../parts/place.js';
import { type AssetRef } from '../parts/asset.js';
import type { Fit } from '../parts/fit.js';
import type { PictureElement } from '../elements/picture/picture.js';
import type { GroundPicture } from '../deck/types.js';
import type { Point } from '../geometry/Pen.js';
import { resize, SMALLEST, type Handle } from '../geometry/resize.js';
import { middleOf, turn } from '../geometry/transform.js';

/** Where a picture is drawn in a box of its own origin, in slide units. */
export interface PictureFrame {
  /** The whole picture, of which parts may lie outside. */
  whole: Box;
  /** What of it is seen. */
  seen: Box;
}

type Framed = Pick<PictureElement, 'asset' | 'box' | 'fit' | 'crop' | 'matters'>;

/**
 * How the shown part of a picture is laid into its box: all of it seen, the box filled, or stretched. Where more is cut
 * off than is seen, what matters in it is in the middle, as near as the box stays full.
 */
export function pictureFrame({ asset, box, fit, crop, matters }: Framed): PictureFrame {
  const part = { w: asset.width * crop.w, h: asset.height * crop.h };
  const [scaleX, scaleY] = scales(part, box, fit);
  const shown = { w: part.w * scaleX, h: part.h * scaleY };
  const spot = matters ?? crop;
  const left = beginning(box.w, shown.w, (spot.x + spot.w / 2 - crop.x) / crop.w);
  const top = beginning(box.h, shown.h, (spot.y + spot.h / 2 - crop.y) / crop.h);
  const x = Math.max(0, left);
  const y = Math.max(0, top);
  return {
    whole: {
      x: left - crop.x * asset.width * scaleX,
      y: top - crop.y * asset.height * scaleY,
      w: asset.width * scaleX,
      h: asset.height * scaleY,
    },
    seen: { x, y, w: Math.min(box.w, shown.w), h: Math.min(box.h, shown.h) },
  };
}

/** Where a length begins that is laid into a room: in its middle, or with a share of it there where it is longer. */
const beginning = (room: number, length: number, share: number): number =>
  length <= room
    ? (room - length) / 2
    : Math.min(0, Math.max(room - length, room / 2 - share * length));

/** Where what matters in a picture is seen, in slide units; null where nobody has said what does. */
export function mattersAt(picture: Framed & Flipped, matters = picture.matters): Box | null {
  if (!matters) return null;
  const { box } = picture;
  const { whole } = pictureFrame(picture);
  const { w, h } = { w: matters.w * whole.w, h: matters.h * whole.h };
  const { x, y } = { x: whole.x + matters.x * whole.w, y: whole.y + matters.y * whole.h };
  return {
    x: box.x + (picture.isFlippedAcross ? box.w - x - w : x),
    y: box.y + (picture.isFlippedDown ? box.h - y - h : y),
    w,
    h,
  };
}
type Flipped = Pick<PictureElement, 'isFlippedAcross' | 'isFlippedDown'>;

function scales(
  part: { w: number; h: number },
  box: { w: number; h: number },
  fit: Fit,
): [number, number] {
  const [x, y] = [box.w / part.w, box.h / part.h];
  if (fit === 'stretch') return [x, y];
  const scale = fit === 'cover' ? Math.max(x, y) : Math.min(x, y);
  return [scale, scale];
}

/** How a picture is laid into a place for one: it fills it unless too much of it would be cut off. */
export function fitPicture(asset: AssetRef, box: { w: number; h: number }): Fit {
  const ratio = asset.width / asset.height / (box.w / box.h);
  return Math.max(ratio, 1 / ratio) <= 1.6 ? 'cover' : 'contain';
}

/** How many of a picture's pixels stand for one slide unit where it is drawn: under 1.5 blurs on a full screen. */
export function pixelsPerUnit(element: PictureElement): number {
  const { whole } = pictureFrame(element);
  return Math.min(element.asset.width / whole.w, element.asset.height / whole.h);
}

/** Where the picture of a slide's ground is drawn, in slide units; a tile is the first of many. */
export function groundFrame({ asset, fit, scale, x, y }: GroundPicture): Box {
  const size = groundSize(asset, fit, scale);
  if (fit === 'tile') return { x: 0, y: 0, ...size };
  return { x: (STAGE.width - size.w) * x, y: (STAGE.height - size.h) * y, ...size };
}

function groundSize(
  asset: AssetRef,
  fit: GroundPicture['fit'],
  scale: number,
): { w: number; h: number } {
  const whole = { w: STAGE.width, h: STAGE.height };
  const part = { w: asset.width, h: asset.height };
  const [by] = fit === 'tile' ? [1] : scales(part, whole, fit === 'fill' ? 'cover' : 'contain');
  // A picture that fills never leaves the stage bare.
  const factor = fit === 'fill' ? by * Math.max(1, scale) : by * scale;
  return { w: asset.width * factor, h: asset.height * factor };
}

/**
 * A picture's box pulled by a handle while the picture stays where it is: box and crop that show the same picture in
 * a smaller or larger window. The window never leaves the picture. `pull` is in slide units.
 */
export function cropBy(
  picture: PictureElement,
  handle: Handle,
  pull: Point,
): Pick<PictureElement, 'box' | 'crop' | 'fit'> {
  const { box, rotation } = picture;
  const whole = wholeOf(picture);
  const { x, y } = inPicture(picture, turn(pull, { x: 0, y: 0 }, -rotation));
  const window = overlap(resize(box, flippedHandle(picture, handle), x, y), whole);
  // The opposite corner of a turned picture stays where it is seen.
  const [was, is] = [middleOf(box), middleOf(window)];
  const moved = inPicture(picture, { x: is.x - was.x, y: is.y - was.y });
  const middle = turn({ x: was.x + moved.x, y: was.y + moved.y }, was, rotation);
  return {
    box: { x: middle.x - window.w / 2, y: middle.y - window.h / 2, w: window.w, h: window.h },
    crop: cropOf(window, whole),
    fit: picture.fit === 'stretch' ? 'stretch' : 'cover',
  };
}

/** The picture moved behind its window, as far as it still fills that. `pull` is in slide units. */
export function cropMoved(
  picture: PictureElement,
  pull: Point,
): Pick<PictureElement, 'crop' | 'fit'> {
  const { box, rotation } = picture;
  const { x, y } = inPicture(picture, turn(pull, { x: 0, y: 0 }, -rotation));
  const whole = wholeOf(picture);
  const window = overlap(box, whole);
  const moved = {
    ...whole,
    x: Math.min(window.x, Math.max(window.x + window.w - whole.w, whole.x + x)),
    y: Math.min(window.y, Math.max(window.y + window.h - whole.h, whole.y + y)),
  };
  return { crop: cropOf(window, moved), fit: picture.fit === 'contain' ? 'contain' : 'cover' };
}

/** A way along the box of a picture as it goes in the picture itself, which may be flipped; and the other way round. */
const inPicture = (picture: PictureElement, { x, y }: Point): Point => ({
  x: picture.isFlippedAcross ? -x : x,
  y: picture.isFlippedDown ? -y : y,
});

const OTHER_SIDE: Record<string, string> = { e: 'w', w: 'e', n: 's', s: 'n' };

/** The side of the picture itself that is pulled with a handle of its box. */
function flippedHandle(picture: PictureElement, handle: Handle): Handle {
  const sides = Array.from(handle, (side) =>
    (/[ew]/.test(side) ? picture.isFlippedAcross : picture.isFlippedDown) ? OTHER_SIDE[side] : side,
  );
  return sides.join('') as Handle;
}

/** The whole picture in slide units, as it would lie unturned and unflipped. */
export function wholeOf(picture: PictureElement): Box {
  const { whole } = pictureFrame(picture);
  return { ...whole, x: picture.box.x + whole.x, y: picture.box.y + whole.y };
}

function overlap(a: Box, b: Box): Box {
  const x = Math.max(a.x, b.x);
  const y = Math.max(a.y, b.y);
  return {
    x,
    y,
    w: Math.max(SMALLEST, Math.min(a.x + a.w, b.x + b.w) - x),
    h: Math.max(SMALLEST, Math.min(a.y + a.h, b.y + b.h) - y),
  };
}

const cropOf = (window: Box, whole: Box): Box => ({
  x: (window.x - whole.x) / whole.w,
  y: (window.y - whole.y) / whole.h,
  w: window.w / whole.w,
  h: window.h / whole.h,
});

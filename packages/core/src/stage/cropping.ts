import type { PictureElement } from '../elements/picture/picture.js';
import type { Point } from '../geometry/Pen.js';
import { resize, SMALLEST, type Handle } from '../geometry/resize.js';
import { middleOf, turn } from '../geometry/transform.js';
import type { Box } from '../parts/place.js';
import { pictureFrame } from './pictureFrame.js';

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

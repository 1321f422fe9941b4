import type { Box } from '../parts/place.js';
import { middleOf, turn } from './transform.js';

/** The handle by which a box is pulled: compass points. */
export type Handle = 'n' | 'ne' | 'e' | 'se' | 's' | 'sw' | 'w' | 'nw';
export const HANDLES: readonly Handle[] = ['nw', 'n', 'ne', 'e', 'se', 's', 'sw', 'w'];
export const SMALLEST = 8;

/**
 * The box after its handle was pulled by (dx, dy) on the slide; the opposite side or corner stays where it is, also of
 * a box that is turned. `keep` holds the proportion, by a corner as by a side; `fromMiddle` pulls the opposite handle along.
 */
export function resize(
  box: Box,
  handle: Handle,
  dx: number,
  dy: number,
  { keep = false, fromMiddle = false, rotation = 0 } = {},
): Box {
  const pull = turn({ x: dx, y: dy }, { x: 0, y: 0 }, -rotation);
  const factor = fromMiddle ? 2 : 1;
  const left = handle.includes('w');
  const top = handle.includes('n');
  const isWide = left || handle.includes('e');
  const isHigh = top || handle.includes('s');
  let w = box.w + (isWide ? factor * (left ? -pull.x : pull.x) : 0);
  let h = box.h + (isHigh ? factor * (top ? -pull.y : pull.y) : 0);
  if (keep) {
    const wanted =
      isWide && isHigh ? Math.max(w / box.w, h / box.h) : isWide ? w / box.w : h / box.h;
    const scale = Math.max(wanted, SMALLEST / Math.min(box.w, box.h));
    w = box.w * scale;
    h = box.h * scale;
  }
  w = Math.max(Math.min(SMALLEST, box.w), w);
  h = Math.max(Math.min(SMALLEST, box.h), h);
  if (fromMiddle) {
    const middle = middleOf(box);
    return { x: middle.x - w / 2, y: middle.y - h / 2, w, h };
  }
  // What stays, in shares of the box: the opposite corner, or the middle of the opposite side.
  const stays = { x: left ? 1 : isWide ? 0 : 0.5, y: top ? 1 : isHigh ? 0 : 0.5 };
  const before = turn(
    { x: box.x + stays.x * box.w, y: box.y + stays.y * box.h },
    middleOf(box),
    rotation,
  );
  const offset = turn({ x: (stays.x - 0.5) * w, y: (stays.y - 0.5) * h }, { x: 0, y: 0 }, rotation);
  return { x: before.x - offset.x - w / 2, y: before.y - offset.y - h / 2, w, h };
}

/** An angle brought to the nearest 15 degrees when it lies within `reach` of it, or always when asked to. */
export function snapTurn(degrees: number, isForced: boolean, reach = 4): number {
  const nearest = Math.round(degrees / 15) * 15;
  const snapped = isForced || Math.abs(nearest - degrees) <= reach ? nearest : degrees;
  return ((snapped % 360) + 360) % 360;
}

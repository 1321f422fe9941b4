import type { Box } from '../../parts/place.js';
import type { InkElement } from './ink.js';
import type { InkStroke } from '../../parts/ink.js';
import type { Point } from '../../geometry/Pen.js';
import { around, inShares, union } from '../../geometry/transform.js';
import { sure } from '../../parts/sure.js';

/** Places of a stroke are kept in tenths of a unit. */
const TENTHS = 10;

/** A stroke as it is kept, from places in slide units and pressures from 0 to 1. */
export const strokeFrom = (
  path: readonly (Point & { pressure: number })[],
  look: Pick<InkStroke, 'colour' | 'weight' | 'isMarker'>,
): InkStroke => ({
  ...look,
  points: path.flatMap(({ x, y, pressure }) => [
    Math.round(x * TENTHS),
    Math.round(y * TENTHS),
    Math.round(pressure * 100),
  ]),
});

const placesOf = ({ points }: InkStroke): Point[] =>
  Array.from({ length: Math.floor(points.length / 3) }, (_, index) => ({
    x: points[index * 3]! / TENTHS,
    y: points[index * 3 + 1]! / TENTHS,
  }));

/** The box around the marks of strokes, at least 8 units wide and high; within another one when that is given. */
export function inkFrame(strokes: readonly InkStroke[], before?: Box): Box {
  const marks = strokes.map((stroke) => {
    const { x, y, w, h } = around(placesOf(stroke));
    const by = Math.max(4, stroke.weight);
    return { x: x - by, y: y - by, w: w + 2 * by, h: h + 2 * by };
  });
  return sure(union(before ? [before, ...marks] : marks), 'there is ink');
}

/** The strokes of a drawing that pass within `reach` slide units of a place. */
export function strokesAt(ink: InkElement, at: Point, reach: number): number[] {
  const { frame, box, rotation, strokes } = ink;
  const share = inShares(box, rotation, at);
  const there = { x: frame.x + share.x * frame.w, y: frame.y + share.y * frame.h };
  const scale = Math.max(frame.w / box.w, frame.h / box.h);
  return strokes.flatMap((stroke, index) => {
    const near = reach * scale + stroke.weight / 2;
    const places = placesOf(stroke);
    const isNear = places.some(
      (from, place) => distanceTo(there, from, places[place + 1] ?? from) <= near,
    );
    return isNear ? [index] : [];
  });
}

/** From a place to the nearest one of a straight line between two others. */
function distanceTo(at: Point, from: Point, to: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const along = ((at.x - from.x) * dx + (at.y - from.y) * dy) / (dx * dx + dy * dy || 1);
  const share = Math.min(1, Math.max(0, along));
  return Math.hypot(at.x - from.x - share * dx, at.y - from.y - share * dy);
}

import type { Box } from '../parts/place.js';
import type { Point } from './Pen.js';

export const middleOf = ({ x, y, w, h }: Box): Point => ({ x: x + w / 2, y: y + h / 2 });

/** Turns a point about another, clockwise by degrees. */
export function turn(point: Point, about: Point, degrees: number): Point {
  if (degrees === 0) return point;
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [dx, dy] = [point.x - about.x, point.y - about.y];
  return { x: about.x + dx * cos - dy * sin, y: about.y + dx * sin + dy * cos };
}

/** The corners of a box that is turned about its middle: upper left, upper right, lower right, lower left. */
export function cornersOf(box: Box, rotation: number): [Point, Point, Point, Point] {
  const { x, y, w, h } = box;
  const about = middleOf(box);
  const corner = (cx: number, cy: number): Point => turn({ x: cx, y: cy }, about, rotation);
  return [corner(x, y), corner(x + w, y), corner(x + w, y + h), corner(x, y + h)];
}

/** The upright box around a turned one. */
export function boundsOf(box: Box, rotation: number): Box {
  return rotation === 0 ? box : around(cornersOf(box, rotation));
}

/** The upright box around points. */
export function around(points: readonly Point[]): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  }
  return { x: left, y: top, w: right - left, h: bottom - top };
}

/** The box around boxes; undefined when there are none. */
export function union(boxes: readonly Box[]): Box | undefined {
  if (boxes.length === 0) return undefined;
  return around(
    boxes.flatMap(({ x, y, w, h }) => [
      { x, y },
      { x: x + w, y: y + h },
    ]),
  );
}

/** A place on the slide as a share of a turned box, and back. */
export function inShares(box: Box, rotation: number, at: Point): Point {
  const straight = turn(at, middleOf(box), -rotation);
  return { x: (straight.x - box.x) / box.w, y: (straight.y - box.y) / box.h };
}
export function fromShares(box: Box, rotation: number, share: Point): Point {
  const straight = { x: box.x + share.x * box.w, y: box.y + share.y * box.h };
  return turn(straight, middleOf(box), rotation);
}

/** Whether a place lies in a turned box. */
export function isInBox(box: Box, rotation: number, at: Point): boolean {
  const { x, y } = inShares(box, rotation, at);
  return x >= 0 && x <= 1 && y >= 0 && y <= 1;
}

/** Whether two upright boxes share more than an edge. */
export const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** Whether a box lies wholly in another. */
export const liesIn = (inner: Box, outer: Box): boolean =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.w <= outer.x + outer.w &&
  inner.y + inner.h <= outer.y + outer.h;

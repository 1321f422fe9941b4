import type { Box } from '../../parts/place.js';
import { isInside, Pen, polygonsOf, svgOf, type Point, type Stroke } from '../Pen.js';
import { ARROWS } from './arrows.js';
import { BASIC } from './basic.js';
import { BRACKETS } from './brackets.js';
import { BUBBLES } from './bubbles.js';
import { CORNERS } from './corners.js';
import type { ShapeKind } from './kind.js';
import { SIGNS } from './signs.js';

const SHAPE_KINDS = { ...BASIC, ...CORNERS, ...ARROWS, ...BUBBLES, ...SIGNS, ...BRACKETS };
export type ShapeName = keyof typeof SHAPE_KINDS;
export const SHAPES = Object.keys(SHAPE_KINDS) as ShapeName[];

export const shapeKind = (shape: ShapeName): ShapeKind => SHAPE_KINDS[shape];

/** Values for all adjustments of a shape: given ones kept within their ends, the rest standard. */
export function shapeValues(shape: ShapeName, given: readonly number[]): number[] {
  return shapeKind(shape).adjust.map(({ standard, low, high, isWhole }, index) => {
    const value = given[index];
    if (value === undefined || !Number.isFinite(value)) return standard;
    const kept = Math.min(high, Math.max(low, value));
    return isWhole ? Math.round(kept) : kept;
  });
}

/** The values after one grip was pulled to a place, in units from the box's upper left. */
export function pullShape(
  shape: ShapeName,
  { w, h }: { w: number; h: number },
  given: readonly number[],
  index: number,
  at: Point,
): number[] {
  const values = shapeValues(shape, given);
  const { adjust } = shapeKind(shape);
  const pulled = adjust[index];
  if (!pulled) return values;
  // Adjustments that share a grip are pulled together: the two coordinates of a tip.
  const place = pulled.grip(w, h, values);
  return shapeValues(
    shape,
    values.map((value, other) => {
      const theirs = adjust[other]!.grip(w, h, values);
      const isShared =
        theirs.x === place.x && theirs.y === place.y && adjust[other]!.grip === pulled.grip;
      return other === index || isShared ? adjust[other]!.value(w, h, at) : value;
    }),
  );
}

export function shapeStrokes(
  shape: ShapeName,
  w: number,
  h: number,
  given: readonly number[] = [],
): Stroke[] {
  const pen = new Pen();
  shapeKind(shape).draw(pen, w, h, shapeValues(shape, given));
  return pen.strokes;
}

/** The outline of a shape in a box of this size, as the `d` of an SVG path. */
export const shapePath = (
  shape: ShapeName,
  w: number,
  h: number,
  given: readonly number[] = [],
): string => svgOf(shapeStrokes(shape, w, h, given));

/** Whether a place, in units from the box's upper left, lies within the shape. */
export function isInShape(
  shape: ShapeName,
  w: number,
  h: number,
  given: readonly number[],
  at: Point,
): boolean {
  return isInside(polygonsOf(shapeStrokes(shape, w, h, given)), at);
}

/** Where the words of a shape stand, in units from the box's upper left. */
export function shapeWordsBox(shape: ShapeName, w: number, h: number): Box {
  const { words } = shapeKind(shape);
  return words
    ? { x: words.x * w, y: words.y * h, w: words.w * w, h: words.h * h }
    : { x: 0, y: 0, w, h };
}

import type { Box } from '../../parts/place.js';
import type { Pen, Point } from '../Pen.js';

/** A setting of a shape that is pulled on the stage: a number between two ends, and where its grip stands. */
export interface Adjustment {
  label: string;
  standard: number;
  low: number;
  high: number;
  /** Where the grip stands in a box of this size. `values` are those of all adjustments of the shape. */
  grip(w: number, h: number, values: readonly number[]): Point;
  /** The value for a grip that was pulled to a place. */
  value(w: number, h: number, at: Point): number;
  /** Values are whole numbers. */
  isWhole?: boolean;
}

export interface ShapeKind {
  label: string;
  group: ShapeGroup;
  adjust: readonly Adjustment[];
  draw(pen: Pen, w: number, h: number, values: readonly number[]): unknown;
  /** Where words stand, in shares of the box; the whole of it when left out. */
  words?: Box;
}

export const SHAPE_GROUPS = ['basic', 'corners', 'arrows', 'speech', 'signs', 'brackets'] as const;
export type ShapeGroup = (typeof SHAPE_GROUPS)[number];

/** Room for words in the middle of a round shape. */
export const MIDDLE: Box = { x: 0.15, y: 0.15, w: 0.7, h: 0.7 };

/** A shape that nothing can be pulled on. */
export const plainShape = (
  label: string,
  group: ShapeGroup,
  draw: ShapeKind['draw'],
  words?: Box,
): ShapeKind => ({ label, group, draw, adjust: [], ...(words ? { words } : {}) });

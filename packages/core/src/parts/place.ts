/** Slides are 1280 × 720 slide units, whatever they are drawn on. */
export const STAGE = { width: 1280, height: 720 } as const;

/** A rectangle in slide units, its origin at the upper left; `rotation` of elements is kept apart. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** The layers of a slide, bottom to top. */
export const LAYERS = ['background', 'content', 'pieces'] as const;
export type Layer = (typeof LAYERS)[number];

/** Where a layout has put something: a change of layout moves it to the same slot of the new one. */
export const SLOTS = [
  ...(['title', 'subtitle', 'body', 'second', 'picture', 'caption'] as const),
  // Of layouts of a teacher's own.
  ...(['third', 'fourth', 'fifth', 'sixth'] as const),
] as const;
export type Slot = (typeof SLOTS)[number];

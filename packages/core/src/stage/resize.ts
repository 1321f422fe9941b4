import { STAGE, type Box } from '../deck/types.js';

/** The handle by which a box is pulled: compass points. */
export type Handle = 'n' | 'ne' | 'e' | 'se' | 's' | 'sw' | 'w' | 'nw';
export const HANDLES: readonly Handle[] = ['nw', 'n', 'ne', 'e', 'se', 's', 'sw', 'w'];
export const SMALLEST = 8;

/** The box after its handle was pulled by (dx, dy); the opposite side stays. Corners keep proportion on request. */
export function resize(box: Box, handle: Handle, dx: number, dy: number, keep: boolean): Box {
  const left = handle.includes('w');
  const top = handle.includes('n');
  let w = box.w + (left ? -dx : handle.includes('e') ? dx : 0);
  let h = box.h + (top ? -dy : handle.includes('s') ? dy : 0);
  if (keep && handle.length === 2) {
    const scale = Math.max(w / box.w, h / box.h, SMALLEST / Math.min(box.w, box.h));
    w = box.w * scale;
    h = box.h * scale;
  }
  w = Math.max(SMALLEST, w);
  h = Math.max(SMALLEST, h);
  return {
    x: left ? box.x + box.w - w : box.x,
    y: top ? box.y + box.h - h : box.y,
    w,
    h,
  };
}

export interface Guide {
  axis: 'x' | 'y';
  at: number;
}

/**
 * Moves a box onto the nearest line of the stage or of other boxes (edges and middles) within `reach` units.
 * Returns the box and the guides to be drawn.
 */
export function snap(
  box: Box,
  others: readonly Box[],
  reach: number,
): { box: Box; guides: Guide[] } {
  const whole = { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
  const guides: Guide[] = [];
  const moved = { ...box };
  for (const axis of ['x', 'y'] as const) {
    const size = axis === 'x' ? 'w' : 'h';
    const linesOf = (b: Box): number[] => [b[axis], b[axis] + b[size] / 2, b[axis] + b[size]];
    let best: { by: number; at: number } | null = null;
    for (const at of [whole, ...others].flatMap(linesOf)) {
      for (const own of linesOf(box)) {
        const by = at - own;
        if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, at };
      }
    }
    if (best) {
      moved[axis] += best.by;
      guides.push({ axis, at: best.at });
    }
  }
  return { box: moved, guides };
}

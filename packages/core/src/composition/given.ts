import type { SlideElement } from '../elements/registry.js';

/**
 * Whether a thing has been put where it lies by hand: it never was set out, or lies elsewhere since. A text that has
 * grown with its words has not been moved.
 */
export function wasMovedByHand({ kind, box, setOut }: SlideElement): boolean {
  if (!setOut) return true;
  const was = setOut.box;
  const isThere = near(was.x, box.x) && near(was.y, box.y) && near(was.w, box.w);
  return !isThere || (kind !== 'text' && kind !== 'table' && !near(was.h, box.h));
}

/** To half a slide unit. */
const near = (one: number, other: number): boolean => Math.abs(one - other) < 0.5;

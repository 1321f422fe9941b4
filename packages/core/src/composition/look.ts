import type { Fill } from '../parts/fill.js';
import type { Alignment, Upright } from '../parts/typography.js';

/** How a part is set, where it is otherwise than its style says. */
export interface Look {
  align?: Alignment;
  upright?: Upright;
  /** A sheet behind the words. */
  fill?: Fill;
  /** A picture fills its place, and loses what is at its very edge. */
  isFilled?: true;
  /** Larger than the rest, as so many times. */
  times?: number;
}

import type { Alignment } from '../parts/typography.js';

/** How a part is set, where it is otherwise than its style says. */
export interface Look {
  align?: Alignment;
  /** A picture fills its place, and loses what is at its very edge. */
  isFilled?: true;
  /** Larger than the rest, as so many times. */
  times?: number;
}

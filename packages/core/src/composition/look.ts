import type { Alignment, Stand } from '../parts/typography.js';

/** How a part is set, where it is otherwise than its style says. */
export interface Look {
  align?: Alignment;
  /** A picture fills its place, and loses what is at its very edge. */
  isFilled?: true;
  /** A picture behind everything: it fills the stage, and others may lie on it where it says nothing that matters. */
  isUnder?: true;
  /** What words stand on. */
  stands?: Stand;
  /** Larger than the rest, as so many times. */
  times?: number;
}

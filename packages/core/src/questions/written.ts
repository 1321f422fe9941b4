import type { MakeId } from '../parts/ids.js';
import type { Refusal } from '../parts/refusals.js';

/** How a kind is written line by line; beside it in `fromLines.ts`: only who asks on the fly needs it. */
export interface FromLines<Q, K> {
  /** What a line is: a thing, a pair `left = right`, or part of a text with gaps, which keeps its empty ones. */
  lines: 'items' | 'pairs' | 'gaps';
  make(fresh: Q, lines: readonly string[], makeId: MakeId): { question: Q; key?: K } | Refusal;
}

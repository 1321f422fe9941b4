import { refuse } from '../../parts/refusals.js';
import { newItems } from '../parts.js';
import type { FromLines } from '../written.js';
import type { OrderKey, OrderQuestion } from './order.js';

/** Refused: `asked.lines`. */
export const orderFromLines: FromLines<OrderQuestion, OrderKey> = {
  lines: 'items',
  make: (fresh, lines, makeId) =>
    lines.length < 2
      ? refuse('asked.lines')
      : { question: { ...fresh, items: newItems(makeId, lines) } },
};

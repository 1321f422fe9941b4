import { refuse } from '../../parts/refusals.js';
import { newItems } from '../parts.js';
import type { FromLines } from '../written.js';
import type { ChoiceKey, ChoiceQuestion } from './choice.js';

/** Refused: `asked.lines`. */
export const choiceFromLines: FromLines<ChoiceQuestion, ChoiceKey> = {
  lines: 'items',
  make: (fresh, lines, makeId) =>
    lines.length < 2
      ? refuse('asked.lines')
      : { question: { ...fresh, options: newItems(makeId, lines) } },
};

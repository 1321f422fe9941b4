import type { OptionId } from '../../parts/ids.js';
import type { Marking } from '../kind.js';
import { bump, partialCredit } from '../values.js';
import type { ChoiceAnswer, ChoiceKey, ChoiceQuestion } from './choice.js';

export interface ChoiceTally {
  kind: 'choice';
  answered: number;
  /** How many picked each option. */
  picks: Record<OptionId, number>;
  /** How many picked just these together: ids joined by spaces, in the order of the options. */
  combinations: Record<string, number>;
}

export const choiceMarking: Marking<ChoiceQuestion, ChoiceKey, ChoiceAnswer, ChoiceTally> = {
  /** All right options and no others: 1; otherwise 0, or part of it where that is wanted. */
  mark(question, key, { optionIds }) {
    const right = new Set(key.optionIds);
    if (key.isPartial && question.isMultiple) {
      return partialCredit(optionIds, right, question.options.length);
    }
    return right.size === optionIds.length && optionIds.every((id) => right.has(id)) ? 1 : 0;
  },

  impossible(question, key) {
    if (question.isMultiple || key.optionIds.length < 2) return null;
    return {
      why: `${key.optionIds.length} options are right, but only one may be picked.`,
      mend: { label: 'Let several be picked', question: { ...question, isMultiple: true } },
    };
  },

  right: {
    of: ({ optionIds }) => optionIds,
    only: (key, optionIds) => (optionIds.length > 0 ? { ...key, optionIds } : null),
  },

  emptyTally: () => ({ kind: 'choice', answered: 0, picks: {}, combinations: {} }),

  count(tally, { optionIds }, by) {
    tally.answered += by;
    for (const id of optionIds) bump(tally.picks, id, by);
    bump(tally.combinations, optionIds.join(' '), by);
  },

  sample({ options, isMultiple }, key, wantsRight, random) {
    if (wantsRight && key) return { kind: 'choice', optionIds: [...key.optionIds] };
    const some = options.filter(() => isMultiple && random(3) === 0);
    const picked = some.length > 0 ? some : options.slice(random(Math.max(1, options.length)));
    const ids = picked.map(({ id }) => id);
    return { kind: 'choice', optionIds: isMultiple ? ids : ids.slice(0, 1) };
  },
};

import {
  asBoolean,
  asId,
  asList,
  asNumber,
  asRecord,
  asString,
  asStrings,
} from '../../deck/decode.js';
import type { ChoiceKey, ChoiceQuestion } from '../../deck/types.js';
import type { OptionId } from '../../ids.js';
import type { QuestionKind } from '../kind.js';

/** QTI's choiceInteraction: one or several of the options given. */
export interface ChoiceAnswer {
  kind: 'choice';
  /** In the order of the options, each once. */
  optionIds: OptionId[];
}

export interface ChoiceTally {
  kind: 'choice';
  answered: number;
  /** How many picked each option. */
  picks: Record<OptionId, number>;
}

const MOST_OPTIONS = 12;

export const choice: QuestionKind<ChoiceQuestion, ChoiceKey, ChoiceAnswer, ChoiceTally> = {
  kind: 'choice',
  label: 'Choice',

  read(raw) {
    const seen = new Set<string>();
    const options = asList(raw.options, MOST_OPTIONS).flatMap((entry) => {
      const { id, text } = asRecord(entry);
      const optionId = asId(id);
      if (!optionId || seen.has(optionId)) return [];
      seen.add(optionId);
      return [{ id: optionId, text: asString(text, '', 500) }];
    });
    return {
      kind: 'choice',
      options,
      isMultiple: asBoolean(raw.isMultiple),
      points: asNumber(raw.points, 1, 0, 100),
    };
  },

  readKey(raw) {
    const optionIds = asStrings(raw.optionIds, MOST_OPTIONS).filter((id) => asId(id));
    return optionIds.length > 0 ? { kind: 'choice', optionIds } : undefined;
  },

  readAnswer(question, raw) {
    const { kind, optionIds } = asRecord(raw);
    if (kind !== 'choice' || !Array.isArray(optionIds)) return undefined;
    const known = question.options.map((option) => option.id);
    if (optionIds.length > known.length || !optionIds.every((id) => known.includes(id)))
      return undefined;
    const picked = known.filter((id) => optionIds.includes(id));
    if (!question.isMultiple && picked.length > 1) return undefined;
    return { kind: 'choice', optionIds: picked };
  },

  /** All right options and no others: 1, otherwise 0. */
  mark(_question, key, answer) {
    const right = new Set(key.optionIds);
    return right.size === answer.optionIds.length && answer.optionIds.every((id) => right.has(id))
      ? 1
      : 0;
  },

  emptyTally(question) {
    return {
      kind: 'choice',
      answered: 0,
      picks: Object.fromEntries(question.options.map((option) => [option.id, 0])),
    };
  },

  count(tally, answer, by) {
    const picks = { ...tally.picks };
    for (const id of answer.optionIds) picks[id] = (picks[id] ?? 0) + by;
    const answered = tally.answered + (answer.optionIds.length > 0 ? by : 0);
    return { ...tally, answered, picks };
  },
};

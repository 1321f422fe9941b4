import { asBoolean, asRecord } from '../../parts/decode.js';
import type { OptionId } from '../../parts/ids.js';
import type { QuestionKind } from '../kind.js';
import { readIds, readItems, readPoints, type Item } from '../parts.js';

/** QTI's choiceInteraction: one or several of the options given, words or pictures. */
export interface ChoiceQuestion {
  kind: 'choice';
  options: ChoiceOption[];
  isMultiple: boolean;
  /** Every student sees the options in another order. */
  isShuffled: boolean;
  points: number;
}
export type ChoiceOption = Item;

export interface ChoiceKey {
  kind: 'choice';
  optionIds: OptionId[];
  /** Some of the right ones are worth something, and wrong ones cost. */
  isPartial: boolean;
}

export interface ChoiceAnswer {
  kind: 'choice';
  /** In the order of the options, each once. */
  optionIds: OptionId[];
}

export const MOST_OPTIONS = 12;

export const choice: QuestionKind<ChoiceQuestion, ChoiceKey, ChoiceAnswer> = {
  kind: 'choice',
  label: 'Choice',

  fresh: (makeId) => ({
    kind: 'choice',
    options: ['First option', 'Second option'].map((text) => ({
      id: makeId(),
      text,
      picture: null,
    })),
    isMultiple: false,
    isShuffled: false,
    points: 1,
  }),

  read: (raw) => ({
    kind: 'choice',
    options: readItems(raw.options, MOST_OPTIONS),
    isMultiple: asBoolean(raw.isMultiple),
    isShuffled: asBoolean(raw.isShuffled),
    points: readPoints(raw.points),
  }),

  readKey(raw) {
    const optionIds = readIds<OptionId>(raw.optionIds, MOST_OPTIONS);
    return optionIds.length > 0
      ? { kind: 'choice', optionIds, isPartial: asBoolean(raw.isPartial) }
      : undefined;
  },

  readAnswer(question, raw) {
    const { optionIds: given } = asRecord(raw);
    if (!Array.isArray(given)) return undefined;
    const optionIds: unknown[] = given;
    const known = question.options.map((option) => option.id);
    const isKnown = (id: unknown): boolean => known.some((one) => one === id);
    if (optionIds.length > known.length || !optionIds.every(isKnown)) return undefined;
    const picked = known.filter((id) => optionIds.includes(id));
    if (!question.isMultiple && picked.length > 1) return undefined;
    return { kind: 'choice', optionIds: picked };
  },

  isBlank: ({ optionIds }) => optionIds.length === 0,
  lines: ({ options }) => options.map(({ text }) => text),
  items: ({ options }) => options,
  options: { of: ({ options }) => options, picked: ({ optionIds }) => optionIds },
};

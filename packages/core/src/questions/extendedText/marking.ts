import type { Marking } from '../kind.js';
import { bump, type ValueCounts } from '../values.js';
import {
  wordsIn,
  type ExtendedTextAnswer,
  type ExtendedTextKey,
  type ExtendedTextQuestion,
} from './extendedText.js';

export interface ExtendedTextTally {
  kind: 'extendedText';
  answered: number;
  /** How many texts have how many words. */
  lengths: ValueCounts;
  /** In how many texts each word stands, in small letters. */
  words: Record<string, number>;
}

const SENTENCES = [
  'I would look for the cause first, because the lamp is needed before the fog comes.',
  'A current needs metal all the way round, so string does not help.',
  'We should tell the boats by flags and mend the wire afterwards.',
  'I am not sure, but the mirror turns the light to the sea.',
];

export const extendedTextMarking: Marking<
  ExtendedTextQuestion,
  ExtendedTextKey,
  ExtendedTextAnswer,
  ExtendedTextTally
> = {
  mark: () => null,
  emptyTally: () => ({ kind: 'extendedText', answered: 0, lengths: {}, words: {} }),

  count(tally, { text }, by) {
    const words = wordsIn(text.toLocaleLowerCase('und'));
    tally.answered += by;
    bump(tally.lengths, String(words.length), by);
    for (const word of new Set(words)) bump(tally.words, word, by);
  },

  sample(_question, _key, wantsRight, random) {
    const first = random(SENTENCES.length);
    const text = SENTENCES[first]!;
    return {
      kind: 'extendedText',
      text: wantsRight ? `${text} ${SENTENCES[(first + 1) % SENTENCES.length]!}` : text,
    };
  },
};

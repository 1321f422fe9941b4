import type { Marking } from '../kind.js';
import { bump } from '../values.js';
import { isAccepted, normalised } from './normalised.js';
import type { TextEntryAnswer, TextEntryKey, TextEntryQuestion } from './textEntry.js';

/** How often each text was written, exactly as it was written. */
export interface TextEntryTally {
  kind: 'textEntry';
  answered: number;
  texts: Record<string, number>;
}

const WORDS = ['lantern', 'Lamp', 'lamp ', 'light', 'the light', 'fire', 'I am not sure'];

export const textEntryMarking: Marking<
  TextEntryQuestion,
  TextEntryKey,
  TextEntryAnswer,
  TextEntryTally
> = {
  mark: (_question, key, { text }) =>
    isAccepted(key.accepted, text, key) || key.likened?.includes(normalised(text)) ? 1 : 0,
  emptyTally: () => ({ kind: 'textEntry', answered: 0, texts: {} }),

  count(tally, { text }, by) {
    tally.answered += by;
    bump(tally.texts, text.trim(), by);
  },

  sample(_question, key, wantsRight, random) {
    const right = key?.accepted[random(key.accepted.length)]?.replaceAll('*', '');
    return { kind: 'textEntry', text: wantsRight && right ? right : WORDS[random(WORDS.length)]! };
  },
};

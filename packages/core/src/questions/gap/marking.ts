import type { Marking } from '../kind.js';
import { isAccepted } from '../textEntry/normalised.js';
import { bump } from '../values.js';
import type { GapAnswer, GapKey, GapQuestion } from './gap.js';

export interface GapTally {
  kind: 'gap';
  answered: number;
  /** For each gap how often each text was put there, exactly as it was written. */
  gaps: Record<string, number>[];
}

export const gapMarking: Marking<GapQuestion, GapKey, GapAnswer, GapTally> = {
  /** The share of the gaps that are filled as they should be; gaps that nothing is said of do not count. */
  mark(_question, key, { texts }) {
    const asked = key.accepted.flatMap((accepted, index) =>
      accepted.length > 0 ? [{ accepted, text: texts[index] ?? '' }] : [],
    );
    const right = asked.filter(({ accepted, text }) => isAccepted(accepted, text, key));
    return right.length / Math.max(1, asked.length);
  },

  impossible(question, key) {
    const { bank } = question;
    if (!bank) return null;
    const missing = key.accepted
      .filter(
        (words) => !words.some((word) => bank.some((given) => isAccepted([word], given, key))),
      )
      .flatMap(([word]) => word?.replaceAll('*', '') ?? []);
    if (missing.length === 0) return null;
    return {
      why: `The words to choose from have nothing that is right for ${missing.map((word) => `“${word}”`).join(', ')}.`,
      mend: {
        label: 'Put it among the words',
        question: { ...question, bank: [...bank, ...new Set(missing)] },
      },
    };
  },

  emptyTally: ({ parts }) => ({
    kind: 'gap',
    answered: 0,
    gaps: parts.slice(1).map(() => ({})),
  }),

  count(tally, { texts }, by) {
    tally.answered += by;
    texts.forEach((text, index) => {
      const counts = tally.gaps[index];
      if (counts && text.trim() !== '') bump(counts, text.trim(), by);
    });
  },

  sample({ parts, bank }, key, wantsRight, random) {
    const words = bank && bank.length > 0 ? bank : ['lamp', 'sea', 'ten', 'north'];
    return {
      kind: 'gap',
      texts: parts.slice(1).map((_, index) => {
        const [right] = key?.accepted[index] ?? [];
        const isRight = wantsRight || random(3) > 0;
        return isRight && right ? right.replaceAll('*', '') : words[random(words.length)]!;
      }),
    };
  },
};

import { asNumber, asRecord } from '../../parts/decode.js';
import type { QuestionKind } from '../kind.js';
import { readPoints } from '../parts.js';
import { readScale, type ScaleKey } from '../scale.js';

/** QTI's extendedTextInteraction: paragraphs. */
export interface ExtendedTextQuestion {
  kind: 'extendedText';
  /** How many words are asked for; 0 for no limit. */
  fewestWords: number;
  mostWords: number;
  points: number;
}
export type ExtendedTextKey = ScaleKey<'extendedText'>;

export interface ExtendedTextAnswer {
  kind: 'extendedText';
  text: string;
}

const MOST_LETTERS = 20_000;

/** Runs of letters and digits, with the signs that stand within words. */
export const wordsIn = (text: string): string[] =>
  text.match(/[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*/gu) ?? [];

export const extendedText: QuestionKind<ExtendedTextQuestion, ExtendedTextKey, ExtendedTextAnswer> =
  {
    kind: 'extendedText',
    label: 'Extended text',
    isByHand: true,
    isSharedText: true,

    fresh: () => ({ kind: 'extendedText', fewestWords: 0, mostWords: 0, points: 2 }),
    read: (raw) => ({
      kind: 'extendedText',
      fewestWords: Math.round(asNumber(raw.fewestWords, 0, 0, 5000)),
      mostWords: Math.round(asNumber(raw.mostWords, 0, 0, 5000)),
      points: readPoints(raw.points),
    }),
    readKey: (raw) => readScale('extendedText', raw),

    readAnswer(_question, raw) {
      const { text } = asRecord(raw);
      if (typeof text !== 'string' || text.length > MOST_LETTERS) return undefined;
      // Lines and tabs stay; other control characters say nothing.
      return { kind: 'extendedText', text: text.replace(/[^\P{Cc}\n\t]+/gu, ' ') };
    },

    isBlank: ({ text }) => text.trim() === '',
    lines: () => ['', '', ''],
    inFull: ({ text }) => text,
  };

import { asBoolean, asRecord, asString, asStrings } from '../../parts/decode.js';
import type { QuestionKind } from '../kind.js';
import { readPoints } from '../parts.js';

/** QTI's textEntryInteraction: a word or a line. */
export interface TextEntryQuestion {
  kind: 'textEntry';
  points: number;
}

export interface TextEntryKey {
  kind: 'textEntry';
  /** Any of these is right. `*` in one stands for any letters. */
  accepted: string[];
  heedsCase: boolean;
  heedsAccents: boolean;
  /** What a teacher counts as right besides, in one lesson; normalised. Never in a deck. */
  likened?: string[];
}

export interface TextEntryAnswer {
  kind: 'textEntry';
  text: string;
}

const MOST_LETTERS = 300;
const MOST_ACCEPTED = 200;

/** Words that are right, without empty ones. */
export const readAccepted = (value: unknown): string[] =>
  asStrings(value, MOST_ACCEPTED)
    .map((text) => text.slice(0, MOST_LETTERS))
    .filter((text) => text.trim() !== '');

/** One line: what breaks it is a space. Undefined for what is no text, or too long. */
export const readLine = (value: unknown): string | undefined =>
  typeof value === 'string' && value.length <= MOST_LETTERS
    ? asString(value).replace(/\p{Cc}+/gu, ' ')
    : undefined;

export const textEntry: QuestionKind<TextEntryQuestion, TextEntryKey, TextEntryAnswer> = {
  kind: 'textEntry',
  label: 'Text entry',

  fresh: () => ({ kind: 'textEntry', points: 1 }),
  read: (raw) => ({ kind: 'textEntry', points: readPoints(raw.points) }),

  readKey(raw) {
    const accepted = readAccepted(raw.accepted);
    const { heedsCase, heedsAccents } = raw;
    return accepted.length > 0
      ? {
          kind: 'textEntry',
          accepted,
          heedsCase: asBoolean(heedsCase),
          heedsAccents: asBoolean(heedsAccents),
        }
      : undefined;
  },

  readAnswer(_question, raw) {
    const text = readLine(asRecord(raw).text);
    return text === undefined ? undefined : { kind: 'textEntry', text };
  },

  isBlank: ({ text }) => text.trim() === '',
  lines: () => [''],
  inFull: ({ text }) => text,
};

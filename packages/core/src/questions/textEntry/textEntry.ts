import { asBoolean, asNumber, asRecord, asString, asStrings } from '../../deck/decode.js';
import type { TextEntryKey, TextEntryQuestion } from '../../deck/types.js';
import type { QuestionKind } from '../kind.js';

/** QTI's textEntryInteraction: a word or a line. */
export interface TextEntryAnswer {
  kind: 'textEntry';
  text: string;
}

/** How often each text was written, exactly as it was written. */
export interface TextEntryTally {
  kind: 'textEntry';
  answered: number;
  texts: Record<string, number>;
}

const MOST_LETTERS = 300;
const MOST_ACCEPTED = 40;

/** Texts with runs of spaces as one, and without what is not heeded. */
export function normalised(
  text: string,
  heeds: Pick<TextEntryKey, 'heedsCase' | 'heedsAccents'> = LENIENT,
): string {
  const spaced = text.normalize('NFC').trim().replace(/\s+/g, ' ');
  const cased = heeds.heedsCase ? spaced : spaced.toLocaleLowerCase('und');
  return heeds.heedsAccents ? cased : cased.normalize('NFD').replace(/\p{Mn}/gu, '');
}
const LENIENT = { heedsCase: false, heedsAccents: false };

/** Whether a text is one that is accepted; `*` stands for any letters, none included. */
function isAccepted(pattern: string, text: string): boolean {
  const parts = pattern.split('*');
  if (parts.length === 1) return pattern === text;
  const [first, last] = [parts[0]!, parts.at(-1)!];
  if (text.length < first.length + last.length) return false;
  if (!text.startsWith(first) || !text.endsWith(last)) return false;
  let at = first.length;
  for (const part of parts.slice(1, -1)) {
    const found = text.indexOf(part, at);
    if (found < 0) return false;
    at = found + part.length;
  }
  return at <= text.length - last.length;
}

/** Answers that say the same, whatever their case, accents and spaces: the commonest way to write it, and how many. */
export function likeTexts(tally: TextEntryTally): { text: string; count: number }[] {
  const groups = new Map<string, { text: string; most: number; count: number }>();
  for (const [text, count] of Object.entries(tally.texts)) {
    if (count <= 0) continue;
    const form = normalised(text);
    const group = groups.get(form) ?? { text, most: 0, count: 0 };
    const isCommoner = count > group.most || (count === group.most && text < group.text);
    groups.set(form, {
      ...(isCommoner ? { text, most: count } : group),
      count: group.count + count,
    });
  }
  return [...groups.values()]
    .map(({ text, count }) => ({ text, count }))
    .sort((a, b) => b.count - a.count || (a.text < b.text ? -1 : 1));
}

export const textEntry: QuestionKind<
  TextEntryQuestion,
  TextEntryKey,
  TextEntryAnswer,
  TextEntryTally
> = {
  kind: 'textEntry',
  label: 'Text entry',

  read: (raw) => ({ kind: 'textEntry', points: asNumber(raw.points, 1, 0, 100) }),

  readKey(raw) {
    const accepted = asStrings(raw.accepted, MOST_ACCEPTED)
      .map((text) => text.slice(0, MOST_LETTERS))
      .filter((text) => text.trim() !== '');
    return accepted.length > 0
      ? {
          kind: 'textEntry',
          accepted,
          heedsCase: asBoolean(raw.heedsCase),
          heedsAccents: asBoolean(raw.heedsAccents),
        }
      : undefined;
  },

  readAnswer(_question, raw) {
    const { kind, text } = asRecord(raw);
    if (kind !== 'textEntry' || typeof text !== 'string' || text.length > MOST_LETTERS) {
      return undefined;
    }
    // One line: what breaks it is a space.
    return { kind: 'textEntry', text: asString(text).replace(/\p{Cc}+/gu, ' ') };
  },

  mark(_question, key, answer) {
    const text = normalised(answer.text, key);
    return key.accepted.some((accepted) => isAccepted(normalised(accepted, key), text)) ? 1 : 0;
  },

  emptyTally: () => ({ kind: 'textEntry', answered: 0, texts: {} }),

  count(tally, answer, by) {
    const text = answer.text.trim();
    if (text === '') return tally;
    const { [text]: before = 0, ...others } = tally.texts;
    const now = before + by;
    return {
      ...tally,
      answered: tally.answered + by,
      texts: now > 0 ? { ...others, [text]: now } : others,
    };
  },
};

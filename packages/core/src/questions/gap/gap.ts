import { asBoolean, asList, asRecord, asStrings } from '../../parts/decode.js';
import type { QuestionKind } from '../kind.js';
import { readPoints } from '../parts.js';
import { readAccepted, readLine } from '../textEntry/textEntry.js';

/** QTI's inline interactions: gaps in a text are filled from a bank of words or by typing. */
export interface GapQuestion {
  kind: 'gap';
  /** The text around the gaps: one part more than there are gaps. */
  parts: string[];
  /** The words to choose from, in no order that says anything; null to type them. */
  bank: string[] | null;
  points: number;
}

export interface GapKey {
  kind: 'gap';
  /** What is right in each gap. */
  accepted: string[][];
  heedsCase: boolean;
  heedsAccents: boolean;
}

export interface GapAnswer {
  kind: 'gap';
  /** What stands in each gap; '' where nothing does. */
  texts: string[];
}

const MOST_GAPS = 30;

export const gap: QuestionKind<GapQuestion, GapKey, GapAnswer> = {
  kind: 'gap',
  label: 'Gap text',

  fresh: () => ({ kind: 'gap', parts: ['The lamp is lit at ', '.'], bank: null, points: 1 }),
  read(raw) {
    const parts = asStrings(raw.parts, MOST_GAPS + 1).map((part) => part.slice(0, 2000));
    return {
      kind: 'gap',
      parts: parts.length > 1 ? parts : [parts[0] ?? '', ''],
      bank: Array.isArray(raw.bank)
        ? asStrings(raw.bank, 60).map((word) => word.slice(0, 100))
        : null,
      points: readPoints(raw.points),
    };
  },

  readKey(raw) {
    const accepted = asList(raw.accepted, MOST_GAPS).map(readAccepted);
    if (accepted.every((words) => words.length === 0)) return undefined;
    const [heedsCase, heedsAccents] = [asBoolean(raw.heedsCase), asBoolean(raw.heedsAccents)];
    return { kind: 'gap', accepted, heedsCase, heedsAccents };
  },

  readAnswer({ parts, bank }, raw) {
    const { texts } = asRecord(raw);
    if (!Array.isArray(texts) || texts.length !== parts.length - 1) return undefined;
    const lines = texts.map(readLine);
    const fits = lines.every(
      (line) => line !== undefined && (line === '' || !bank || bank.includes(line)),
    );
    return fits ? { kind: 'gap', texts: lines as string[] } : undefined;
  },

  isBlank: ({ texts }) => texts.every((text) => text.trim() === ''),
  lines: ({ parts }) => [parts.join('_____')],
};

/**
 * A text as teachers write it: what belongs into a gap stands in square brackets, several right words parted by bars:
 * `The [lamp|light] turns every [ten] seconds.`
 */
export function readGapText(written: string): { parts: string[]; accepted: string[][] } {
  const [first = '', ...others] = written.split(/\[([^[\]]*)\]/);
  const parts = [first];
  const accepted: string[][] = [];
  for (let index = 0; index < others.length; index += 2) {
    accepted.push(readAccepted(others[index]!.split('|').map((word) => word.trim())));
    parts.push(others[index + 1] ?? '');
  }
  return { parts, accepted };
}

export const writeGapText = (parts: readonly string[], accepted: readonly string[][]): string =>
  parts
    .map((part, index) =>
      index === 0 ? part : `[${(accepted[index - 1] ?? []).join('|')}]${part}`,
    )
    .join('');

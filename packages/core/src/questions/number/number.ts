import { asOneOf, asRecord, asString } from '../../parts/decode.js';
import type { QuestionKind } from '../kind.js';
import { readPoints } from '../parts.js';
import { DECIMALS, readNumber, type Decimal } from './readNumber.js';
import { readKeptRanges, readRanges, type Range } from './ranges.js';

/** QTI's textEntryInteraction with a numeric answer. */
export interface NumberQuestion {
  kind: 'number';
  /** Shown behind the field; it may be written along. */
  unit: string;
  /** The sign that parts decimals where this is answered; the other one may, too, where it says nothing else. */
  decimal: Decimal;
  points: number;
}

export interface NumberKey {
  kind: 'number';
  /** As the teacher writes it: `277.5 ± 2.5`, `40 ± 5 %`, `10 … 20`, several parted by semicolons. */
  right: string;
  ranges: Range[];
}

/** A number, as it was written; its value is read anew from that, whatever the device says it is. */
export interface NumberAnswer {
  kind: 'number';
  text: string;
}

const MOST_LETTERS = 60;

export const number: QuestionKind<NumberQuestion, NumberKey, NumberAnswer> = {
  kind: 'number',
  label: 'Number',

  fresh: () => ({ kind: 'number', unit: '', decimal: '.', points: 1 }),
  read: (raw) => ({
    kind: 'number',
    unit: asString(raw.unit, '', 20),
    decimal: asOneOf(raw.decimal, DECIMALS, '.'),
    points: readPoints(raw.points),
  }),

  readKey(raw) {
    // Keys of old decks name one range.
    const { low, high } = raw;
    const isOld = typeof low === 'number' && typeof high === 'number';
    const right = isOld ? `${low} … ${high}` : asString(raw.right, '', 200);
    // As they were understood with the question's unit, which may be written along and is not known here.
    const kept = readKeptRanges(raw.ranges);
    const ranges = kept.length > 0 ? kept : (readRanges(right) ?? []);
    return ranges.length > 0 ? { kind: 'number', right, ranges } : undefined;
  },

  readAnswer(question, raw) {
    const { text } = asRecord(raw);
    if (typeof text !== 'string' || text.length > MOST_LETTERS) return undefined;
    const isNumber = readNumber(text, question.unit, question.decimal) !== undefined;
    return isNumber || text === '' ? { kind: 'number', text } : undefined;
  },

  readDraft: (_question, { text }) =>
    typeof text === 'string' && text.length <= MOST_LETTERS ? { kind: 'number', text } : undefined,

  isBlank: ({ text }) => text === '',
  lines: () => [''],
  withDecimal: (question, decimal) =>
    question.decimal === decimal ? question : { ...question, decimal },
};

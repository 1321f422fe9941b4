import type { Marking } from '../kind.js';
import { bump, type ValueCounts } from '../values.js';
import type { NumberAnswer, NumberKey, NumberQuestion } from './number.js';
import { isWithin } from './ranges.js';
import { plainNumber, readNumber, type Decimal } from './readNumber.js';

export interface NumberTally {
  kind: 'number';
  answered: number;
  values: ValueCounts;
  unit: string;
  decimal: Decimal;
}

export const numberMarking: Marking<NumberQuestion, NumberKey, NumberAnswer, NumberTally> = {
  mark(question, key, answer) {
    const value = readNumber(answer.text, question.unit, question.decimal);
    return value !== undefined && isWithin(key.ranges, value) ? 1 : 0;
  },

  emptyTally: ({ unit, decimal }) => ({ kind: 'number', answered: 0, values: {}, unit, decimal }),

  count(tally, answer, by) {
    const value = readNumber(answer.text, tally.unit, tally.decimal);
    if (value === undefined) return;
    tally.answered += by;
    bump(tally.values, String(value), by);
  },

  sample({ decimal }, key, wantsRight, random) {
    const [range] = key?.ranges ?? [];
    const right = range ? (range.low + range.high) / 2 : 10;
    const off = Math.max(1, Math.round(Math.abs(right) / 8));
    const value = wantsRight ? right : right + (random(9) - 4) * off;
    return { kind: 'number', text: plainNumber(Number(value.toPrecision(6)), decimal) };
  },
};

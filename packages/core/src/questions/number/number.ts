import { asNumber, asRecord, asString } from '../../deck/decode.js';
import type { NumberKey, NumberQuestion } from '../../deck/types.js';
import type { QuestionKind } from '../kind.js';
import { countValue, type ValueCounts } from '../values.js';
import { readNumber } from './readNumber.js';

/** A number, as it was written; its value is read anew from that, whatever the device says it is. */
export interface NumberAnswer {
  kind: 'number';
  text: string;
}

export interface NumberTally {
  kind: 'number';
  answered: number;
  values: ValueCounts;
  unit: string;
}

const MOST_LETTERS = 60;

export const number: QuestionKind<NumberQuestion, NumberKey, NumberAnswer, NumberTally> = {
  kind: 'number',
  label: 'Number',

  read: (raw) => ({
    kind: 'number',
    unit: asString(raw.unit, '', 20),
    points: asNumber(raw.points, 1, 0, 100),
  }),

  readKey({ low, high }) {
    if (typeof low !== 'number' || typeof high !== 'number') return undefined;
    if (!Number.isFinite(low) || !Number.isFinite(high) || low > high) return undefined;
    return { kind: 'number', low, high };
  },

  readAnswer(question, raw) {
    const { kind, text } = asRecord(raw);
    if (kind !== 'number' || typeof text !== 'string' || text.length > MOST_LETTERS) {
      return undefined;
    }
    const isNumber = readNumber(text, question.unit) !== undefined;
    return isNumber || text === '' ? { kind: 'number', text } : undefined;
  },

  mark(question, key, answer) {
    const value = readNumber(answer.text, question.unit);
    return value !== undefined && value >= key.low && value <= key.high ? 1 : 0;
  },

  emptyTally: (question) => ({ kind: 'number', answered: 0, values: {}, unit: question.unit }),

  count(tally, answer, by) {
    const value = readNumber(answer.text, tally.unit);
    if (value === undefined) return tally;
    return {
      ...tally,
      answered: tally.answered + by,
      values: countValue(tally.values, value, by),
    };
  },
};

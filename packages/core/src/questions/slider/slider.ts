import { asNumber, asRecord, asString } from '../../deck/decode.js';
import type { SliderKey, SliderQuestion } from '../../deck/types.js';
import type { QuestionKind } from '../kind.js';
import { countValue, type ValueCounts } from '../values.js';

/** QTI's sliderInteraction: a value on a scale. */
export interface SliderAnswer {
  kind: 'slider';
  value: number;
}

export interface SliderTally {
  kind: 'slider';
  answered: number;
  values: ValueCounts;
}

export const slider: QuestionKind<SliderQuestion, SliderKey, SliderAnswer, SliderTally> = {
  kind: 'slider',
  label: 'Slider',

  read(raw) {
    const low = asNumber(raw.low, 0, -1e6, 1e6);
    const high = asNumber(raw.high, 10, -1e6, 1e6);
    const [from, to] = low < high ? [low, high] : [low, low + 1];
    return {
      kind: 'slider',
      low: from,
      high: to,
      // No scale has more than ten thousand places.
      step: asNumber(raw.step, 1, (to - from) / 10_000, to - from),
      lowLabel: asString(raw.lowLabel, '', 100),
      highLabel: asString(raw.highLabel, '', 100),
      points: asNumber(raw.points, 1, 0, 100),
    };
  },

  readKey({ low, high }) {
    if (typeof low !== 'number' || typeof high !== 'number') return undefined;
    if (!Number.isFinite(low) || !Number.isFinite(high) || low > high) return undefined;
    return { kind: 'slider', low, high };
  },

  readAnswer({ low, high, step }, raw) {
    const { kind, value } = asRecord(raw);
    if (kind !== 'slider' || typeof value !== 'number' || !Number.isFinite(value)) return undefined;
    if (value < low || value > high) return undefined;
    // To the nearest place of the scale, so that equal answers are counted as equal.
    const place = Math.round((value - low) / step) * step + low;
    return { kind: 'slider', value: Number(Math.min(high, place).toPrecision(12)) };
  },

  mark: (_question, key, { value }) => (value >= key.low && value <= key.high ? 1 : 0),

  emptyTally: () => ({ kind: 'slider', answered: 0, values: {} }),

  count: (tally, { value }, by) => ({
    ...tally,
    answered: tally.answered + by,
    values: countValue(tally.values, value, by),
  }),
};

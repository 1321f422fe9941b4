import { asNumber, asRecord, asString } from '../../parts/decode.js';
import { asId, type ElementId } from '../../parts/ids.js';
import type { QuestionKind } from '../kind.js';
import { readPoints } from '../parts.js';

/** QTI's sliderInteraction: a value on a scale. */
export interface SliderQuestion {
  kind: 'slider';
  low: number;
  high: number;
  step: number;
  /** The words at its ends. */
  lowLabel: string;
  highLabel: string;
  /** The slider that asked the same before; '' for none. */
  before: ElementId | null;
  points: number;
}

export interface SliderKey {
  kind: 'slider';
  low: number;
  high: number;
}

export interface SliderAnswer {
  kind: 'slider';
  value: number;
}

export const slider: QuestionKind<SliderQuestion, SliderKey, SliderAnswer> = {
  kind: 'slider',
  label: 'Slider',

  fresh: () => ({
    kind: 'slider',
    low: 0,
    high: 10,
    step: 1,
    lowLabel: 'not at all',
    highLabel: 'very',
    before: null,
    points: 1,
  }),

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
      before: asId<ElementId>(raw.before),
      points: readPoints(raw.points),
    };
  },

  readKey({ low, high }) {
    if (typeof low !== 'number' || typeof high !== 'number') return undefined;
    if (!Number.isFinite(low) || !Number.isFinite(high) || low > high) return undefined;
    return { kind: 'slider', low, high };
  },

  readAnswer({ low, high, step }, raw) {
    const { value } = asRecord(raw);
    if (typeof value !== 'number' || !Number.isFinite(value)) return undefined;
    if (value < low || value > high) return undefined;
    // To the nearest place of the scale, so that equal answers are counted as equal.
    const place = Math.round((value - low) / step) * step + low;
    return { kind: 'slider', value: Number(Math.min(high, place).toPrecision(12)) };
  },

  isBlank: () => false,
  lines: () => [''],
  before: ({ before }) => before,
};

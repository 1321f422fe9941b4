import type { Marking } from '../kind.js';
import { bump, type ValueCounts } from '../values.js';
import type { SliderAnswer, SliderKey, SliderQuestion } from './slider.js';

export interface SliderTally {
  kind: 'slider';
  answered: number;
  values: ValueCounts;
}

/** Share of a step by which a value may miss the key's ends: 0.1 and 0.2 are not exactly 0.3 for a machine. */
const TOLERANCE = 1e-3;

export const sliderMarking: Marking<SliderQuestion, SliderKey, SliderAnswer, SliderTally> = {
  mark({ step }, key, { value }) {
    const slack = step * TOLERANCE;
    return value >= key.low - slack && value <= key.high + slack ? 1 : 0;
  },

  impossible(question, key) {
    const { low, high, step } = question;
    const slack = step * TOLERANCE;
    const nearest = low + Math.ceil((key.low - slack - low) / step) * step;
    const meets = nearest <= Math.min(high, key.high) + slack && key.high >= low - slack;
    if (meets) return null;
    const middle = Math.min(high, Math.max(low, (key.low + key.high) / 2));
    const at = low + Math.round((middle - low) / step) * step;
    return {
      why: `The slider goes from ${low} to ${high} in steps of ${step}, and none of them is within ${key.low} … ${key.high}.`,
      mend: {
        label: `Make ${Number(at.toPrecision(12))} the key`,
        key: { kind: 'slider', low: at, high: at },
      },
    };
  },

  emptyTally: () => ({ kind: 'slider', answered: 0, values: {} }),

  count(tally, { value }, by) {
    tally.answered += by;
    bump(tally.values, String(value), by);
  },

  sample({ low, high, step }, key, wantsRight, random) {
    const [from, to] =
      wantsRight && key ? [Math.max(low, key.low), Math.min(high, key.high)] : [low, high];
    const places = Math.max(0, Math.floor((to - from) / step));
    return { kind: 'slider', value: Math.min(high, from + random(places + 1) * step) };
  },
};

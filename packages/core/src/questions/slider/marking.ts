import type { Marking } from '../kind.js';
import { bump, type ValueCounts } from '../values.js';
import type { SliderAnswer, SliderKey, SliderQuestion } from './slider.js';

export interface SliderTally {
  kind: 'slider';
  answered: number;
  values: ValueCounts;
}

export const sliderMarking: Marking<SliderQuestion, SliderKey, SliderAnswer, SliderTally> = {
  mark: (_question, key, { value }) => (value >= key.low && value <= key.high ? 1 : 0),
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

import { range, right, type ToInteraction } from '../interaction.js';
import type { SliderAnswer, SliderKey, SliderQuestion } from './slider.js';

export const sliderInteraction: ToInteraction<SliderQuestion, SliderKey, SliderAnswer> = ({
  key,
  answer,
}) => ({
  interactionType: 'numeric',
  response: String(answer.value),
  ...right(...(key ? [range(key.low, key.high)] : [])),
});

import { range, right, type ToInteraction } from '../interaction.js';
import type { NumberAnswer, NumberKey, NumberQuestion } from './number.js';
import { readNumber } from './readNumber.js';

export const numberInteraction: ToInteraction<NumberQuestion, NumberKey, NumberAnswer> = ({
  question: { unit, decimal },
  key,
  answer,
}) => ({
  interactionType: 'numeric',
  response: String(readNumber(answer.text, unit, decimal) ?? answer.text),
  ...right(...(key?.ranges ?? []).map(({ low, high }) => range(low, high))),
});

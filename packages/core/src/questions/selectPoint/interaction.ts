import { AND, type ToInteraction } from '../interaction.js';
import type { SelectPointAnswer, SelectPointKey, SelectPointQuestion } from './selectPoint.js';

export const selectPointInteraction: ToInteraction<
  SelectPointQuestion,
  SelectPointKey,
  SelectPointAnswer
> = ({ answer }) => ({
  interactionType: 'other',
  response: answer.spots.map(({ x, y }) => `${x} ${y}`).join(AND),
});

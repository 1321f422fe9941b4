import { AND, component, right, type ToInteraction } from '../interaction.js';
import type { OrderAnswer, OrderKey, OrderQuestion } from './order.js';

export const orderInteraction: ToInteraction<OrderQuestion, OrderKey, OrderAnswer> = ({
  question,
  key,
  answer,
}) => ({
  interactionType: 'sequencing',
  choices: question.items.map(component),
  response: answer.itemIds.join(AND),
  ...right(...(key ? [key.itemIds.join(AND)] : [])),
});

import { AND, component, right, type ToInteraction } from '../interaction.js';
import type { ChoiceAnswer, ChoiceKey, ChoiceQuestion } from './choice.js';

export const choiceInteraction: ToInteraction<ChoiceQuestion, ChoiceKey, ChoiceAnswer> = ({
  question,
  key,
  answer,
}) => ({
  interactionType: 'choice',
  choices: question.options.map(component),
  response: answer.optionIds.join(AND),
  ...right(...(key ? [key.optionIds.join(AND)] : [])),
});

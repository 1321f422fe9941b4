import type { ToInteraction } from '../interaction.js';
import type { ExtendedTextAnswer, ExtendedTextKey, ExtendedTextQuestion } from './extendedText.js';

export const extendedTextInteraction: ToInteraction<
  ExtendedTextQuestion,
  ExtendedTextKey,
  ExtendedTextAnswer
> = ({ answer }) => ({
  interactionType: 'long-fill-in',
  response: answer.text,
});

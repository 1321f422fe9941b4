import { AND, type ToInteraction } from '../interaction.js';
import type { DrawingAnswer, DrawingKey, DrawingQuestion } from './drawing.js';

export const drawingInteraction: ToInteraction<DrawingQuestion, DrawingKey, DrawingAnswer> = ({
  answer,
}) => ({
  interactionType: 'other',
  response: `${answer.strokes.length} strokes${AND}${answer.labels.map(({ text }) => text).join(AND)}`,
});

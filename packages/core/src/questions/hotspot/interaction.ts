import { AND, component, right, type ToInteraction } from '../interaction.js';
import type { HotspotAnswer, HotspotKey, HotspotQuestion } from './hotspot.js';

export const hotspotInteraction: ToInteraction<HotspotQuestion, HotspotKey, HotspotAnswer> = ({
  question,
  key,
  answer,
}) => ({
  interactionType: 'choice',
  choices: question.areas.map(({ id }, index) => component({ id, text: `Area ${index + 1}` })),
  response: answer.areaIds.join(AND),
  ...right(...(key ? [key.areaIds.join(AND)] : [])),
});

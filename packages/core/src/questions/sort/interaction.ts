import { named, pairs, right, type ToInteraction } from '../interaction.js';
import type { SortAnswer, SortKey, SortQuestion } from './sort.js';

export const sortInteraction: ToInteraction<SortQuestion, SortKey, SortAnswer> = ({
  question,
  key,
  answer,
}) => ({
  interactionType: 'matching',
  source: question.pieces.map(named),
  target: question.zones.map(named),
  response: pairs(
    Object.entries(answer.zoneIds).flatMap(([piece, zones]) =>
      zones.map((zone) => [piece, zone] as const),
    ),
  ),
  ...right(
    ...(key
      ? [
          pairs(
            Object.entries(key.expects).flatMap(([zone, pieces]) =>
              pieces.map((piece) => [piece, zone] as const),
            ),
          ),
        ]
      : []),
  ),
});

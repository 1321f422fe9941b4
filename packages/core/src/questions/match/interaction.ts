import { component, pairs, right, type ToInteraction } from '../interaction.js';
import type { MatchAnswer, MatchKey, MatchQuestion } from './match.js';

export const matchInteraction: ToInteraction<MatchQuestion, MatchKey, MatchAnswer> = ({
  question,
  key,
  answer,
}) => ({
  interactionType: 'matching',
  source: question.lefts.map(component),
  target: question.rights.map(component),
  response: pairs(Object.entries(answer.pairs)),
  // One pattern names one target for each source; where several are right, the first of them.
  ...right(
    ...(key
      ? [pairs(Object.entries(key.pairs).flatMap(([from, [to]]) => (to ? [[from, to]] : [])))]
      : []),
  ),
});

import { AND, caseMatters, plain, right, type ToInteraction } from '../interaction.js';
import type { GapAnswer, GapKey, GapQuestion } from './gap.js';

export const gapInteraction: ToInteraction<GapQuestion, GapKey, GapAnswer> = ({ key, answer }) => ({
  interactionType: 'fill-in',
  response: answer.texts.join(AND),
  ...right(
    ...(key && key.accepted.every((texts) => plain(texts).length > 0)
      ? [caseMatters(key.heedsCase) + key.accepted.map((texts) => plain(texts)[0]).join(AND)]
      : []),
  ),
});

import { caseMatters, plain, right, type ToInteraction } from '../interaction.js';
import type { TextEntryAnswer, TextEntryKey, TextEntryQuestion } from './textEntry.js';

export const textEntryInteraction: ToInteraction<
  TextEntryQuestion,
  TextEntryKey,
  TextEntryAnswer
> = ({ key, answer }) => ({
  interactionType: 'fill-in',
  response: answer.text,
  ...right(...(key ? plain(key.accepted).map((text) => caseMatters(key.heedsCase) + text) : [])),
});

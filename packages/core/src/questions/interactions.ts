import { choiceInteraction } from './choice/interaction.js';
import { drawingInteraction } from './drawing/interaction.js';
import { extendedTextInteraction } from './extendedText/interaction.js';
import { gapInteraction } from './gap/interaction.js';
import { hotspotInteraction } from './hotspot/interaction.js';
import { matchInteraction } from './match/interaction.js';
import { numberInteraction } from './number/interaction.js';
import { orderInteraction } from './order/interaction.js';
import { selectPointInteraction } from './selectPoint/interaction.js';
import { sliderInteraction } from './slider/interaction.js';
import { sortInteraction } from './sort/interaction.js';
import { textEntryInteraction } from './textEntry/interaction.js';
import type { Interaction } from './interaction.js';
import type { Answer, KindName, Question, QuestionKey } from './registry.js';

/** One line per kind. */
const INTERACTIONS = {
  choice: choiceInteraction,
  textEntry: textEntryInteraction,
  extendedText: extendedTextInteraction,
  number: numberInteraction,
  slider: sliderInteraction,
  order: orderInteraction,
  match: matchInteraction,
  gap: gapInteraction,
  sort: sortInteraction,
  hotspot: hotspotInteraction,
  selectPoint: selectPointInteraction,
  drawing: drawingInteraction,
} satisfies Record<KindName, unknown>;

/** What a question and one answer to it are in the Experience API. */
export function interactionOf(
  question: Question,
  key: QuestionKey | null,
  answer: Answer,
): Interaction {
  const write = INTERACTIONS[question.kind] as (asked: object) => Interaction;
  return write({ question, key: key?.kind === question.kind ? key : null, answer });
}

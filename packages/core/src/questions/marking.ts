import { choiceMarking } from './choice/marking.js';
import { drawingMarking } from './drawing/marking.js';
import { extendedTextMarking } from './extendedText/marking.js';
import { gapMarking } from './gap/marking.js';
import { hotspotMarking } from './hotspot/marking.js';
import type { Marking } from './kind.js';
import { matchMarking } from './match/marking.js';
import { numberMarking } from './number/marking.js';
import { orderMarking } from './order/marking.js';
import {
  isBlank,
  type Answer,
  type Asked,
  type KindName,
  type Question,
  type QuestionKey,
} from './registry.js';
import { selectPointMarking } from './selectPoint/marking.js';
import { sliderMarking } from './slider/marking.js';
import { sortMarking } from './sort/marking.js';
import { textEntryMarking } from './textEntry/marking.js';

/** One line per kind. */
const MARKINGS = {
  choice: choiceMarking,
  textEntry: textEntryMarking,
  extendedText: extendedTextMarking,
  number: numberMarking,
  slider: sliderMarking,
  order: orderMarking,
  match: matchMarking,
  gap: gapMarking,
  sort: sortMarking,
  hotspot: hotspotMarking,
  selectPoint: selectPointMarking,
  drawing: drawingMarking,
} satisfies Record<KindName, unknown>;

type Markings = typeof MARKINGS;
export type Tally = ReturnType<Markings[KindName]['emptyTally']>;
type AnyMarking = Marking<Question, QuestionKey, Answer, Tally>;

export const markingOf = (kind: KindName): AnyMarking => MARKINGS[kind];

/** From 0 to 1; null for a question without a key, for thinking, or that a person has to mark. */
export function markAnswer(element: Asked, answer: Answer): number | null {
  const { key, question, isForThinking, picture } = element;
  // A key or an answer that was left over from another kind says nothing.
  if (isForThinking || !key || key.kind !== question.kind || answer.kind !== question.kind) {
    return null;
  }
  const shape = picture && picture.width > 0 ? picture.height / picture.width : 1;
  return isBlank(answer) ? 0 : markingOf(question.kind).mark(question, key, answer, shape);
}

/** Counts an answer into a tally, or out of it; one that says nothing leaves it as it is. */
export function countAnswer(tally: Tally, answer: Answer, by: 1 | -1): void {
  if (answer.kind === tally.kind && !isBlank(answer))
    markingOf(answer.kind).count(tally, answer, by);
}

/** The tally of a class's answers; the order they come in makes no difference. */
export function tallyOf(question: Question, answers: Iterable<Answer>): Tally {
  const tally = markingOf(question.kind).emptyTally(question);
  for (const answer of answers) countAnswer(tally, answer, 1);
  return tally;
}

/** An answer such as a student might give. */
export const sampleAnswer = (
  { question, key }: Asked,
  wantsRight: boolean,
  random: (below: number) => number,
): Answer => markingOf(question.kind).sample(question, key, wantsRight, random);

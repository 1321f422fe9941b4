import { asRecord } from '../deck/decode.js';
import type { Question, QuestionElement, QuestionKey } from '../deck/types.js';
import { choice, type ChoiceAnswer, type ChoiceTally } from './choice/choice.js';
import type { QuestionKind } from './kind.js';
import { number, type NumberAnswer, type NumberTally } from './number/number.js';
import { slider, type SliderAnswer, type SliderTally } from './slider/slider.js';
import { textEntry, type TextEntryAnswer, type TextEntryTally } from './textEntry/textEntry.js';

/** One line per kind. */
const KINDS = { choice, textEntry, number, slider } as const;

export type Answer = ChoiceAnswer | TextEntryAnswer | NumberAnswer | SliderAnswer;
export type Tally = ChoiceTally | TextEntryTally | NumberTally | SliderTally;
export const QUESTION_KINDS = Object.keys(KINDS) as Question['kind'][];
export const questionLabel = (kind: Question['kind']): string => KINDS[kind].label;

type AnyKind = QuestionKind<Question, QuestionKey, Answer, Tally>;

export function kindOf(name: unknown): AnyKind | undefined {
  return typeof name === 'string' && Object.hasOwn(KINDS, name)
    ? (KINDS[name as keyof typeof KINDS] as unknown as AnyKind)
    : undefined;
}

export function readQuestion(value: unknown): Question | undefined {
  const raw = asRecord(value);
  return kindOf(raw.kind)?.read(raw);
}

export function readQuestionKey(value: unknown): QuestionKey | undefined {
  const raw = asRecord(value);
  return kindOf(raw.kind)?.readKey(raw);
}

/** An answer fit for this question, or undefined. */
export function readAnswer(question: Question, value: unknown): Answer | undefined {
  return kindOf(question.kind)?.readAnswer(question, value);
}

/** From 0 to 1; null for a question without a key. */
export function markAnswer(element: QuestionElement, answer: Answer): number | null {
  const { key, question } = element;
  // A key or an answer that was left over from another kind says nothing.
  if (!key || key.kind !== question.kind || answer.kind !== question.kind) return null;
  return kindOf(question.kind)?.mark(question, key, answer) ?? null;
}

/** The tally of a class's answers; the order they come in makes no difference. */
export function tallyOf(question: Question, answers: Iterable<Answer>): Tally {
  const kind = kindOf(question.kind);
  if (!kind) throw new Error(`no question kind ${question.kind}`);
  let tally = kind.emptyTally(question);
  for (const answer of answers) tally = kind.count(tally, answer, 1);
  return tally;
}

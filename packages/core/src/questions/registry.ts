import { asRecord } from '../deck/decode.js';
import type { Question, QuestionElement, QuestionKey } from '../deck/types.js';
import { choice, type ChoiceAnswer, type ChoiceTally } from './choice/choice.js';
import type { QuestionKind } from './kind.js';

/** One line per kind. */
const KINDS = { choice } as const;

export type Answer = ChoiceAnswer;
export type Tally = ChoiceTally;

type AnyKind = QuestionKind<Question, QuestionKey, Answer, Tally>;

export function kindOf(name: unknown): AnyKind | undefined {
  return typeof name === 'string' && Object.hasOwn(KINDS, name)
    ? (KINDS[name as keyof typeof KINDS] as AnyKind)
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
  if (!element.key) return null;
  return kindOf(element.question.kind)?.mark(element.question, element.key, answer) ?? null;
}

/** The tally of a class's answers; the order they come in makes no difference. */
export function tallyOf(question: Question, answers: Iterable<Answer>): Tally {
  const kind = kindOf(question.kind);
  if (!kind) throw new Error(`no question kind ${question.kind}`);
  let tally = kind.emptyTally(question);
  for (const answer of answers) tally = kind.count(tally, answer, 1);
  return tally;
}

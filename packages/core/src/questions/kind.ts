import type { Question, QuestionKey } from '../deck/types.js';

/**
 * What a question kind is: how its parts are read from a document, what an answer is, how it is marked and
 * how a class's answers are counted. Everything is pure; a tally is plain data, so it travels as it is.
 */
export interface QuestionKind<Q extends Question, K extends QuestionKey, A, T> {
  kind: Q['kind'];
  /** What the interface calls it. */
  label: string;
  read(raw: Record<string, unknown>): Q | undefined;
  readKey(raw: Record<string, unknown>): K | undefined;
  /** The answer, or undefined when it is not one for this question: wrong shape, unknown options. */
  readAnswer(question: Q, raw: unknown): A | undefined;
  /** From 0 to 1. */
  mark(question: Q, key: K, answer: A): number;
  emptyTally(question: Q): T;
  /** `by` is 1 to count an answer in, −1 to take it out again. */
  count(tally: T, answer: A, by: 1 | -1): T;
}

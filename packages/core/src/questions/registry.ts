import type { ElementId, OptionId } from '../parts/ids.js';
import { asRecord } from '../parts/decode.js';
import type { CreditedAsset } from '../parts/asset.js';
import { choice } from './choice/choice.js';
import { drawing } from './drawing/drawing.js';
import { extendedText } from './extendedText/extendedText.js';
import { gap } from './gap/gap.js';
import { hotspot } from './hotspot/hotspot.js';
import type { AnyQuestion, OfAKind, QuestionKind } from './kind.js';
import type { Item } from './parts.js';
import { match } from './match/match.js';
import { number } from './number/number.js';
import { order } from './order/order.js';
import { selectPoint } from './selectPoint/selectPoint.js';
import { slider } from './slider/slider.js';
import { sort } from './sort/sort.js';
import { textEntry } from './textEntry/textEntry.js';

/** One line per kind; what teachers and the server need beside it is one more in `marking.ts`. */
const KINDS = {
  choice,
  textEntry,
  extendedText,
  number,
  slider,
  order,
  match,
  gap,
  sort,
  hotspot,
  selectPoint,
  drawing,
} as const;

type Kinds = typeof KINDS;
export type KindName = keyof Kinds;
type Parts<T> = T extends QuestionKind<infer Q, infer K, infer A> ? { q: Q; k: K; a: A } : never;
export type Question = Parts<Kinds[KindName]>['q'];
export type QuestionKey = Parts<Kinds[KindName]>['k'];
export type Answer = Parts<Kinds[KindName]>['a'];

/** A question as it is asked: what marking needs of it. */
export interface Asked {
  question: Question;
  /** The expected answer; null when there is none, and in anything a student receives. */
  key: QuestionKey | null;
  /** It is asked to make students think: it has no key and is never marked. */
  isForThinking: boolean;
  /** What it is about, or what is drawn and marked on. */
  picture: CreditedAsset | null;
}

export const QUESTION_KINDS = Object.keys(KINDS) as KindName[];

type AnyKind = QuestionKind<AnyQuestion, OfAKind, OfAKind>;

export function kindOf(name: KindName): QuestionKind<Question, QuestionKey, Answer>;
export function kindOf(name: unknown): QuestionKind<Question, QuestionKey, Answer> | undefined;
export function kindOf(name: unknown): QuestionKind<Question, QuestionKey, Answer> | undefined {
  return typeof name === 'string' && Object.hasOwn(KINDS, name)
    ? (KINDS[name as KindName] as unknown as AnyKind as QuestionKind<Question, QuestionKey, Answer>)
    : undefined;
}

export const questionLabel = (kind: KindName): string => KINDS[kind].label;

export function readQuestion(value: unknown): Question | undefined {
  const raw = asRecord(value);
  return kindOf(raw.kind)?.read(raw);
}

export function readQuestionKey(value: unknown): QuestionKey | undefined {
  const raw = asRecord(value);
  return kindOf(raw.kind)?.readKey(raw);
}

/** An answer fit for this question, or undefined: also one that belongs to a question of another kind. */
export function readAnswer(question: Question, value: unknown): Answer | undefined {
  const raw = asRecord(value);
  return raw.kind === question.kind ? kindOf(question.kind).readAnswer(question, raw) : undefined;
}

/** What stands on the screen for this question without counting, or undefined when it is nothing that could. */
export function readDraft(question: Question, value: unknown): Answer | undefined {
  const raw = asRecord(value);
  if (raw.kind !== question.kind) return undefined;
  const kind = kindOf(question.kind);
  return kind.readDraft ? kind.readDraft(question, raw) : kind.readAnswer(question, raw);
}

/** Whether the answers of a kind are long texts, which a folio keeps letter by letter. */
export const isSharedText = (kind: unknown): boolean => kindOf(kind)?.isSharedText === true;

export const isBlank = (answer: Answer): boolean => kindOf(answer.kind).isBlank(answer);

/** Whether its answer is given by where pieces lie: no device says it in words. */
export const isAnsweredByPieces = (question: Question): boolean =>
  kindOf(question.kind).fromSlide !== undefined;

/** The pictures of a question and of what it is made of. */
export const picturesIn = ({ picture, question }: Asked): CreditedAsset[] =>
  [picture, ...(kindOf(question.kind).items?.(question) ?? []).map((item) => item.picture)].filter(
    (one) => one !== null,
  );

/** The question that asked the same before; null for none. */
export const askedBefore = (question: Question): ElementId | null =>
  kindOf(question.kind).before?.(question) ?? null;

/** The options of a question that carry links of their own. */
export const optionsOf = (question: Question): readonly Item[] =>
  kindOf(question.kind).options?.of(question) ?? [];

/** The options that an answer picks; none in one of another kind, or of nothing. */
export const pickedIn = (answer: Answer | undefined): readonly OptionId[] =>
  (answer && kindOf(answer.kind).options?.picked(answer)) ?? [];

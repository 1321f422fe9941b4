import type { ElementId, MakeId, OptionId } from '../parts/ids.js';
import type { Decimal } from './number/readNumber.js';
import type { Item } from './parts.js';

export interface OfAKind {
  kind: string;
}
/** The part of a question that students see. */
export interface AnyQuestion extends OfAKind {
  /** What a wholly right answer is worth, from 0 to 100. */
  points: number;
}

/**
 * What a question kind is, as far as every device must know: how its parts are read from a document and what an answer
 * is. How it is marked and counted stands beside it in `marking.ts`, which no student's device needs.
 */
export interface QuestionKind<Q extends AnyQuestion, K extends OfAKind, A extends OfAKind> {
  kind: Q['kind'];
  /** What the interface calls it. */
  label: string;
  /** A person gives the mark: such a question needs no key. */
  isByHand?: true;
  /** Its answer is a long `text`, which a folio keeps as one that several devices may write in at once. */
  isSharedText?: true;
  /** A question as it begins. */
  fresh(makeId: MakeId): Q;
  read(raw: Record<string, unknown>): Q | undefined;
  readKey(raw: Record<string, unknown>): K | undefined;
  /** The answer, or undefined when it is not one for this question: wrong shape, unknown parts, too much. */
  readAnswer(question: Q, raw: Record<string, unknown>): A | undefined;
  /** What may stand on the screen without being an answer yet, for a kind that has such; otherwise only answers may. */
  readDraft?(question: Q, raw: Record<string, unknown>): A | undefined;
  /** Whether an answer says nothing: it is not counted and does not satisfy a question that is required. */
  isBlank(answer: A): boolean;
  /** Lines that the question shows below its prompt; one empty line stands for a field. */
  lines(question: Q): string[];
  /** What it is made of that may have pictures. */
  items?(question: Q): readonly Item[];
  /** Its parts that carry links of their own, and those that an answer picks. */
  options?: { of(question: Q): readonly Item[]; picked(answer: A): readonly OptionId[] };
  /** The question that asked the same before; '' for none. */
  before?(question: Q): ElementId | null;
  /** An answer that is words, whole and as they were written. */
  inFull?(answer: A): string;
  /** Whether it can be asked as it is; it can when nothing is said. */
  isReady?(question: Q): boolean;
  /** The same question in a deck whose language parts decimals by another sign. */
  withDecimal?(question: Q, decimal: Decimal): Q;
  /** For a kind that asks for what lies on its slide. */
  fromSlide?: FromSlide<Q, K, A>;
}

/** A piece or a zone of a slide, by the name it goes by. */
export interface SlidePart {
  id: ElementId;
  name: string;
}

/** What lies on a slide to be put together. */
export interface SlideParts {
  pieces: SlidePart[];
  /** `expects`: the pieces that belong there. */
  zones: (SlidePart & { expects: ElementId[] })[];
}

/** A piece that was moved, or one of its copies, and the zone that it lies in by now; null for none. */
export interface LyingIn {
  pieceId: ElementId;
  zoneId: ElementId | null;
}

export interface FromSlide<Q extends AnyQuestion, K extends OfAKind, A extends OfAKind> {
  /** The question with its parts, and its key, as the slide has them. */
  complete(question: Q, parts: SlideParts): { question: Q; key: K | null };
  /** The answer that pieces give by where they lie. */
  answer(lying: readonly LyingIn[]): A;
}

/** Why nobody can be right, and what makes it possible. */
export interface Impossible<Q extends AnyQuestion, K extends OfAKind> {
  why: string;
  mend: { label: string; question?: Q; key?: K | null };
}

/** How answers of a kind are marked and counted. All of it is pure but `count`. */
export interface Marking<Q extends AnyQuestion, K extends OfAKind, A extends OfAKind, T> {
  /**
   * From 0 to 1; null when a person has to say.
   * @param shape height of the question's picture over its width; 1 without one
   */
  mark(question: Q, key: K, answer: A, shape: number): number | null;
  /** Whether no answer at all can be wholly right by this key; null when one can. */
  impossible?(question: Q, key: K): Impossible<Q, K> | null;
  /** The options that a key calls right, and the same key with only some of them; null for none. */
  right?: { of(key: K): readonly OptionId[]; only(key: K, optionIds: OptionId[]): K | null };
  emptyTally(question: Q): T;
  /**
   * Counts an answer into a tally that the caller owns, or takes it out again with −1; costs as much as the answer is
   * long, however many have been counted. Blank answers are not handed in. A tally is plain data.
   */
  count(tally: T, answer: A, by: 1 | -1): void;
  /** An answer such as a student might give; a right one if that is wanted and there is a key. */
  sample(question: Q, key: K | null, wantsRight: boolean, random: (below: number) => number): A;
}

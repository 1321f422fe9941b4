import type {
  Answer,
  KindName,
  Likened,
  Question,
  QuestionElement,
  QuestionKey,
  Tally,
  SlideId,
} from '@gobrel/core';
import type { ComponentType } from 'react';

export type Of<T, K extends KindName> = Extract<T, { kind: K }>;
/** An element whose question and key are of one kind. */
export type QuestionElementOf<K extends KindName> = Omit<QuestionElement, 'question' | 'key'> & {
  question: Of<Question, K>;
  key: Of<QuestionKey, K> | null;
};

export interface QuestionEditProps<K extends KindName = KindName> {
  slideId: SlideId;
  element: QuestionElementOf<K>;
  onClose: () => void;
}
export interface QuestionStillProps<K extends KindName = KindName> {
  element: QuestionElementOf<K>;
  question: Of<Question, K>;
}
export interface QuestionInputProps<K extends KindName = KindName> extends QuestionStillProps<K> {
  /** What groups the inputs: the question's identity. */
  name: string;
  /** What shuffled parts are shuffled by. */
  seed: string;
  /** What stands on the screen: the answer, or a draft. */
  answer: Of<Answer, K> | undefined;
  /** What counts by now, when that is not what stands on the screen. */
  counts: Of<Answer, K> | undefined;
  isHeld: boolean;
  /** Called with every change at once: what is on the screen is in the folio. */
  onAnswer: (answer: Of<Answer, K>) => void;
  /** For what cannot count as it stands. */
  onDraft: (draft: Of<Answer, K>) => void;
}
export interface TallyViewProps<K extends KindName = KindName> {
  element: QuestionElementOf<K>;
  tally: Of<Tally, K>;
  /** Students in the lesson. */
  students: number;
  /** All answers of the class that are known, in no order that says who gave which. */
  answers: readonly Of<Answer, K>[];
  /** The tally of the question that asked the same before, for kinds that are asked twice. */
  before?: Tally | undefined;
  /** Texts that count as others in this lesson, and the way to say so; at the desk. */
  likened?: Likened | undefined;
  onLiken?: ((text: string, as: string | null) => void) | undefined;
  /** Whether the key may be told from the rest. */
  showsKey: boolean;
}

/** How a question kind looks: still, answered, edited, counted. */
export interface QuestionViews<K extends KindName = KindName> {
  Still: ComponentType<QuestionStillProps<K>>;
  Input: ComponentType<QuestionInputProps<K>>;
  Edit: ComponentType<QuestionEditProps<K>>;
  TallyView: ComponentType<TallyViewProps<K>>;
  /** It shows the question's picture itself. */
  drawsOnPicture?: true;
  /** Its card is as high as its box, however little stands in it. */
  fillsCard?: true;
  /** An answer in a few words, for lists. */
  inWords: (question: Of<Question, K>, answer: Of<Answer, K>) => string;
}

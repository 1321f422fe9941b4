import type { Answer, Question, QuestionElement, QuestionKey, Tally } from '@gobrel/core';
import { lazy, type ComponentType } from 'react';
import { ChoiceInput, ChoiceStill } from './choice/ChoiceInput';
import { NumberInput, NumberStill } from './number/NumberInput';
import { SliderInput, SliderStill } from './slider/SliderInput';
import { TextEntryInput, TextEntryStill } from './textEntry/TextEntryInput';

type KindName = Question['kind'];
type Of<T, K extends KindName> = Extract<T, { kind: K }>;
/** An element whose question and key are of one kind. */
export type QuestionElementOf<K extends KindName> = Omit<QuestionElement, 'question' | 'key'> & {
  question: Of<Question, K>;
  key: Of<QuestionKey, K> | null;
};

export interface QuestionEditProps<K extends KindName = KindName> {
  slideId: string;
  element: QuestionElementOf<K>;
  onClose: () => void;
}
export interface QuestionInputProps<K extends KindName = KindName> {
  question: Of<Question, K>;
  /** What groups the inputs: the question's identity. */
  name: string;
  answer: Of<Answer, K> | undefined;
  isHeld: boolean;
  onAnswer: (answer: Of<Answer, K>) => void;
}
export interface TallyViewProps<K extends KindName = KindName> {
  element: QuestionElementOf<K>;
  tally: Of<Tally, K>;
  /** Students in the lesson. */
  students: number;
}

/** How a question kind looks: still, answered, edited, counted. */
interface QuestionViews<K extends KindName = KindName> {
  Still: ComponentType<{ question: Of<Question, K> }>;
  Input: ComponentType<QuestionInputProps<K>>;
  Edit: ComponentType<QuestionEditProps<K>>;
  TallyView: ComponentType<TallyViewProps<K>>;
  /** An answer in a few words, for lists. */
  inWords: (question: Of<Question, K>, answer: Of<Answer, K>) => string;
}

/** One line per kind. What only teachers need is downloaded when it is opened. */
const VIEWS: { [K in KindName]: QuestionViews<K> } = {
  choice: {
    Still: ChoiceStill,
    Input: ChoiceInput,
    Edit: lazy(() => import('./choice/ChoiceEdit')),
    TallyView: lazy(() => import('./choice/ChoiceTallyView')),
    inWords: (question, answer) =>
      question.options
        .filter((option) => answer.optionIds.includes(option.id))
        .map((option) => option.text)
        .join(', '),
  },
  textEntry: {
    Still: TextEntryStill,
    Input: TextEntryInput,
    Edit: lazy(() => import('./textEntry/TextEntryEdit')),
    TallyView: lazy(() => import('./textEntry/TextEntryTallyView')),
    inWords: (_question, { text }) => text,
  },
  number: {
    Still: NumberStill,
    Input: NumberInput,
    Edit: lazy(() => import('./number/NumberEdit')),
    TallyView: lazy(() => import('./number/NumberTallyView')),
    inWords: ({ unit }, { text }) => (unit && !text.endsWith(unit) ? `${text} ${unit}` : text),
  },
  slider: {
    Still: SliderStill,
    Input: SliderInput,
    Edit: lazy(() => import('./slider/SliderEdit')),
    TallyView: lazy(() => import('./slider/SliderTallyView')),
    inWords: (_question, { value }) => String(value),
  },
};

/** For whoever has a question of any kind: what it is given is of the kind that it asks for. */
export const QUESTION_VIEWS = VIEWS as unknown as Record<KindName, QuestionViews>;

/** An answer that is one to a question of this kind; what was given to another kind is none. */
export const fitting = <A extends { kind: KindName }>(
  question: Question,
  answer: A | undefined,
): A | undefined => (answer?.kind === question.kind ? answer : undefined);

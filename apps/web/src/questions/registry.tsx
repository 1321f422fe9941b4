import type { Answer, Question, QuestionElement, Tally } from '@gobrel/core';
import { lazy, type ComponentType } from 'react';
import { ChoiceInput, ChoiceStill } from './choice/ChoiceInput';

export interface QuestionEditProps {
  slideId: string;
  element: QuestionElement;
  onClose: () => void;
}
export interface QuestionInputProps {
  question: Question;
  /** What groups the inputs: the question's identity. */
  name: string;
  answer: Answer | undefined;
  isHeld: boolean;
  onAnswer: (answer: Answer) => void;
}
export interface TallyViewProps {
  element: QuestionElement;
  tally: Tally;
  /** Students in the lesson. */
  students: number;
}

/** How a question kind looks: still, answered, edited, counted. */
interface QuestionViews {
  Still: ComponentType<{ question: Question }>;
  Input: ComponentType<QuestionInputProps>;
  Edit: ComponentType<QuestionEditProps>;
  TallyView: ComponentType<TallyViewProps>;
  /** An answer in a few words, for lists. */
  inWords: (question: Question, answer: Answer) => string;
}

/** One line per kind. What only teachers need is downloaded when it is opened. */
export const QUESTION_VIEWS: Record<Question['kind'], QuestionViews> = {
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
};

import type {
  Answer,
  ElementId,
  Link,
  LinkId,
  QuestionElement,
  Slide,
  StudentMark,
} from '@gobrel/core';
import type { Done } from '../questions/DoneButton';
import type { PieceWork } from '../stage/usePieces';

/** What a student or a reader does on a slide, for the wide and the narrow view alike. */
export interface SlideWork extends PieceWork {
  slide: Slide;
  links: readonly Link[];
  /** Questions are answered; otherwise they only stand there. */
  takesAnswers: boolean;
  /** The student's own: what shuffled options are shuffled by. */
  seed: string;
  /** Marks that may be seen by now. */
  marks: Record<ElementId, StudentMark>;
  /** Where marks come at once: what tells that the student is done with an answer, for which it is marked. */
  done: Done | null;
  answerOf: (question: QuestionElement) => Answer | undefined;
  onAnswer: (question: QuestionElement, given: Answer) => void;
  /** What stands on the screen instead of the answer and does not count, or not yet. */
  draftOf: (question: QuestionElement) => Answer | undefined;
  onDraft: (question: QuestionElement, given: Answer) => void;
  onFollow: (linkId: LinkId) => void;
}

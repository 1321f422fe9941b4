import type { Deck, Slide } from '../deck/types.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { LessonState } from '../lesson/state.js';
import type { LinkId } from '../parts/ids.js';
import type { Tally } from '../questions/marking.js';
import type { Answer } from '../questions/registry.js';

/** What the class has answered to a question, without names. */
export interface ClassTally {
  question: QuestionElement;
  tally: Tally;
  /** Of the question that asked the same before. */
  before: Tally | null;
  /** Students in the lesson. */
  students: number;
  answers: readonly Answer[];
}

/** What a paired screen shows besides slides. It never gets names but the one that the teacher switches on. */
export type ScreenShows =
  | ({ kind: 'tally' } & ClassTally)
  | { kind: 'answer'; question: QuestionElement; answer: Answer; name: string }
  | { kind: 'leaf'; slide: Slide; who: string }
  | null;

/** The lesson that a paired screen shows. */
export interface ScreenLesson {
  title: string;
  joinCode: string;
  now: number;
  state: LessonState;
  /** As students may see it; null when the screen has it already. */
  edition: Deck | null;
  shows: ScreenShows;
  /** While the class votes where it stands: how many want to go which way. */
  votes: Record<LinkId, number> | null;
}

/** What a device of its own is: not paired yet with a code to pair it by, or the screen of a lesson. */
export interface PairedScreen {
  isKnown: boolean;
  code: string | null;
  lesson: ScreenLesson | null;
}

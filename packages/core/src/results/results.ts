import type { Deck } from '../deck/types.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { ElementId, FolioId, SlideId } from '../parts/ids.js';
import { questionsOn } from '../stage/asked.js';
import { type Answer } from '../questions/registry.js';
import { readingOrder } from '../stage/readingOrder.js';
import type { MarkTable, WalkStep } from './statistics.js';

/** A mark that a teacher gave by hand, with what goes with it. */
export interface HandMark {
  /** From 0 to 1; null leaves the machine's. */
  score: number | null;
  comment: string;
  stamp: string;
}

export interface GivenAnswer {
  answer: Answer;
  /** By machine, from 0 to 1; null without a key. */
  score: number | null;
  /** ISO 8601. */
  at: string;
  isLate: boolean;
}

/** What one student did in a lesson. */
export interface StudentResult {
  folioId: FolioId;
  name: string;
  handedInAt: string | null;
  attempts: number;
  isPractice: boolean;
  answers: Record<ElementId, GivenAnswer>;
  marks: Record<ElementId, HandMark>;
  walk: WalkStep[];
}

/** Our own stamps: a word each, that a teacher puts on an answer. */
export const STAMPS = [
  'Clear as a bell',
  'Good find',
  'Look again',
  'Say why',
  'Brave try',
] as const;

/** The questions of an edition that are marked: as their slides stand on the map, then in reading order. */
export function markedQuestions(edition: Deck): QuestionElement[] {
  const slides = Object.values(edition.slides).sort(
    (a, b) => a.x - b.x || a.y - b.y || a.id.localeCompare(b.id),
  );
  return slides.flatMap((slide) => {
    const asked = new Map(questionsOn(slide).map((question) => [question.id, question]));
    return readingOrder(slide.elements).flatMap(({ id }) => {
      const question = asked.get(id);
      return question && !question.isForThinking ? [question] : [];
    });
  });
}

/** What counts of a student's answer: the teacher's mark, or the machine's; late ones only where that is allowed. */
export function markOf(
  student: StudentResult,
  questionId: ElementId,
  countsLate: boolean,
): number | null {
  const byHand = student.marks[questionId]?.score;
  if (byHand !== null && byHand !== undefined) return byHand;
  const given = student.answers[questionId];
  return given && (countsLate || !given.isLate) ? given.score : null;
}

/** All marks as a table: students by questions; with the edition it knows whose route led to which. */
export const markTable = (
  students: readonly StudentResult[],
  questions: readonly QuestionElement[],
  countsLate: boolean,
  edition: Pick<Deck, 'slides'>,
): MarkTable => ({
  questionIds: questions.map(({ id }) => id),
  points: questions.map(({ question }) => question.points),
  rows: students.map((student) => questions.map(({ id }) => markOf(student, id, countsLate))),
  met: metBy(students, questions, edition),
});

function metBy(
  students: readonly StudentResult[],
  questions: readonly QuestionElement[],
  { slides }: Pick<Deck, 'slides'>,
): boolean[][] {
  const slideOf = new Map(
    Object.values(slides).flatMap((slide) => slide.elements.map(({ id }) => [id, slide.id])),
  );
  return students.map(({ walk }) => {
    const walked = new Set(walk.map(({ slideId }) => slideId));
    const isWalked = (slideId: SlideId | undefined): boolean =>
      slideId !== undefined && walked.has(slideId);
    return questions.map(({ id }) => isWalked(slideOf.get(id)));
  });
}

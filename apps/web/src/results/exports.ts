import {
  kindOf,
  markOf,
  wordsOf,
  type QuestionElement,
  type StudentResult,
  type ElementId,
  type GivenAnswer,
} from '@gobrel/core';
import Papa from 'papaparse';
import { SHIELDED } from '../ui/csv';
import { inPlainWords } from '../questions/registry';

/** What a lesson's results are made of, for every file that leaves the house. */
export interface Exported {
  title: string;
  /** Of the deck, as a language tag. */
  language: string;
  students: readonly StudentResult[];
  questions: readonly QuestionElement[];
  countsLate: boolean;
  slideOf: (questionId: ElementId) => string;
}

export const answerInWords = ({ question }: QuestionElement, { answer }: GivenAnswer): string =>
  answer.kind === question.kind
    ? (kindOf(answer.kind).inFull?.(answer) ?? inPlainWords(question, answer))
    : '';

/** Columns of the long form, and what stands in them; shown beside the download. */
export const LONG_COLUMNS: Record<string, string> = {
  student: 'name as in the lesson',
  slide: 'title of the slide that asks',
  question: 'prompt in plain words',
  kind: 'kind of question, by QTI’s interaction types',
  answer: 'what was answered, in words; empty for nothing',
  points: 'what counts: the teacher’s mark or the machine’s; empty while there is none',
  points_possible: 'what a wholly right answer is worth',
  marked_by: 'teacher, machine, or empty',
  late: 'yes for what came after a hold or the end',
  comment: 'the teacher’s words',
  stamp: 'the teacher’s stamp',
  answered_at: 'when it was given, ISO 8601, UTC',
  handed_in_at: 'when the folio was handed in; empty while it was not',
};

const round = (value: number): number => Math.round(value * 1000) / 1000;
/** One row for each student and question. */
export function longCsv({ students, questions, countsLate, slideOf }: Exported): string {
  const rows = students.flatMap((student) =>
    questions.map((asked) => {
      const given = student.answers[asked.id];
      const byHand = student.marks[asked.id];
      const mark = markOf(student, asked.id, countsLate);
      const { points, kind } = asked.question;
      return {
        student: student.name,
        slide: slideOf(asked.id),
        question: wordsOf(asked.text),
        kind,
        answer: given ? answerInWords(asked, given) : '',
        points: mark === null ? '' : round(mark * points),
        points_possible: points,
        marked_by: mark === null ? '' : (byHand?.score ?? null) !== null ? 'teacher' : 'machine',
        late: given?.isLate ? 'yes' : '',
        comment: byHand?.comment ?? '',
        stamp: byHand?.stamp ?? '',
        answered_at: given?.at ?? '',
        handed_in_at: student.handedInAt ?? '',
      };
    }),
  );
  return Papa.unparse({ fields: Object.keys(LONG_COLUMNS), data: rows }, SHIELDED);
}

/** One row for each student, a column of points for each question, and the sum. */
export function wideCsv({ students, questions, countsLate }: Exported): string {
  const heads = questions.map((asked, index) => `Q${index + 1} ${wordsOf(asked.text)}`);
  const rows = students.map((student) => {
    const earned = questions.map(({ id, question }) => {
      const mark = markOf(student, id, countsLate);
      return mark === null ? '' : round(mark * question.points);
    });
    const sum = earned.reduce<number>((all, points) => all + (points === '' ? 0 : points), 0);
    return [student.name, ...earned, round(sum), student.handedInAt ?? ''];
  });
  return Papa.unparse(
    { fields: ['student', ...heads, 'sum', 'handed_in_at'], data: rows },
    SHIELDED,
  );
}

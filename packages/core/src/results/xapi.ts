import { wordsOf } from '../deck/richText.js';
import type { QuestionElement } from '../deck/types.js';
import type { KindName } from '../questions/registry.js';
import { markOf, type StudentResult } from './results.js';

/** The interaction types of the Experience API (xAPI 1.0.3, from SCORM 2004) that our kinds come nearest to. */
const INTERACTIONS: Record<KindName, string> = {
  choice: 'choice',
  textEntry: 'fill-in',
  extendedText: 'long-fill-in',
  number: 'numeric',
  slider: 'numeric',
  order: 'sequencing',
  match: 'matching',
  gap: 'fill-in',
  sort: 'matching',
  hotspot: 'choice',
  selectPoint: 'other',
  drawing: 'other',
};

export interface XapiStatement {
  id: string;
  timestamp: string;
  actor: { objectType: 'Agent'; name: string; account: { homePage: string; name: string } };
  verb: { id: string; display: { en: string } };
  object: {
    objectType: 'Activity';
    id: string;
    definition: {
      type: string;
      name: { en: string };
      interactionType: string;
    };
  };
  result: { response: string; score?: { scaled: number; raw: number; min: 0; max: number } };
}

/**
 * One `answered` statement for each answer. Students are told by an account of this server, so that no address is
 * needed; `home` is the server's address.
 */
export function xapiStatements(args: {
  home: string;
  lessonId: string;
  students: readonly StudentResult[];
  questions: readonly QuestionElement[];
  countsLate: boolean;
  inWords: (
    question: QuestionElement,
    answer: StudentResult['answers'][string]['answer'],
  ) => string;
  makeUuid: () => string;
}): XapiStatement[] {
  const { home, lessonId, students, questions, countsLate, inWords, makeUuid } = args;
  return students.flatMap((student) =>
    questions.flatMap((question): XapiStatement[] => {
      const given = student.answers[question.id];
      if (!given) return [];
      const mark = markOf(student, question.id, countsLate);
      const { points } = question.question;
      return [
        {
          id: makeUuid(),
          timestamp: given.at,
          actor: {
            objectType: 'Agent',
            name: student.name,
            account: { homePage: home, name: student.folioId },
          },
          verb: { id: 'http://adlnet.gov/expapi/verbs/answered', display: { en: 'answered' } },
          object: {
            objectType: 'Activity',
            id: `${home}/lessons/${lessonId}/questions/${question.id}`,
            definition: {
              type: 'http://adlnet.gov/expapi/activities/cmi.interaction',
              name: { en: wordsOf(question.text) },
              interactionType: INTERACTIONS[question.question.kind],
            },
          },
          result: {
            response: inWords(question, given.answer),
            ...(mark === null
              ? {}
              : { score: { scaled: mark, raw: mark * points, min: 0 as const, max: points } }),
          },
        },
      ];
    }),
  );
}

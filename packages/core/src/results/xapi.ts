import { wordsOf } from '../parts/richText.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { Component } from '../questions/interaction.js';
import { interactionOf } from '../questions/interactions.js';
import { markOf, type StudentResult } from './results.js';

export interface XapiStatement {
  id: string;
  version: '1.0.3';
  timestamp: string;
  actor: { objectType: 'Agent'; name: string; account: { homePage: string; name: string } };
  verb: { id: string; display: { en: string } };
  object: {
    objectType: 'Activity';
    id: string;
    definition: {
      type: string;
      name: Record<string, string>;
      interactionType: string;
      correctResponsesPattern?: string[];
      choices?: Component[];
      source?: Component[];
      target?: Component[];
    };
  };
  result: {
    response: string;
    completion: true;
    success?: boolean;
    score?: { scaled: number; raw?: number; min?: 0; max?: number };
  };
}

/**
 * One `answered` statement for each answer (xAPI 1.0.3). Students are told by an account of this server, so that no
 * address is needed.
 *
 * @param args.home the server's address
 * @param args.language of the deck, as a language tag
 * @param args.uuidOf the same UUID for the same name: an answer that is saved once more is the same statement
 */
export function xapiStatements(args: {
  home: string;
  lessonId: string;
  language: string;
  students: readonly StudentResult[];
  questions: readonly QuestionElement[];
  countsLate: boolean;
  uuidOf: (name: string) => string;
}): XapiStatement[] {
  const { home, lessonId, language, students, questions, countsLate, uuidOf } = args;
  return students.flatMap((student) =>
    questions.flatMap((element): XapiStatement[] => {
      const given = student.answers[element.id];
      if (!given) return [];
      const { question, key } = element;
      const mark = element.isForThinking ? null : markOf(student, element.id, countsLate);
      const { response, ...interaction } = interactionOf(question, key, given.answer);
      const result: XapiStatement['result'] = {
        response,
        completion: true,
        ...(mark === null ? {} : { success: mark >= 1, score: scoreOf(mark, question.points) }),
      };
      const id = `${home}/lessons/${lessonId}/questions/${element.id}`;
      return [
        {
          id: uuidOf(JSON.stringify([id, student.folioId, given.at, result])),
          version: '1.0.3',
          timestamp: given.at,
          actor: {
            objectType: 'Agent',
            name: student.name,
            account: { homePage: home, name: student.folioId },
          },
          verb: { id: 'http://adlnet.gov/expapi/verbs/answered', display: { en: 'answered' } },
          object: {
            objectType: 'Activity',
            id,
            definition: {
              type: 'http://adlnet.gov/expapi/activities/cmi.interaction',
              name: { [language]: wordsOf(element.text) },
              ...interaction,
            },
          },
          result,
        },
      ];
    }),
  );
}

/** `max` must be more than `min`: a question worth nothing has a scaled score only. */
const scoreOf = (mark: number, points: number): NonNullable<XapiStatement['result']['score']> =>
  points > 0 ? { scaled: mark, raw: mark * points, min: 0, max: points } : { scaled: mark };

import { flatWords, wordsOf, type QuestionElement } from '@gobrel/core';

/** What a question asks, in one line. */
export const promptOf = (question: QuestionElement): string =>
  flatWords(wordsOf(question.text)).replace(/\s+/g, ' ');

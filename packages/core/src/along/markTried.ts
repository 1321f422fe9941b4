import type { Slide } from '../deck/types.js';
import type { QuestionElement } from '../elements/question/question.js';
import { markAnswer } from '../questions/marking.js';
import { isBlank, type Answer } from '../questions/registry.js';
import { answerGiven } from '../stage/asked.js';
import type { Placements } from '../stage/pieces.js';
import type { StudentMark } from '../wire/student.js';

/** The mark of what is tried where its key is at hand; null: there is no answer to mark yet. */
export function markTried(
  asked: QuestionElement,
  slide: Slide,
  tried: { answer: Answer | undefined; placements: Placements },
): StudentMark | null {
  const given = answerGiven(asked.question, slide, tried);
  if (!given || isBlank(given)) return null;
  return {
    score: markAnswer(asked, given),
    points: asked.question.points,
    explanation: asked.explanation,
    comment: '',
    stamp: '',
    isLocked: false,
  };
}

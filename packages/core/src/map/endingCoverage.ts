import type { Deck } from '../deck/types.js';
import type { ElementId, SlideId } from '../parts/ids.js';
import { questionsIn } from './measures.js';
import { dominators, turned, withoutReturns, type Routes } from './routes.js';

/** Whether those who come to an ending have met a question before. */
export type Met = 'always' | 'some' | 'never';

export interface EndingCoverage {
  questions: { slideId: SlideId; questionId: ElementId }[];
  /** One entry of `met` for each question, in their order. */
  endings: { slideId: SlideId; met: Met[] }[];
}

/** More than this is no table that anybody reads. */
const MOST_ENDINGS = 12;
const MOST_QUESTIONS = 16;

/**
 * Which questions each ending has met: a question is always met when its slide dominates the ending, sometimes when it
 * lies on some way to it. null for decks whose table would be too large to read, or empty.
 */
export function endingCoverage(deck: Deck, walk: Routes): EndingCoverage | null {
  const routes = withoutReturns(walk);
  const { ids, start, first, to, isEnding, isReachable } = routes;
  const n = ids.length;
  const endings = ids.flatMap((_, index) => (isEnding[index] && isReachable[index] ? [index] : []));
  if (endings.length === 0 || endings.length > MOST_ENDINGS) return null;
  const questions = questionsIn(deck, routes);
  if (questions.length === 0 || questions.length > MOST_QUESTIONS) return null;
  const back = turned(routes);
  const before = (index: number): Int32Array =>
    back.from.subarray(back.first[index], back.first[index + 1]);
  const idom = dominators(n, start, (index) => to.subarray(first[index], first[index + 1]), before);
  return {
    questions: questions.map(({ slideId, questionId }) => ({ slideId, questionId })),
    endings: endings.map((ending) => {
      const always = new Set<number>();
      for (let at = ending; at >= 0; at = idom[at]!) always.add(at);
      const some = new Set<number>();
      for (const waiting = [ending]; waiting.length > 0;) {
        const at = waiting.pop()!;
        if (some.has(at)) continue;
        some.add(at);
        waiting.push(...before(at));
      }
      return {
        slideId: ids[ending]!,
        met: questions.map(({ index }) =>
          always.has(index) ? 'always' : some.has(index) ? 'some' : 'never',
        ),
      };
    }),
  };
}

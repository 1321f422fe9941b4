import { refuse } from '../../parts/refusals.js';
import { newItems } from '../parts.js';
import type { FromLines } from '../written.js';
import type { MatchKey, MatchQuestion } from './match.js';

/** Refused: `asked.pairs`. */
export const matchFromLines: FromLines<MatchQuestion, MatchKey> = {
  lines: 'pairs',
  make: (fresh, lines, makeId) => {
    const pairs = lines.map((line) => line.split('=').map((part) => part.trim()));
    if (pairs.length < 2 || pairs.some((pair) => pair.length !== 2 || pair.includes(''))) {
      return refuse('asked.pairs');
    }
    const lefts = newItems(
      makeId,
      pairs.map((pair) => pair[0]!),
    );
    const rights = newItems(
      makeId,
      pairs.map((pair) => pair[1]!),
    );
    const joined = Object.fromEntries(lefts.map(({ id }, at) => [id, [rights[at]!.id]]));
    // In an order that says nothing.
    rights.sort((a, b) => a.text.localeCompare(b.text));
    return { question: { ...fresh, lefts, rights }, key: { kind: 'match', pairs: joined } };
  },
};

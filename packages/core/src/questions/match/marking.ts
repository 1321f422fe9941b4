import type { OptionId } from '../../parts/ids.js';
import type { Marking } from '../kind.js';
import { bump } from '../values.js';
import type { MatchAnswer, MatchKey, MatchQuestion } from './match.js';

export interface MatchTally {
  kind: 'match';
  answered: number;
  /** How many joined what to what: `left right`. */
  pairs: Record<string, number>;
}

export const matchMarking: Marking<MatchQuestion, MatchKey, MatchAnswer, MatchTally> = {
  /** The share of the left ones that are joined as they should be, or rightly left alone. */
  mark({ lefts }, key, { pairs }) {
    const isRight = (id: OptionId): boolean => {
      const wanted = key.pairs[id];
      const joined = pairs[id];
      return wanted ? joined !== undefined && wanted.includes(joined) : joined === undefined;
    };
    // Leaving everything alone earns nothing for what was rightly left alone.
    if (Object.keys(pairs).length === 0) return 0;
    return lefts.filter(({ id }) => isRight(id)).length / Math.max(1, lefts.length);
  },

  emptyTally: () => ({ kind: 'match', answered: 0, pairs: {} }),

  count(tally, { pairs }, by) {
    tally.answered += by;
    for (const [left, right] of Object.entries(pairs)) bump(tally.pairs, `${left} ${right}`, by);
  },

  sample({ lefts, rights }, key, wantsRight, random) {
    const pairs: MatchAnswer['pairs'] = {};
    for (const { id } of lefts) {
      const [right] = key?.pairs[id] ?? [];
      const isSure = wantsRight || random(3) > 0;
      const joined = isSure && right ? right : rights[random(Math.max(1, rights.length))]?.id;
      if (joined && (key?.pairs[id] || !isSure)) pairs[id] = joined;
    }
    return { kind: 'match', pairs };
  },
};

import { asRecord } from '../../parts/decode.js';
import type { OptionId } from '../../parts/ids.js';
import type { QuestionKind } from '../kind.js';
import { readIds, readItems, readPoints, type Item } from '../parts.js';

/** QTI's matchInteraction: each thing on the left is joined to one on the right. */
export interface MatchQuestion {
  kind: 'match';
  lefts: Item[];
  /** More or fewer than on the left; in no order that says anything. */
  rights: Item[];
  points: number;
}

/** For each left one the right ones that belong to it; one without any belongs nowhere. */
export interface MatchKey {
  kind: 'match';
  pairs: Record<OptionId, OptionId[]>;
}

export interface MatchAnswer {
  kind: 'match';
  /** The right one that each left one was joined to; those not joined are left out. */
  pairs: Record<OptionId, OptionId>;
}

export const MOST_ROWS = 16;

export const match: QuestionKind<MatchQuestion, MatchKey, MatchAnswer> = {
  kind: 'match',
  label: 'Match',

  fresh: (makeId) => {
    const items = (words: string[]): Item[] =>
      words.map((text) => ({ id: makeId(), text, picture: null }));
    return { kind: 'match', lefts: items(['One', 'Two']), rights: items(['A', 'B']), points: 1 };
  },
  read: (raw) => ({
    kind: 'match',
    lefts: readItems(raw.lefts, MOST_ROWS),
    rights: readItems(raw.rights, MOST_ROWS),
    points: readPoints(raw.points),
  }),

  readKey(raw) {
    const pairs: Record<OptionId, OptionId[]> = {};
    for (const [left, rights] of Object.entries(asRecord(raw.pairs)).slice(0, MOST_ROWS)) {
      const ids = readIds(rights, MOST_ROWS);
      if (readIds([left], 1).length > 0 && ids.length > 0) pairs[left] = ids;
    }
    return Object.keys(pairs).length > 0 ? { kind: 'match', pairs } : undefined;
  },

  readAnswer({ lefts, rights }, raw) {
    const given = asRecord(raw.pairs);
    if (raw.pairs !== given) return undefined;
    const pairs: Record<OptionId, OptionId> = {};
    for (const [left, right] of Object.entries(given)) {
      const isKnown = lefts.some(({ id }) => id === left) && rights.some(({ id }) => id === right);
      if (!isKnown) return undefined;
      pairs[left] = right as OptionId;
    }
    return { kind: 'match', pairs };
  },

  isBlank: ({ pairs }) => Object.keys(pairs).length === 0,
  lines: ({ lefts }) => lefts.map(({ text }) => text),
  items: ({ lefts, rights }) => [...lefts, ...rights],
};

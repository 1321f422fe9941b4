import { asRecord } from '../../parts/decode.js';
import { type OptionId, asId } from '../../parts/ids.js';
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
    for (const [key, rights] of Object.entries(asRecord(raw.pairs)).slice(0, MOST_ROWS)) {
      const left = asId<OptionId>(key);
      const ids = readIds<OptionId>(rights, MOST_ROWS);
      if (left && ids.length > 0) pairs[left] = ids;
    }
    return Object.keys(pairs).length > 0 ? { kind: 'match', pairs } : undefined;
  },

  readAnswer({ lefts, rights }, raw) {
    const given = asRecord(raw.pairs);
    if (raw.pairs !== given) return undefined;
    const pairs: Record<OptionId, OptionId> = {};
    for (const [key, value] of Object.entries(given)) {
      const [left, right] = [
        lefts.find(({ id }) => id === key),
        rights.find(({ id }) => id === value),
      ];
      if (!left || !right) return undefined;
      pairs[left.id] = right.id;
    }
    return { kind: 'match', pairs };
  },

  isBlank: ({ pairs }) => Object.keys(pairs).length === 0,
  lines: ({ lefts }) => lefts.map(({ text }) => text),
  items: ({ lefts, rights }) => [...lefts, ...rights],
};

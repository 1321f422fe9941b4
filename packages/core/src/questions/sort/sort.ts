import { asOneOf, asRecord } from '../../parts/decode.js';
import type { ElementId } from '../../parts/ids.js';
import type { LyingIn, QuestionKind, SlidePart, SlideParts } from '../kind.js';
import { readIds, readPoints } from '../parts.js';

export const SORT_CREDITS = ['piece', 'zone', 'all'] as const;

/**
 * QTI's gapMatchInteraction on a picture: the pieces of the slide are put into its zones. Pieces and zones are the
 * slide's own, and so is the key: what each zone expects. A piece that no zone expects is extra: it belongs nowhere.
 */
export interface SortQuestion {
  kind: 'sort';
  /** What counts: each piece, each whole zone, or all of it. */
  credit: (typeof SORT_CREDITS)[number];
  points: number;
  /** From the slide; empty in a deck. */
  pieces: SlidePart[];
  zones: SlidePart[];
}

export interface SortKey {
  kind: 'sort';
  /** The pieces that each zone expects. */
  expects: Record<ElementId, ElementId[]>;
}

/** Where the pieces ended, made from where they lie. */
export interface SortAnswer {
  kind: 'sort';
  /** The zones that each piece lies in: one, or several for its copies. Pieces that lie in none are left out. */
  zoneIds: Record<ElementId, ElementId[]>;
}

const MOST = 200;

export const sort: QuestionKind<SortQuestion, SortKey, SortAnswer> = {
  kind: 'sort',
  label: 'Sort',

  fresh: () => ({ kind: 'sort', credit: 'piece', points: 1, pieces: [], zones: [] }),
  read: (raw) => ({
    kind: 'sort',
    credit: asOneOf(raw.credit, SORT_CREDITS, 'piece'),
    points: readPoints(raw.points),
    pieces: [],
    zones: [],
  }),
  // The key is the zones'.
  readKey: () => undefined,

  readAnswer(question, raw) {
    const given = asRecord(raw.zoneIds);
    if (raw.zoneIds !== given) return undefined;
    const zoneIds: SortAnswer['zoneIds'] = {};
    for (const [key, zones] of Object.entries(given)) {
      const ids = readIds<ElementId>(zones, MOST);
      const piece = question.pieces.find(({ id }) => id === key);
      if (!piece) return undefined;
      if (!ids.every((id) => question.zones.some((zone) => zone.id === id))) return undefined;
      if (ids.length > 0) zoneIds[piece.id] = ids;
    }
    return { kind: 'sort', zoneIds };
  },

  isBlank: ({ zoneIds }) => Object.keys(zoneIds).length === 0,
  lines: () => [],
  fromSlide: { complete: completeSort, answer: sortedInto },
};

function completeSort(
  question: SortQuestion,
  { pieces, zones }: SlideParts,
): { question: SortQuestion; key: SortKey | null } {
  const wanted = zones.filter(({ expects }) => expects.length > 0);
  const expects = Object.fromEntries(wanted.map(({ id, expects }) => [id, expects]));
  return {
    question: { ...question, pieces, zones: zones.map(({ id, name }) => ({ id, name })) },
    key: wanted.length > 0 ? { kind: 'sort', expects } : null,
  };
}

function sortedInto(lying: readonly LyingIn[]): SortAnswer {
  const zoneIds: SortAnswer['zoneIds'] = {};
  for (const { pieceId, zoneId } of lying) {
    if (!zoneId) continue;
    const known = (zoneIds[pieceId] ??= []);
    if (!known.includes(zoneId)) known.push(zoneId);
  }
  return { kind: 'sort', zoneIds };
}

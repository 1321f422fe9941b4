import { asOneOf, asRecord } from '../../deck/decode.js';
import { elementWords } from '../../deck/elementWords.js';
import { isPiece, isSpare, type ZoneElement } from '../../deck/elements.js';
import type { Slide } from '../../deck/types.js';
import type { ElementId } from '../../ids.js';
import { lyingPieces, readCopyId, type Placements } from '../../stage/pieces.js';
import { zoneUnder } from '../../stage/zones.js';
import type { QuestionKind } from '../kind.js';
import { readIds, readPoints } from '../parts.js';

export const SORT_CREDITS = ['piece', 'zone', 'all'] as const;

/** A piece or a zone of the slide, by the name it goes by. */
export interface SortPart {
  id: ElementId;
  name: string;
}

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
  pieces: SortPart[];
  zones: SortPart[];
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
    for (const [piece, zones] of Object.entries(given)) {
      const ids = readIds(zones, MOST);
      if (!question.pieces.some(({ id }) => id === piece)) return undefined;
      if (!ids.every((id) => question.zones.some((zone) => zone.id === id))) return undefined;
      if (ids.length > 0) zoneIds[piece] = ids;
    }
    return { kind: 'sort', zoneIds };
  },

  isBlank: ({ zoneIds }) => Object.keys(zoneIds).length === 0,
  lines: () => [],
  fromSlide: { complete: completeSort, answer: sortedInto },
};

function completeSort(
  question: SortQuestion,
  slide: Slide,
): { question: SortQuestion; key: SortKey | null } {
  const seen = slide.elements.filter((element) => !isSpare(element));
  const zones = seen.filter((element): element is ZoneElement => element.kind === 'zone');
  const pieces = seen.filter(isPiece);
  const expects = Object.fromEntries(
    zones.flatMap(({ id, expects }) => {
      const wanted = (expects ?? []).filter((piece) => pieces.some((one) => one.id === piece));
      return wanted.length > 0 ? [[id, wanted]] : [];
    }),
  );
  return {
    question: {
      ...question,
      pieces: pieces.map((piece) => ({
        id: piece.id,
        name: piece.name || elementWords(piece) || 'piece',
      })),
      zones: zones.map(({ id, name }) => ({ id, name: name || 'zone' })),
    },
    key: Object.keys(expects).length > 0 ? { kind: 'sort', expects } : null,
  };
}

/** The answer that pieces give by where they lie. */
function sortedInto(slide: Slide, placements: Placements): SortAnswer {
  const zoneIds: SortAnswer['zoneIds'] = {};
  for (const { id, box } of lyingPieces(slide, placements)) {
    if (!placements[id]) continue;
    const zone = zoneUnder(slide, box);
    const { pieceId } = readCopyId(id);
    const known = (zoneIds[pieceId] ??= []);
    if (zone && !known.includes(zone.id)) known.push(zone.id);
  }
  for (const [piece, zones] of Object.entries(zoneIds))
    if (zones.length === 0) delete zoneIds[piece];
  return { kind: 'sort', zoneIds };
}

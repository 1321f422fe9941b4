import { command, type Plan } from '../deck/command.js';
import * as Y from 'yjs';
import { asNumber, asRecord } from '../parts/decode.js';
import { elementsOfRead, firstOf, readElements, readSlide, slidesMap } from '../deck/document.js';
import { elementWords } from '../elements/registry.js';
import { asTurn } from '../elements/fields.js';
import type { Slide } from '../deck/types.js';
import { LIMITS } from '../parts/limits.js';
import { asId, type ElementId, type LinkId, type SlideId, idOf } from '../parts/ids.js';
import { refuse } from '../parts/refusals.js';
import type { Placement, Placements } from '../stage/pieces.js';
import { answersMap, draftsMap, readEntries } from './answers.js';

/**
 * A folio document:
 *
 *   answers, drafts, text:<id>   what is said to the questions: see `answers.ts`
 *   placements  map  'slideId/elementId' → { x, y, at }
 *   walk        array of { slideId, at, via }
 *   votes       map  slideId → linkId
 *   slides      map  the leaves, laid out like a deck's slides, each with `patternId` and `addedAt`
 *
 * Times are milliseconds since 1970 by the server's clock, as far as the device knows it; 0 for unknown.
 */
export interface Visit {
  slideId: SlideId;
  at: number;
  via: LinkId | 'start' | 'back' | 'teacher';
}

export interface Leaf extends Slide {
  /** The slide it was made from: its scenery is drawn from there and cannot be changed here. */
  patternId: SlideId;
  addedAt: number;
}

export interface Folio {
  /** As they stand in the document: not yet checked against the questions. */
  answers: Record<ElementId, unknown>;
  /** What stands on the screen instead of an answer and does not count, or not yet. */
  drafts: Record<ElementId, unknown>;
  placements: Record<SlideId, Placements>;
  walk: Visit[];
  /** The way out that was voted for on each slide. */
  votes: Record<SlideId, LinkId>;
  /** In the order they were added. */
  leaves: Leaf[];
}

const LONGEST_WALK = LIMITS.walk;

export const placementsMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('placements');
export const votesMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('votes');
export const walkArray = (doc: Y.Doc): Y.Array<unknown> => doc.getArray('walk');

export function readFolio(doc: Y.Doc): Folio {
  const answers = readEntries(doc, answersMap(doc));
  const drafts = readEntries(doc, draftsMap(doc));
  const placements: Folio['placements'] = {};
  for (const [key, value] of placementsMap(doc)) {
    const placed = readPlacementKey(key);
    if (placed) {
      const { slideId, elementId } = placed;
      (placements[slideId] ??= {})[elementId] = readPlacement(value);
    }
  }
  const votes: Folio['votes'] = {};
  for (const [key, value] of votesMap(doc)) {
    const [slideId, linkId] = [asId<SlideId>(key), asId<LinkId>(value)];
    if (slideId && linkId) votes[slideId] = linkId;
  }
  return { answers, drafts, placements, votes, walk: readWalk(doc), leaves: readLeaves(doc) };
}

/** The two ids of a placement's key; null when it is no such key. */
export function readPlacementKey(key: string): { slideId: SlideId; elementId: ElementId } | null {
  const [slide, element, ...rest] = key.split('/');
  const [slideId, elementId] = [asId<SlideId>(slide), asId<ElementId>(element)];
  return slideId && elementId && rest.length === 0 ? { slideId, elementId } : null;
}

export function readPlacement(value: unknown): Placement {
  const { x, y, rotation } = asRecord(value);
  const turned = asTurn(rotation);
  return {
    x: asNumber(x, 0, -20_000, 20_000),
    y: asNumber(y, 0, -20_000, 20_000),
    ...(turned ? { rotation: turned } : {}),
  };
}

function readWalk(doc: Y.Doc): Visit[] {
  return walkArray(doc)
    .toArray()
    .slice(-LONGEST_WALK)
    .flatMap((entry) => {
      const { slideId, at, via } = asRecord(entry);
      const id = asId<SlideId>(slideId);
      return id
        ? [{ slideId: id, at: asNumber(at, 0, 0, 1e14), via: asId<LinkId>(via) ?? 'start' }]
        : [];
    });
}

export function readLeaves(doc: Y.Doc): Leaf[] {
  return leavesInOrder(doc).map(({ id, slide, addedAt }) => ({
    ...readSlide(id, slide, readElements(slide, LIMITS.elementsPerLeaf)),
    patternId: asId<SlideId>(slide.get('patternId')) ?? idOf(''),
    addedAt,
  }));
}

/** The leaves by what they call themselves, without reading the rest of them. */
export function readLeafTitles(doc: Y.Doc): { id: SlideId; title: string }[] {
  return leavesInOrder(doc).map(({ id, slide }) => {
    for (const [, element] of firstOf(elementsOfRead(slide), LIMITS.elementsPerLeaf)) {
      if (!(element instanceof Y.Map) || element.get('style') !== 'title') continue;
      const words = firstWords(element.get('text'), LIMITS.leafTitle);
      if (words) return { id, title: words };
    }
    return { id, title: NO_TITLE };
  });
}

interface RawLeaf {
  id: SlideId;
  slide: Y.Map<unknown>;
  addedAt: number;
}

/** In the order they were added; no more than a folio holds. */
function leavesInOrder(doc: Y.Doc): RawLeaf[] {
  return [...slidesMap(doc)]
    .flatMap(([id, slide]): RawLeaf[] =>
      slide instanceof Y.Map && asId(id)
        ? [{ id, slide, addedAt: asNumber(slide.get('addedAt'), 0, 0, 1e14) }]
        : [],
    )
    .sort((a, b) => a.addedAt - b.addedAt || (a.id < b.id ? -1 : 1))
    .slice(0, LIMITS.leavesPerFolio);
}

/** The first letters of a shared text, however long it is. */
function firstWords(text: unknown, most: number): string {
  let words = '';
  const waiting: unknown[] = [text];
  for (let looked = 0; waiting.length > 0 && words.length < most && looked < 200; looked += 1) {
    const node = waiting.shift();
    if (node instanceof Y.XmlText) {
      for (const { insert } of node.toDelta() as { insert: unknown }[]) {
        if (typeof insert === 'string') words += insert.slice(0, most);
      }
    } else if (node instanceof Y.XmlFragment) waiting.unshift(...node.toArray().slice(0, 40), ' ');
    else if (node === ' ') words += ' ';
  }
  return words.replace(/\s+/g, ' ').trim().slice(0, most);
}

/** The slide a student stands on, and the one *back* leads to: a walk keeps every step, also those back. */
export function standing(walk: readonly Visit[]): { here: SlideId | null; back: SlideId | null } {
  return { here: walk.at(-1)?.slideId ?? null, back: wayTo(walk).at(-2)?.slideId ?? null };
}

/** A walk from its start to where the student stands, without what was gone back from. */
export function wayTo(walk: readonly Visit[]): Visit[] {
  const way: Visit[] = [];
  for (const visit of walk) {
    if (visit.via === 'back') way.pop();
    else way.push(visit);
  }
  return way;
}

export const visit = command(
  'visit',
  'folio:write',
  (doc: Y.Doc, slideId: SlideId, via: Visit['via'], at: number): Plan => {
    return () => {
      walkArray(doc).push([{ slideId, at, via }]);
    };
  },
);

/**
 * One step back along the walk; refused on the first slide.
 * Refused: `walk.start`.
 */
export const goBack = command('goBack', 'folio:write', (doc: Y.Doc, at: number): Plan => {
  const { back } = standing(readWalk(doc));
  return back ? visit.plan(doc, back, 'back', at) : refuse('walk.start');
});

/** Votes for a way out of a slide; a later vote takes the place of an earlier one. */
export const voteFor = command(
  'voteFor',
  'folio:write',
  (doc: Y.Doc, slideId: SlideId, linkId: LinkId): Plan => {
    return () => {
      votesMap(doc).set(slideId, linkId);
    };
  },
);

/** Puts one or several pieces, or copies of them, where they lie from now on. */
export const place = command(
  'place',
  'folio:write',
  (doc: Y.Doc, slideId: SlideId, placements: Placements, at = 0): Plan => {
    return () => {
      for (const [elementId, placement] of Object.entries(placements)) {
        placementsMap(doc).set(`${slideId}/${elementId}`, { ...placement, at });
      }
    };
  },
);

/**
 * A leaf as it is drawn: the pattern's scenery underneath, the leaf's own things on top. The pattern's title and
 * first text are the places that the leaf fills, so they are not drawn. Whatever a device writes into a folio,
 * the scenery comes from the edition.
 */
export function leafOnPattern(leaf: Leaf, pattern: Slide | undefined): Slide {
  if (!pattern) return leaf;
  const title = pattern.elements.find((e) => e.kind === 'text' && e.style === 'title');
  const body = pattern.elements.find((e) => e.kind === 'text' && e.style === 'body');
  const scenery = pattern.elements.filter((element) => element !== title && element !== body);
  return {
    ...leaf,
    ground: pattern.ground,
    theme: pattern.theme,
    scenery: pattern.scenery,
    elements: [
      ...scenery,
      ...leaf.elements.map((element) => ({ ...element, layer: 'content' as const })),
    ],
  };
}

const NO_TITLE = 'A leaf without a title';

/** What a leaf calls itself: its title's words, or where it comes from. */
export function leafTitle(leaf: Leaf): string {
  const title = leaf.elements.find(
    (element) => element.kind === 'text' && element.style === 'title',
  );
  return (title && elementWords(title).replace(/\s+/g, ' ')) || NO_TITLE;
}

import { command, type Plan } from '../deck/command.js';
import * as Y from 'yjs';
import { addElementTo } from '../deck/arranging/elementCommands.js';
import { slidesMap } from '../deck/document.js';
import type { Slide } from '../deck/types.js';
import { BODY_BOX, TITLE_BOX } from '../layouts/layouts.js';
import { newId, type SlideId } from '../parts/ids.js';
import { refuse } from '../parts/refusals.js';
import { LIMITS } from '../parts/limits.js';
import { plain } from '../parts/richText.js';

const MOST_LEAVES = LIMITS.leavesPerFolio;

/**
 * A new leaf from a pattern: an empty title and text to write in; the pattern's scenery stays the pattern's.
 * Refused: `leaf.closed`, `leaf.full`.
 */
export const addLeaf = command(
  'addLeaf',
  'folio:write',
  (doc: Y.Doc, pattern: Slide, at: number, id: SlideId = newId()): Plan<{ leafId: SlideId }> => {
    if (!pattern.isPattern) return refuse('leaf.closed');
    if (slidesMap(doc).size >= MOST_LEAVES) return refuse('leaf.full', { most: MOST_LEAVES });
    return () => {
      const leaf = new Y.Map<unknown>();
      slidesMap(doc).set(id, leaf);
      leaf.set('title', '');
      leaf.set('patternId', pattern.id);
      leaf.set('addedAt', at);
      leaf.set('layout', 'pattern');
      leaf.set('elements', new Y.Map());
      addElementTo(doc, id, {
        kind: 'text',
        style: 'title',
        layer: 'content',
        box: placeOf(pattern, 'title') ?? TITLE_BOX,
        text: plain(''),
      });
      addElementTo(doc, id, {
        kind: 'text',
        style: 'body',
        layer: 'content',
        box: placeOf(pattern, 'body') ?? BODY_BOX,
        text: plain(''),
      });
      return { leafId: id };
    };
  },
);

/** What a leaf leaves open of its pattern: the boxes of the pattern's own title and first text. */
const placeOf = (
  pattern: Slide,
  style: 'title' | 'body',
): Slide['elements'][number]['box'] | null =>
  pattern.elements.find((element) => element.kind === 'text' && element.style === style)?.box ??
  null;

/** Refused: `leaf.gone`. */
export const removeLeaf = command(
  'removeLeaf',
  'folio:write',
  (doc: Y.Doc, leafId: SlideId): Plan => {
    if (!slidesMap(doc).has(leafId)) return refuse('leaf.gone');
    return () => {
      slidesMap(doc).delete(leafId);
    };
  },
);

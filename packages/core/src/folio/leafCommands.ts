import * as Y from 'yjs';
import { addElementTo } from '../deck/arranging/elementCommands.js';
import { slidesMap } from '../deck/document.js';
import { COMMAND } from '../deck/history.js';
import type { Slide } from '../deck/types.js';
import { BODY_BOX, TITLE_BOX } from '../layouts/layouts.js';
import { newId, refuse, type Result, type SlideId } from '../parts/ids.js';
import { LIMITS } from '../parts/limits.js';
import { plain } from '../parts/richText.js';

const MOST_LEAVES = LIMITS.leavesPerFolio;

/** A new leaf from a pattern: an empty title and text to write in; the pattern's scenery stays the pattern's. */
export function addLeaf(
  doc: Y.Doc,
  pattern: Slide,
  at: number,
  id: SlideId = newId(),
): Result<{ leafId: SlideId }> {
  if (!pattern.isPattern) return refuse('This slide is not open for leaves.');
  if (slidesMap(doc).size >= MOST_LEAVES) return refuse(`A folio holds ${MOST_LEAVES} leaves.`);
  doc.transact(() => {
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
  }, COMMAND);
  return { ok: true, leafId: id };
}

/** What a leaf leaves open of its pattern: the boxes of the pattern's own title and first text. */
const placeOf = (
  pattern: Slide,
  style: 'title' | 'body',
): Slide['elements'][number]['box'] | null =>
  pattern.elements.find((element) => element.kind === 'text' && element.style === style)?.box ??
  null;

export function removeLeaf(doc: Y.Doc, leafId: SlideId): Result {
  if (!slidesMap(doc).has(leafId)) return refuse('This leaf is not there any more.');
  doc.transact(() => slidesMap(doc).delete(leafId), COMMAND);
  return { ok: true };
}

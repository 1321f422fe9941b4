import type * as Y from 'yjs';
import { refuse, type ElementId, type Result, type SlideId } from '../../parts/ids.js';
import { elementOf } from '../document.js';
import { fragmentOf } from '../../elements/fields.js';
import { GONE, LOCKED } from '../arranging/elementCommands.js';
import { COMMAND } from '../history.js';
import { rewriteFragment } from './rewrite.js';

/** Makes an element say other paragraphs; what stays said keeps its links, marks and lists. */
export function rewriteText(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  words: string,
): Result {
  const element = elementOf(doc, slideId, elementId);
  const fragment = element && fragmentOf(element);
  if (!fragment) return refuse(GONE);
  if (element.get('isLocked') === true) return refuse(LOCKED);
  doc.transact(() => rewriteFragment(fragment, words), COMMAND);
  return { ok: true };
}

/** The same inside a transaction that is already open; a lock does not keep it. */
export function rewriteWords(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  words: string,
): void {
  const element = elementOf(doc, slideId, elementId);
  const fragment = element && fragmentOf(element);
  if (fragment) rewriteFragment(fragment, words);
}

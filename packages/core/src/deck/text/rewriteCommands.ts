import { command, type Plan } from '../command.js';
import type * as Y from 'yjs';
import { type ElementId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { elementOf } from '../document.js';
import { fragmentOf } from '../../elements/fields.js';
import { rewriteFragment } from './rewrite.js';

/**
 * Makes an element say other paragraphs; what stays said keeps its links, marks and lists.
 * Refused: `thing.gone`, `thing.locked`.
 */
export const rewriteText = command(
  'rewriteText',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, words: string): Plan => {
    const element = elementOf(doc, slideId, elementId);
    const fragment = element && fragmentOf(element);
    if (!fragment) return refuse('thing.gone');
    if (element.get('isLocked') === true) return refuse('thing.locked');
    return () => {
      rewriteFragment(fragment, words);
    };
  },
);

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

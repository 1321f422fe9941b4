import { command, type Plan } from '../deck/command.js';
import type * as Y from 'yjs';
import { asRecord } from '../parts/decode.js';
import { changeText } from '../deck/text/sharedText.js';
import { asId, type ElementId } from '../parts/ids.js';

import { isSharedText, type Answer } from '../questions/registry.js';

/**
 * What a folio says to its questions:
 *
 *   answers     map  question ElementId → { value, at }: what counts
 *   drafts      map  question ElementId → { value, at }: what stands on the screen and does not count, or not yet
 *   text:<id>   text of an answer or draft that is written letter by letter; `value` has everything but the text
 *
 * A draft is there as long as what is on the screen is not what counts. Times are milliseconds since 1970 by the
 * server's clock, as far as the device knows it.
 */
export const answersMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('answers');
export const draftsMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('drafts');
const sharedText = (doc: Y.Doc, questionId: ElementId): Y.Text => doc.getText(`text:${questionId}`);

/** What an entry of `answers` or `drafts` says, not yet checked against its question. */
export function entryValue(doc: Y.Doc, questionId: ElementId, entry: unknown): unknown {
  const { value } = asRecord(entry);
  const { kind, text } = asRecord(value);
  // Older folios keep the text in the entry.
  return isSharedText(kind) && text === undefined
    ? { ...asRecord(value), text: sharedText(doc, questionId).toJSON() }
    : value;
}

export function readEntries(doc: Y.Doc, entries: Y.Map<unknown>): Record<ElementId, unknown> {
  const read: Record<ElementId, unknown> = {};
  for (const [key, entry] of entries) {
    const id = asId<ElementId>(key);
    if (id) read[id] = entryValue(doc, id, entry);
  }
  return read;
}

/** Gives an answer: from now on it counts, and what was a draft does not stand beside it any more. */
export const answer = command(
  'answer',
  'folio:write',
  (doc: Y.Doc, questionId: ElementId, value: Answer, at: number): Plan => {
    return () => {
      answersMap(doc).set(questionId, { value: kept(doc, questionId, value), at });
      draftsMap(doc).delete(questionId);
    };
  },
);

/** Keeps what stands on the screen without letting it count; what counted before still does. */
export const draft = command(
  'draft',
  'folio:write',
  (doc: Y.Doc, questionId: ElementId, value: Answer, at: number): Plan => {
    return () => {
      draftsMap(doc).set(questionId, { value: kept(doc, questionId, value), at });
    };
  },
);

/** A long text goes letter by letter: two who write in it at once both keep their words, and a letter costs a letter. */
function kept(doc: Y.Doc, questionId: ElementId, value: Answer): unknown {
  if (!isSharedText(value.kind) || !('text' in value)) return value;
  const { text, ...rest } = value;
  changeText(sharedText(doc, questionId), text);
  return rest;
}

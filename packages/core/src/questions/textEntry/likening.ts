import type { QuestionElement } from '../../deck/elements.js';
import type { ElementId } from '../../ids.js';
import { isAccepted } from './normalised.js';

/** Texts that a teacher counts as others: what was written → what it counts as, both normalised. */
export type Likened = Record<string, string>;

/** What a text counts as in the end; a circle ends where it began. */
export function countsAs(likened: Likened, form: string): string {
  let at = form;
  for (let steps = 0; steps < 20; steps++) {
    const next = Object.hasOwn(likened, at) ? likened[at] : undefined;
    if (next === undefined || next === form) break;
    at = next;
  }
  return at;
}

/** Questions whose keys take what was likened to something right. */
export function withLikened(
  questions: ReadonlyMap<ElementId, QuestionElement>,
  likened: Record<ElementId, Likened>,
): Map<ElementId, QuestionElement> {
  return new Map(
    [...questions].map(([id, element]) => {
      const of = Object.hasOwn(likened, id) ? likened[id] : undefined;
      const { key } = element;
      if (!of || key?.kind !== 'textEntry') return [id, element];
      const right = Object.keys(of).filter((form) =>
        isAccepted(key.accepted, countsAs(of, form), { heedsCase: false, heedsAccents: false }),
      );
      // What was likened is compared without heeding case and accents, whatever the key heeds.
      return [id, { ...element, key: { ...key, likened: right } }];
    }),
  );
}

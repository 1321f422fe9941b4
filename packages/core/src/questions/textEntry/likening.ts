import type { Asked } from '../registry.js';
import type { ElementId } from '../../parts/ids.js';
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
export function withLikened<Q extends Pick<Asked, 'key'>>(
  questions: ReadonlyMap<ElementId, Q>,
  likened: Record<ElementId, Likened>,
): Map<ElementId, Q> {
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

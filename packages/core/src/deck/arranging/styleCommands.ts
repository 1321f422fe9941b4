import type * as Y from 'yjs';
import { refuse, type ElementId, type Result, type SlideId } from '../../parts/ids.js';
import { elementOf } from '../document.js';
import { fragmentOf } from '../../elements/fields.js';
import { GONE, LOCKED, type ElementSettings } from './elementCommands.js';

import { COMMAND } from '../history.js';
import { readFragment, uncoloured, writeFragment } from '../../parts/richText.js';
import { type ElementKind, elementKind, type SlideElement } from '../../elements/registry.js';

/** Sets the colour of all words of a thing; words that had one of their own lose it. One step; '' is the theme's. */
export function setInk(doc: Y.Doc, slideId: SlideId, elementId: ElementId, colour: string): Result {
  const element = elementOf(doc, slideId, elementId);
  if (!element) return refuse(GONE);
  if (element.get('isLocked') === true) return refuse(LOCKED);
  const fragment = fragmentOf(element);
  doc.transact(() => {
    element.set('colour', colour);
    const text = fragment && readFragment(fragment);
    if (text && JSON.stringify(text) !== JSON.stringify(uncoloured(text))) {
      writeFragment(fragment, uncoloured(text));
    }
  }, COMMAND);
  return { ok: true };
}

/** The look of a thing, to be given to others. */
export interface Look {
  kind: ElementKind;
  settings: ElementSettings;
}

export function lookOf(element: SlideElement): Look {
  const settings: Record<string, unknown> = {};
  for (const key of elementKind(element.kind).look) {
    settings[key] = (element as unknown as Record<string, unknown>)[key];
  }
  return { kind: element.kind, settings: settings as ElementSettings };
}

/** Gives things the look of another, as far as their kinds have it in common. One step. */
export function giveLook(
  doc: Y.Doc,
  slideId: SlideId,
  elementIds: readonly ElementId[],
  look: Look,
): Result {
  const there = elementIds.flatMap((id) => elementOf(doc, slideId, id) ?? []);
  if (there.length === 0) return refuse(GONE);
  const free = there.filter((element) => element.get('isLocked') !== true);
  if (free.length === 0) return refuse(LOCKED);
  const taken = elementKind(look.kind).look;
  let has = false;
  doc.transact(() => {
    for (const element of free) {
      for (const key of elementKind(element.get('kind'))?.look ?? []) {
        const value = (look.settings as Record<string, unknown>)[key];
        if (!taken.includes(key) || value === undefined) continue;
        element.set(key, value);
        has = true;
      }
    }
  }, COMMAND);
  return has ? { ok: true } : refuse('These things have nothing of that look.');
}

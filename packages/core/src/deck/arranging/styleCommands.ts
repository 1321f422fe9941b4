import { command, type Plan } from '../command.js';
import type * as Y from 'yjs';
import { type ElementId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { elementOf } from '../document.js';
import { fragmentOf } from '../../elements/fields.js';
import { type ElementSettings } from './elementCommands.js';

import { readFragment, uncoloured, writeFragment } from '../../parts/richText.js';
import { type ElementKind, elementKind, type SlideElement } from '../../elements/registry.js';

/**
 * Sets the colour of all words of a thing; words that had one of their own lose it. One step; null is the theme's.
 * Refused: `thing.gone`, `thing.locked`.
 */
export const setInk = command(
  'setInk',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, colour: string | null): Plan => {
    const element = elementOf(doc, slideId, elementId);
    if (!element) return refuse('thing.gone');
    if (element.get('isLocked') === true) return refuse('thing.locked');
    const fragment = fragmentOf(element);
    return () => {
      element.set('colour', colour);
      const text = fragment && readFragment(fragment);
      if (text && JSON.stringify(text) !== JSON.stringify(uncoloured(text))) {
        writeFragment(fragment, uncoloured(text));
      }
    };
  },
);

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
  return { kind: element.kind, settings: settings };
}

/**
 * Gives things the look of another, as far as their kinds have it in common. One step.
 * Refused: `thing.gone`, `thing.locked`, `thing.look`.
 */
export const giveLook = command(
  'giveLook',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementIds: readonly ElementId[], look: Look): Plan => {
    const there = elementIds.flatMap((id) => elementOf(doc, slideId, id) ?? []);
    if (there.length === 0) return refuse('thing.gone');
    const free = there.filter((element) => element.get('isLocked') !== true);
    if (free.length === 0) return refuse('thing.locked');
    const taken = elementKind(look.kind).look;
    const settings = look.settings as Record<string, unknown>;
    const given = free.flatMap((element) =>
      (elementKind(element.get('kind'))?.look ?? [])
        .filter((key) => taken.includes(key) && settings[key] !== undefined)
        .map((key) => ({ element, key })),
    );
    if (given.length === 0) return refuse('thing.look');
    return () => {
      for (const { element, key } of given) element.set(key, settings[key]);
    };
  },
);

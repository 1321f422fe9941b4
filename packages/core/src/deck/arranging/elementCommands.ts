import { decimalOf } from '../text/languages.js';
import { command, isRefusal, type Plan } from '../command.js';
import { generateKeyBetween } from 'fractional-indexing';
import * as Y from 'yjs';
import { newId, type ElementId, type LinkId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { LIMITS } from '../../parts/limits.js';
import { asString } from '../../parts/decode.js';
import {
  elementOf,
  elementsOf,
  languageOf,
  linksMap,
  readLinkOf,
  readSlide,
  slideOf,
} from '../document.js';
import { fragmentOf } from '../../elements/fields.js';
import type { Box, Layer } from '../../parts/place.js';
import type { ElementBase } from '../../elements/base.js';

import type { InkStroke } from '../../parts/ink.js';
import { relinkWords, writeFragment, type RichText } from '../../parts/richText.js';
import { withMembers } from '../../elements/groups.js';
import {
  holdsMembers,
  withDecimal,
  writeElement,
  type NewElement,
  type SlideElement,
} from '../../elements/registry.js';

const MOST_STROKES = 600;
export const MOST_ELEMENTS = LIMITS.elementsPerSlide;

type KeyOf<T> = T extends unknown ? keyof T : never;
type ValueOf<T, K> = T extends unknown ? (K extends keyof T ? T[K] : never) : never;
type Setting = Exclude<
  KeyOf<SlideElement>,
  | keyof Pick<ElementBase, 'id' | 'order' | 'layer' | 'box' | 'rotation' | 'groupId'>
  | 'kind'
  | 'text'
  | 'strokes'
  | 'frame'
  | 'medium'
>;
/** The plain settings of elements: all but where they are and what is written in them. */
export type ElementSettings = { [K in Setting]?: ValueOf<SlideElement, K> };

/**
 * Puts an element on a slide, in front of its layer.
 * Refused: `slide.full`, `slide.gone`, `thing.double`.
 */
export const addElement = command(
  'addElement',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, element: NewElement): Plan<{ elementId: ElementId }> => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    if (elementsOf(slide).size >= MOST_ELEMENTS) {
      return refuse('slide.full', { most: MOST_ELEMENTS });
    }
    if (element.id && elementsOf(slide).has(element.id)) {
      return refuse('thing.double');
    }
    return () => ({ elementId: addElementTo(doc, slideId, element) });
  },
);

/**
 * The same for a thing that was given its place, as the free spot nearest the middle: a slide that sets itself out takes
 * it in.
 * Refused: `slide.full`, `slide.gone`, `thing.double`.
 */
export const addPlaced = command(
  'addPlaced',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, element: NewElement): Plan<{ elementId: ElementId }> => {
    const plan = addElement.plan(doc, slideId, element);
    return isRefusal(plan) ? plan : () => ({ elementId: addPlacedTo(doc, slideId, element) });
  },
);

/** The same inside a transaction that is already open; the slide must be there. */
export function addElementTo(doc: Y.Doc, slideId: SlideId, element: NewElement): ElementId {
  const slide = slideOf(doc, slideId);
  if (!slide) throw new Error(`no slide ${slideId}`);
  const id: ElementId = element.id ?? newId();
  const order = orderInFront(slide, element.layer);
  const map = new Y.Map<unknown>();
  elementsOf(slide).set(id, map);
  const language = languageOf(doc);
  const said = language ? withDecimal(element, decimalOf(language)) : element;
  writeElement(map, { ...said, order });
  return id;
}

/**
 * The same for a thing that was given its place, not put there by hand: on a slide that sets itself out it is set out
 * with the rest.
 */
export function addPlacedTo(doc: Y.Doc, slideId: SlideId, element: NewElement): ElementId {
  const setsItselfOut = Boolean(slideOf(doc, slideId)?.get('setOut'));
  const setOut = setsItselfOut ? { box: element.box, size: null, align: null, fit: null } : null;
  return addElementTo(doc, slideId, { ...element, setOut });
}

function orderInFront(slide: Y.Map<unknown>, layer: Layer): string {
  return generateKeyBetween(validOrder(ordersOf(slide, layer).at(-1)), null);
}

/** The orders of a layer from bottom to top, without reading what lies on it. */
function ordersOf(slide: Y.Map<unknown>, layer: Layer): string[] {
  const orders: string[] = [];
  for (const element of elementsOf(slide).values()) {
    if (!(element instanceof Y.Map) || (element.get('layer') ?? 'content') !== layer) continue;
    orders.push(asString(element.get('order'), 'a0', 200));
  }
  return orders.sort();
}

/** A fractional index, or null for one that some other program wrote wrongly. */
export function validOrder(order: string | undefined): string | null {
  if (order === undefined) return null;
  try {
    generateKeyBetween(order, null);
    return order;
  } catch {
    return null;
  }
}

export const setElement = command(
  'setElement',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, settings: ElementSettings): Plan => {
    return setElements.plan(doc, slideId, [elementId], settings);
  },
);

/**
 * Sets the same on several things, in one step. A locked thing is only let go.
 * Refused: `thing.gone`, `thing.locked`.
 */
export const setElements = command(
  'setElements',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementIds: readonly ElementId[],
    settings: ElementSettings,
  ): Plan => {
    const there = elementIds.flatMap((id) => elementOf(doc, slideId, id) ?? []);
    if (there.length === 0) return refuse('thing.gone');
    const isFree = (map: Y.Map<unknown>): boolean =>
      map.get('isLocked') !== true || 'isLocked' in settings;
    const free = there.filter(isFree);
    if (free.length === 0) return refuse('thing.locked');
    return () => {
      for (const element of free) {
        for (const [key, value] of Object.entries<unknown>(settings)) {
          if (value !== undefined) element.set(key, value);
        }
      }
    };
  },
);

/**
 * Replaces an element's words.
 * Refused: `thing.gone`, `thing.locked`.
 */
export const setText = command(
  'setText',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, text: RichText): Plan => {
    const element = elementOf(doc, slideId, elementId);
    if (!element || !fragmentOf(element)) return refuse('thing.gone');
    if (element.get('isLocked') === true) return refuse('thing.locked');
    return () => {
      setWords(doc, slideId, elementId, text);
    };
  },
);

/** The same inside a transaction that is already open. */
export function setWords(doc: Y.Doc, slideId: SlideId, elementId: ElementId, text: RichText): void {
  const element = elementOf(doc, slideId, elementId);
  const fragment = element && fragmentOf(element);
  if (fragment) writeFragment(fragment, text);
}

/**
 * Takes elements off a slide, groups with all that is in them. The links they carry go with them, or stay without a
 * carrier: then they show among the ways out as not on the slide any more. What is locked stays.
 * Refused: `slide.gone`, `thing.gone`, `thing.locked`.
 */
export const removeElements = command(
  'removeElements',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementIds: readonly ElementId[],
    links: 'go' | 'stay' = 'go',
  ): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const all = readSlide(slideId, slide).elements;
    const there = withMembers(all, elementIds);
    if (there.length === 0) return refuse('thing.gone');
    const going = there.filter(({ isLocked }) => !isLocked);
    if (going.length === 0) return refuse('thing.locked');
    return () => {
      for (const { id } of going) {
        for (const linkId of carriedLinks(doc, id)) {
          if (links === 'go') linksMap(doc).delete(linkId);
          else keepWording(doc, linkId);
        }
        letGoOf(doc, slideId, all, id);
        elementsOf(slide).delete(id);
      }
      // A group that has lost its last member is none any more.
      const left = new Set(all.filter((one) => !going.includes(one)).map(({ groupId }) => groupId));
      for (const one of all) {
        if (holdsMembers(one) && !left.has(one.id)) elementsOf(slide).delete(one.id);
      }
    };
  },
);

/** Lines that stick to a thing that goes stay as they lie. */
function letGoOf(
  doc: Y.Doc,
  slideId: SlideId,
  elements: readonly SlideElement[],
  gone: ElementId,
): void {
  for (const line of elements) {
    if (line.kind !== 'line') continue;
    const ends = (['from', 'to'] as const).filter((end) => line[end]?.elementId === gone);
    const map = elementOf(doc, slideId, line.id);
    if (ends.length === 0 || !map) continue;
    map.set('box', line.box);
    map.set('points', line.points);
    for (const end of ends) map.set(end, null);
  }
}

/** Writes the wording that a link takes from its carrier into the link itself. */
function keepWording(doc: Y.Doc, linkId: LinkId): void {
  const link = linksMap(doc).get(linkId);
  const wording = readLinkOf(doc, linkId)?.wording;
  if (link instanceof Y.Map && wording) link.set('wording', wording);
}

/** The links that an element, its words or its options carry. */
export function carriedLinks(doc: Y.Doc, elementId: ElementId): LinkId[] {
  return [...linksMap(doc)].flatMap(([linkId, link]) => {
    const carrier = link instanceof Y.Map ? (link.get('carrier') as { elementId?: string }) : null;
    return carrier?.elementId === elementId ? [linkId] : [];
  });
}

/** Inside an open transaction: hands an element's words that carry one link to another, or to none. */
export function relinkText(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  from: LinkId,
  to: LinkId | null,
): void {
  const element = elementOf(doc, slideId, elementId);
  const fragment = element && fragmentOf(element);
  if (fragment) relinkWords(fragment, from, to);
}

/**
 * One more stroke of a drawing by hand, in the units of its frame; frame and box grow with it.
 * Refused: `drawing.full`, `thing.gone`.
 */
export const addStroke = command(
  'addStroke',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, stroke: InkStroke, frame: Box): Plan => {
    const element = elementOf(doc, slideId, elementId);
    const strokes = element?.get('strokes');
    if (!element || !(strokes instanceof Y.Array)) return refuse('thing.gone');
    if (strokes.length >= MOST_STROKES) return refuse('drawing.full', { most: MOST_STROKES });
    return () => {
      strokes.push([stroke]);
      element.set('frame', frame);
      element.set('box', frame);
    };
  },
);

/**
 * Rubs strokes out of a drawing; with the last of them the drawing goes.
 * Refused: `thing.gone`.
 */
export const rubOut = command(
  'rubOut',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, indexes: readonly number[]): Plan => {
    const strokes = elementOf(doc, slideId, elementId)?.get('strokes');
    if (!(strokes instanceof Y.Array)) return refuse('thing.gone');
    const there = [...new Set(indexes)].filter((index) => index >= 0 && index < strokes.length);
    if (there.length === strokes.length) return removeElements.plan(doc, slideId, [elementId]);
    return () => {
      for (const index of there.sort((a, b) => b - a)) strokes.delete(index, 1);
    };
  },
);

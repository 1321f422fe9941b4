import * as Y from 'yjs';
import { generateKeyBetween } from 'fractional-indexing';
import { newId, refuse, type ElementId, type LinkId, type Result, type SlideId } from '../ids.js';
import { asString } from './decode.js';
import {
  elementOf,
  elementsOf,
  fragmentOf,
  linksMap,
  readElement,
  readLinkOf,
  readSlide,
  slideOf,
} from './document.js';
import { COMMAND } from './history.js';
import { plain, relinkWords, writeFragment, type RichText } from './richText.js';
import type {
  AssetRef,
  Box,
  Fit,
  Layer,
  Licence,
  Question,
  QuestionKey,
  ShapeName,
  SlideElement,
  TextStyle,
} from './types.js';

const GONE = 'This thing is not on the slide any more.';
const MOST_ELEMENTS = 600;

interface NewElementBase {
  id?: ElementId;
  layer: Layer;
  box: Box;
  name?: string;
}
export type NewElement = NewElementBase &
  (
    | { kind: 'text'; style: TextStyle; text?: RichText; colour?: string; size?: number }
    | { kind: 'shape'; shape: ShapeName; text?: RichText; fill?: string; colour?: string }
    | {
        kind: 'picture';
        asset: AssetRef;
        alt?: string;
        isDecoration?: boolean;
        credit?: string;
        licence?: Licence;
        fit?: Fit;
      }
    | { kind: 'hotspot'; shape?: 'rectangle' | 'ellipse' }
    | { kind: 'line'; slope?: 'down' | 'up'; colour?: string; weight?: number }
    | { kind: 'zone'; isVisible?: boolean; expects?: ElementId[] }
    | {
        kind: 'question';
        question: Question;
        key?: QuestionKey | null;
        isForThinking?: boolean;
        text?: RichText;
      }
  );

/** Puts an element on a slide, in front of its layer. Pieces and zones go to the pieces layer. */
export function addElement(
  doc: Y.Doc,
  slideId: SlideId,
  element: NewElement,
): Result<{ elementId: ElementId }> {
  const slide = slideOf(doc, slideId);
  if (!slide) return refuse('This slide is not there any more.');
  if (elementsOf(slide).size >= MOST_ELEMENTS) {
    return refuse(`A slide holds ${MOST_ELEMENTS} things at the most.`);
  }
  if (element.id && elementsOf(slide).has(element.id)) {
    return refuse('There is already a thing with this identity.');
  }
  let elementId = '';
  doc.transact(() => {
    elementId = addElementTo(doc, slideId, element);
  }, COMMAND);
  return { ok: true, elementId };
}

/** The same inside a transaction that is already open; the slide must be there. */
export function addElementTo(doc: Y.Doc, slideId: SlideId, element: NewElement): ElementId {
  const slide = slideOf(doc, slideId);
  if (!slide) throw new Error(`no slide ${slideId}`);
  const { id = newId(), text, ...fields } = element as NewElement & { text?: RichText };
  const order = orderInFront(slide, element.layer);
  const map = new Y.Map<unknown>();
  elementsOf(slide).set(id, map);
  for (const [key, value] of Object.entries(fields)) if (value !== undefined) map.set(key, value);
  map.set('order', order);
  if (hasText(element.kind)) {
    const fragment = new Y.XmlFragment();
    map.set('text', fragment);
    writeFragment(fragment, text ?? plain(''));
  }
  return id;
}

const hasText = (kind: SlideElement['kind']): boolean =>
  kind === 'text' || kind === 'shape' || kind === 'question';

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
function validOrder(order: string | undefined): string | null {
  if (order === undefined) return null;
  try {
    generateKeyBetween(order, null);
    return order;
  } catch {
    return null;
  }
}

export function setBox(doc: Y.Doc, slideId: SlideId, elementId: ElementId, box: Box): Result {
  return setBoxes(doc, slideId, [{ elementId, box }]);
}

/** Moves or resizes several elements in one step. Refuses sizes under 8 units and numbers that are none. */
export function setBoxes(
  doc: Y.Doc,
  slideId: SlideId,
  boxes: { elementId: ElementId; box: Box }[],
): Result {
  for (const { elementId, box } of boxes) {
    if (!elementOf(doc, slideId, elementId)) return refuse(GONE);
    if (![box.x, box.y, box.w, box.h].every(Number.isFinite))
      return refuse('That is not a number.');
    if (box.w < 8 || box.h < 8) return refuse('A thing is at least 8 units wide and high.');
  }
  doc.transact(() => {
    for (const { elementId, box } of boxes) {
      const { x, y, w, h } = box;
      elementOf(doc, slideId, elementId)?.set('box', { x, y, w, h });
    }
  }, COMMAND);
  return { ok: true };
}

/** The plain settings of elements that the tray can change. */
export interface ElementSettings {
  name?: string;
  style?: TextStyle;
  colour?: string;
  fill?: string;
  shape?: ShapeName;
  slope?: 'down' | 'up';
  weight?: number;
  alt?: string;
  isDecoration?: boolean;
  credit?: string;
  licence?: Licence;
  fit?: Fit;
  size?: number;
  isForThinking?: boolean;
  asset?: AssetRef;
  isVisible?: boolean;
  expects?: ElementId[];
  question?: Question;
  key?: QuestionKey | null;
}

export function setElement(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  settings: ElementSettings,
): Result {
  const element = elementOf(doc, slideId, elementId);
  if (!element) return refuse(GONE);
  doc.transact(() => {
    for (const [key, value] of Object.entries(settings)) {
      if (value !== undefined) element.set(key, value);
    }
  }, COMMAND);
  return { ok: true };
}

/** Replaces an element's words. */
export function setText(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  text: RichText,
): Result {
  const element = elementOf(doc, slideId, elementId);
  if (!element || !fragmentOf(element)) return refuse(GONE);
  doc.transact(() => setWords(doc, slideId, elementId, text), COMMAND);
  return { ok: true };
}

/** The same inside a transaction that is already open. */
export function setWords(doc: Y.Doc, slideId: SlideId, elementId: ElementId, text: RichText): void {
  const element = elementOf(doc, slideId, elementId);
  const fragment = element && fragmentOf(element);
  if (fragment) writeFragment(fragment, text);
}

/** Moves elements to a layer, in front of what is there. Zones and questions have their own. */
export function setLayer(
  doc: Y.Doc,
  slideId: SlideId,
  elementIds: ElementId[],
  layer: Layer,
): Result {
  const slide = slideOf(doc, slideId);
  if (!slide) return refuse('This slide is not there any more.');
  for (const elementId of elementIds) {
    const element = elementOf(doc, slideId, elementId);
    if (!element) return refuse(GONE);
    if (element.get('kind') === 'zone') return refuse('A zone stays on the pieces layer.');
    if (element.get('kind') === 'question') return refuse('A question stays on the content layer.');
    if (layer === 'pieces' && carriedLinks(doc, elementId).length > 0) {
      return refuse(
        'A thing that carries a link cannot be moved by students: take the link off first.',
      );
    }
  }
  doc.transact(() => {
    for (const elementId of elementIds) {
      const element = elementOf(doc, slideId, elementId);
      element?.set('order', orderInFront(slide, layer));
      element?.set('layer', layer);
    }
  }, COMMAND);
  return { ok: true };
}

export type OrderStep = 'front' | 'back';

/** Brings an element in front of, or behind, everything on its layer. */
export function reorder(doc: Y.Doc, slideId: SlideId, elementId: ElementId, to: OrderStep): Result {
  const slide = slideOf(doc, slideId);
  const element = elementOf(doc, slideId, elementId);
  if (!slide || !element) return refuse(GONE);
  const orders = ordersOf(slide, element.get('layer') as Layer);
  const order =
    to === 'front'
      ? generateKeyBetween(validOrder(orders.at(-1)), null)
      : generateKeyBetween(null, validOrder(orders[0]));
  doc.transact(() => element.set('order', order), COMMAND);
  return { ok: true };
}

/**
 * Takes elements off a slide. The links they carry go with them, or stay without a carrier: then they show among
 * the ways out as not on the slide any more.
 */
export function removeElements(
  doc: Y.Doc,
  slideId: SlideId,
  elementIds: ElementId[],
  links: 'go' | 'stay' = 'go',
): Result {
  const slide = slideOf(doc, slideId);
  if (!slide) return refuse('This slide is not there any more.');
  const there = elementIds.filter((elementId) => elementOf(doc, slideId, elementId));
  if (there.length === 0) return refuse(GONE);
  doc.transact(() => {
    for (const elementId of there) {
      for (const linkId of carriedLinks(doc, elementId)) {
        if (links === 'go') linksMap(doc).delete(linkId);
        else keepWording(doc, linkId);
      }
      elementsOf(slide).delete(elementId);
    }
  }, COMMAND);
  return { ok: true };
}

/** Writes the wording that a link takes from its carrier into the link itself. */
function keepWording(doc: Y.Doc, linkId: LinkId): void {
  const link = linksMap(doc).get(linkId);
  const wording = readLinkOf(doc, linkId)?.wording;
  if (link instanceof Y.Map && wording) link.set('wording', wording);
}

/** The links that an element, its words or its options carry. */
export function carriedLinks(doc: Y.Doc, elementId: ElementId): string[] {
  return [...linksMap(doc)].flatMap(([linkId, link]) => {
    const carrier = link instanceof Y.Map ? (link.get('carrier') as { elementId?: string }) : null;
    return carrier?.elementId === elementId ? [linkId] : [];
  });
}

/** Copies of elements on the same slide, a little aside. Links they carry are carried by the copies too. */
export function duplicateElements(
  doc: Y.Doc,
  slideId: SlideId,
  elementIds: ElementId[],
): Result<{ elementIds: ElementId[] }> {
  const slide = slideOf(doc, slideId);
  if (!slide) return refuse('This slide is not there any more.');
  let copies: ElementId[] = [];
  doc.transact(() => {
    copies = copyElements(doc, slideId, slideId, elementIds, 24);
  }, COMMAND);
  return copies.length > 0 ? { ok: true, elementIds: copies } : refuse(GONE);
}

/** Inside an open transaction: copies elements and the links they carry to a slide, moved by `offset` units. */
export function copyElements(
  doc: Y.Doc,
  fromId: SlideId,
  toId: SlideId,
  elementIds: ElementId[],
  offset = 0,
): ElementId[] {
  const links = [...linksMap(doc)].filter(
    (entry): entry is [string, Y.Map<unknown>] =>
      entry[1] instanceof Y.Map && entry[1].get('from') === fromId,
  );
  const from = slideOf(doc, fromId);
  const inOrder = from ? readSlide(fromId, from).elements.map((element) => element.id) : [];
  return inOrder
    .filter((elementId) => elementIds.includes(elementId))
    .flatMap((elementId) => {
      const source = elementOf(doc, fromId, elementId);
      const element = source && readElement(elementId, source);
      if (!element) return [];
      const { id: _id, order: _order, box, ...fields } = element;
      const copyId = addElementTo(doc, toId, {
        ...fields,
        box: { ...box, x: box.x + offset, y: box.y + offset },
      } as NewElement);
      for (const [linkId, link] of links) {
        const carrier = link.get('carrier') as { kind: string; elementId?: string };
        if (carrier.elementId !== elementId) continue;
        const copiedLink = new Y.Map<unknown>();
        const copiedLinkId = newId();
        linksMap(doc).set(copiedLinkId, copiedLink);
        for (const [key, value] of link) copiedLink.set(key, value);
        copiedLink.set('from', toId);
        copiedLink.set('carrier', { ...carrier, elementId: copyId });
        if (carrier.kind === 'words') relinkText(doc, toId, copyId, linkId, copiedLinkId);
      }
      return [copyId];
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

import * as Y from 'yjs';
import type { ElementId, LinkId, SlideId } from '../ids.js';
import { readQuestion, readQuestionKey } from '../questions/registry.js';
import {
  asBoolean,
  asColour,
  asId,
  asNumber,
  asOneOf,
  asRecord,
  asString,
  asStrings,
} from './decode.js';
import { linkedWords, plain, readFragment, wordsOf, type RichText } from './richText.js';
import {
  LAYERS,
  LAYOUTS,
  SHAPES,
  TEXT_STYLES,
  THEMES,
  type AssetRef,
  type Box,
  type Carrier,
  type Deck,
  type Link,
  type Slide,
  type SlideElement,
} from './types.js';

/**
 * How a deck lies in its Yjs document:
 *
 *   deck    map   title, theme, startSlideId
 *   slides  map   SlideId → map { title, x, y, …, elements: map ElementId → map { kind, layer, box, order, … } }
 *   links   map   LinkId → map { from, carrier, target, wording }
 *
 * `text` of an element is an XML fragment; boxes, assets, questions and keys are plain values replaced whole.
 * A folio document keeps its leaves under the same `slides`, so the same commands and readings serve both.
 */
export type YElement = Y.Map<unknown>;
export type YSlide = Y.Map<unknown>;

export const deckMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('deck');
export const slidesMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('slides');
export const linksMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('links');

export function slideOf(doc: Y.Doc, slideId: SlideId): YSlide | undefined {
  const slide = slidesMap(doc).get(slideId);
  return slide instanceof Y.Map ? slide : undefined;
}

export function elementsOf(slide: YSlide): Y.Map<unknown> {
  const elements = slide.get('elements');
  return elements instanceof Y.Map ? elements : new Y.Map();
}

export function elementOf(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
): YElement | undefined {
  const slide = slideOf(doc, slideId);
  const elements = slide?.get('elements');
  if (!(elements instanceof Y.Map)) return undefined;
  const element = elements.get(elementId);
  return element instanceof Y.Map ? element : undefined;
}

export function fragmentOf(element: YElement): Y.XmlFragment | undefined {
  const fragment = element.get('text');
  return fragment instanceof Y.XmlFragment ? fragment : undefined;
}

/** The whole deck as plain data. For repeated readings of a changing document use `DeckReader`. */
export function readDeck(doc: Y.Doc): Deck {
  const slides: Record<SlideId, Slide> = {};
  for (const [id, slide] of slidesMap(doc)) {
    if (slide instanceof Y.Map && asId(id)) slides[id] = readSlide(id, slide);
  }
  return assembleDeck(doc, slides);
}

/** A deck from slides already read; links take their wording from those slides. */
export function assembleDeck(doc: Y.Doc, slides: Record<SlideId, Slide>): Deck {
  const links: Record<LinkId, Link> = {};
  for (const [id, link] of linksMap(doc)) {
    const read = link instanceof Y.Map && asId(id) ? readLink(id, link, slides) : undefined;
    if (read) links[id] = read;
  }
  const head = deckMap(doc);
  const start = asId(head.get('startSlideId'));
  return {
    title: asString(head.get('title'), 'Untitled deck', 200),
    theme: asOneOf(head.get('theme'), THEMES, 'paper'),
    startSlideId: slides[start] ? start : null,
    slides,
    links,
  };
}

export function readSlide(id: SlideId, slide: YSlide): Slide {
  const elements: SlideElement[] = [];
  for (const [elementId, element] of elementsOfRead(slide)) {
    const read =
      element instanceof Y.Map && asId(elementId) ? readElement(elementId, element) : undefined;
    if (read) elements.push(read);
  }
  elements.sort(byLayerAndOrder);
  return {
    id,
    title: asString(slide.get('title'), '', 300),
    x: asNumber(slide.get('x'), 0),
    y: asNumber(slide.get('y'), 0),
    isPlacedByHand: asBoolean(slide.get('isPlacedByHand')),
    isEnding: asBoolean(slide.get('isEnding')),
    isLeftOut: asBoolean(slide.get('isLeftOut')),
    isPattern: asBoolean(slide.get('isPattern')),
    layout: asOneOf(slide.get('layout'), LAYOUTS, 'empty'),
    fill: asColour(slide.get('fill')),
    notes: asString(slide.get('notes')),
    elements,
  };
}

function elementsOfRead(slide: YSlide): Iterable<[string, unknown]> {
  const elements = slide.get('elements');
  return elements instanceof Y.Map ? elements.entries() : [];
}

/** Bottom to top. Equal orders (two editors at once) fall back to the id, so every copy agrees. */
export function byLayerAndOrder(a: SlideElement, b: SlideElement): number {
  const layer = LAYERS.indexOf(a.layer) - LAYERS.indexOf(b.layer);
  if (layer !== 0) return layer;
  if (a.order !== b.order) return a.order < b.order ? -1 : 1;
  return a.id < b.id ? -1 : 1;
}

export function readElement(id: ElementId, element: YElement): SlideElement | undefined {
  const base = {
    id,
    layer: asOneOf(element.get('layer'), LAYERS, 'content'),
    box: readBox(element.get('box')),
    order: asString(element.get('order'), 'a0', 200),
    name: asString(element.get('name'), '', 300),
  };
  const text = (): RichText => {
    const fragment = fragmentOf(element);
    return fragment ? readFragment(fragment) : plain('');
  };
  switch (element.get('kind')) {
    case 'text':
      return {
        ...base,
        kind: 'text',
        style: asOneOf(element.get('style'), TEXT_STYLES, 'body'),
        text: text(),
        colour: asColour(element.get('colour')),
      };
    case 'shape':
      return {
        ...base,
        kind: 'shape',
        shape: asOneOf(element.get('shape'), SHAPES, 'rectangle'),
        text: text(),
        fill: asColour(element.get('fill')),
        colour: asColour(element.get('colour')),
      };
    case 'picture': {
      const asset = readAsset(element.get('asset'));
      return (
        asset && {
          ...base,
          kind: 'picture',
          asset,
          alt: asString(element.get('alt'), '', 2000),
          credit: asString(element.get('credit'), '', 2000),
          fit: asOneOf(element.get('fit'), ['cover', 'contain'] as const, 'contain'),
        }
      );
    }
    case 'zone':
      return {
        ...base,
        kind: 'zone',
        isVisible: element.get('isVisible') !== false,
        expects: asStrings(element.get('expects')).filter((id) => asId(id)),
      };
    case 'question': {
      const question = readQuestion(element.get('question'));
      return (
        question && {
          ...base,
          kind: 'question',
          text: text(),
          question,
          key: readQuestionKey(element.get('key')) ?? null,
        }
      );
    }
    default:
      return undefined;
  }
}

function readBox(value: unknown): Box {
  const { x, y, w, h } = asRecord(value);
  return {
    x: asNumber(x, 0, -20_000, 20_000),
    y: asNumber(y, 0, -20_000, 20_000),
    w: asNumber(w, 200, 1, 20_000),
    h: asNumber(h, 60, 1, 20_000),
  };
}

function readAsset(value: unknown): AssetRef | undefined {
  const { hash, width, height, isAnimated } = asRecord(value);
  if (typeof hash !== 'string' || !/^[0-9a-f]{64}$/.test(hash)) return undefined;
  return {
    hash,
    width: asNumber(width, 1, 1),
    height: asNumber(height, 1, 1),
    isAnimated: asBoolean(isAnimated),
  };
}

function readLink(
  id: LinkId,
  link: Y.Map<unknown>,
  slides: Record<SlideId, Slide>,
): Link | undefined {
  const from = asId(link.get('from'));
  const slide = slides[from];
  const target = asRecord(link.get('target'));
  const slideId = asId(target.slideId);
  if (!slide || target.kind !== 'slide' || !slideId) return undefined;
  const stored = asString(link.get('wording'), '', 500);
  const { carrier, wording } = readCarrier(id, asRecord(link.get('carrier')), slide, stored);
  return { id, from, carrier, target: { kind: 'slide', slideId }, wording };
}

/** A carrier that is gone leaves the link without one: it shows as unplaced, with the wording it was given. */
function readCarrier(
  id: LinkId,
  carrier: Record<string, unknown>,
  slide: Slide,
  stored: string,
): { carrier: Carrier; wording: string } {
  const elementId = asId(carrier.elementId);
  const element = slide.elements.find((candidate) => candidate.id === elementId);
  const none = { carrier: { kind: 'none' } as const, wording: stored };
  if (!element) return none;
  if (carrier.kind === 'words') {
    const words = 'text' in element ? linkedWords(element.text).get(id) : undefined;
    return words === undefined
      ? none
      : { carrier: { kind: 'words', elementId }, wording: words.trim() };
  }
  const own = elementWords(element).replace(/\s+/g, ' ').trim();
  return { carrier: { kind: 'element', elementId }, wording: own || stored };
}

/** What an element says of itself: its words, its alternative text or its name. */
export function elementWords(element: SlideElement): string {
  const words = 'text' in element ? wordsOf(element.text) : '';
  return words || (element.kind === 'picture' ? element.alt : '') || element.name;
}

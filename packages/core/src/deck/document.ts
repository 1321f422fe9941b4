import { LANGUAGES } from './text/languages.js';
import { readThemeRef } from '../themes/theme.js';
import { AMOUNTS } from '../themes/kind.js';
import { readTurn } from '../parts/turns.js';
import * as Y from 'yjs';
import {
  asId,
  type ElementId,
  type Id,
  type LinkId,
  type SectionId,
  type SlideId,
  type TrailId,
  type OptionId,
} from '../parts/ids.js';
import { LIMITS } from '../parts/limits.js';
import { asBoolean, asColour, asNumber, asOneOf, asRecord, asString } from '../parts/decode.js';
import { optionsOf } from '../questions/registry.js';
import { LAYERS } from '../parts/place.js';
import type { SlideElement } from '../elements/registry.js';
import { readFill } from '../elements/fields.js';
import { readElement } from '../elements/registry.js';
import { readAsset, readCredit } from '../parts/asset.js';
import { elementWords } from '../elements/registry.js';
import { linkedWords } from '../parts/richText.js';
import { settle } from '../elements/groups.js';
import { LAYOUTS } from '../layouts/names.js';
import { readTarget } from './links/target.js';
import {
  GROUND_FITS,
  type Carrier,
  type Ground,
  type Link,
  type Slide,
  type SlideSetOut,
} from './types.js';

/**
 * How a deck lies in its Yjs document:
 *
 *   deck      map   title, theme, language, startSlideId, defaultTrailId
 *   slides    map   SlideId → map { title, x, y, …, elements: map ElementId → map { kind, layer, box, order, … } }
 *   links     map   LinkId → map { from, carrier, target, wording, isPlayed }
 *   sections  map   SectionId → map { name, tint, parentId, isFolded, minutes }
 *   trails    map   TrailId → map { name, tint, order, followsLinks, stops: array of { id, slideId, closeUpId } }
 *   setAside  map   key of a finding → { reason, print }
 *   themes    map   id → a theme of the deck's own, as plain data
 *   layouts   map   id → a layout of the deck's own, as plain data
 *
 * `text` of an element is an XML fragment; boxes, assets, questions and keys are plain values replaced whole.
 * A folio document keeps its leaves under the same `slides`, so the same commands and readings serve both.
 */
/** A map of the document that goes by ids; what its keys really are is for `asId` to say. */
export interface IdMap<T extends Id<string>> extends Y.Map<unknown> {
  keys(): IterableIterator<T>;
  entries(): IterableIterator<[T, unknown]>;
  [Symbol.iterator](): IterableIterator<[T, unknown]>;
}
export type YElement = Y.Map<unknown>;
export type YSlide = Y.Map<unknown>;

export const deckMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('deck');
export const slidesMap = (doc: Y.Doc): IdMap<SlideId> => doc.getMap('slides') as IdMap<SlideId>;
export const linksMap = (doc: Y.Doc): IdMap<LinkId> => doc.getMap('links') as IdMap<LinkId>;
export const sectionsMap = (doc: Y.Doc): IdMap<SectionId> =>
  doc.getMap('sections') as IdMap<SectionId>;
export const trailsMap = (doc: Y.Doc): IdMap<TrailId> => doc.getMap('trails') as IdMap<TrailId>;
export const setAsideMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('setAside');
/** The deck's own themes, by id: each as it is kept. */
export const themesMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('themes');
/** The deck's own layouts, by id: each as it is kept. */
export const layoutsMap = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('layouts');
/** What is read of a deck besides its slides and links. */
export const headMaps = (doc: Y.Doc): Y.Map<unknown>[] =>
  [deckMap, sectionsMap, trailsMap, setAsideMap, themesMap, layoutsMap].map((map) => map(doc));

/** What a deck is said to be written in; null where that has not been said. */
export function languageOf(doc: Y.Doc): string | null {
  const language = deckMap(doc).get('language');
  return typeof language === 'string' && LANGUAGES.includes(language) ? language : null;
}

export function slideOf(doc: Y.Doc, slideId: SlideId): YSlide | undefined {
  const slide = slidesMap(doc).get(slideId);
  return slide instanceof Y.Map ? slide : undefined;
}

export function elementsOf(slide: YSlide): IdMap<ElementId> {
  const elements = slide.get('elements');
  return (elements instanceof Y.Map ? elements : new Y.Map()) as IdMap<ElementId>;
}

export function elementOf(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
): YElement | undefined {
  const slide = slideOf(doc, slideId);
  const elements = slide?.get('elements');
  if (!(elements instanceof Y.Map)) return undefined;
  const element: unknown = elements.get(elementId);
  return element instanceof Y.Map ? element : undefined;
}

/** One link with the wording it has now, without reading the rest of the deck. */
export function readLinkOf(doc: Y.Doc, linkId: LinkId): Link | undefined {
  const link = linksMap(doc).get(linkId);
  if (!(link instanceof Y.Map)) return undefined;
  const from = asId<SlideId>(link.get('from'));
  const slide = from && slideOf(doc, from);
  return slide ? readLink(linkId, link, { [from]: readSlide(from, slide) }) : undefined;
}

/** `known` are its elements when they have been read already. */
export function readSlide(
  id: SlideId,
  slide: YSlide,
  known: readonly SlideElement[] = readElements(slide),
): Slide {
  return {
    id,
    title: asString(slide.get('title'), '', 300),
    x: asNumber(slide.get('x'), 0),
    y: asNumber(slide.get('y'), 0),
    isPlacedByHand: asBoolean(slide.get('isPlacedByHand')),
    isEnding: asBoolean(slide.get('isEnding')),
    isLeftOut: asBoolean(slide.get('isLeftOut')),
    isPattern: asBoolean(slide.get('isPattern')),
    isReady: asBoolean(slide.get('isReady')),
    runsOn: asBoolean(slide.get('runsOn')),
    sectionId: asId(slide.get('sectionId')),
    trunkId: asId<LinkId>(slide.get('trunkId')),
    layout: layoutNameOf(slide),
    theme: readThemeRef(slide.get('theme')),
    scenery: AMOUNTS.find((amount) => amount === slide.get('scenery')) ?? null,
    ownLayout: asId(slide.get('ownLayout')),
    hidesNumber: asBoolean(slide.get('hidesNumber')),
    turn: readTurn(slide.get('turn')),
    setOut: readSetOut(slide.get('setOut')),
    // Slides once had a fill of their own and nothing else under them.
    ground: readGround(slide.get('ground') ?? { fill: slide.get('fill') }),
    notes: asString(slide.get('notes')),
    elements: [...known],
  };
}

function readSetOut(value: unknown): SlideSetOut | null {
  if (!value) return null;
  const { name, isChosen } = asRecord(value);
  return { name: asString(name, '', 40) || null, isChosen: asBoolean(isChosen) };
}

export function readElements(
  slide: YSlide,
  most: number = LIMITS.elementsPerSlide,
): SlideElement[] {
  const elements: SlideElement[] = [];
  for (const [elementId, element] of firstOf(elementsOfRead(slide), most)) {
    const read =
      element instanceof Y.Map && asId(elementId) ? readElement(elementId, element) : undefined;
    if (read) elements.push(read);
  }
  return elementsInOrder(elements);
}

/** All entries, or as many as are taken: the same ones for everybody who reads the document. */
export function firstOf<K extends string, T>(entries: Iterable<[K, T]>, most: number): [K, T][] {
  const all = [...entries];
  if (all.length <= most) return all;
  return all.sort(([a], [b]) => (a < b ? -1 : 1)).slice(0, most);
}

/** Bottom to top, groups and stuck lines settled. */
export const elementsInOrder = (
  elements: SlideElement[],
  before?: readonly SlideElement[],
): SlideElement[] => settle(elements.sort(byLayerAndOrder), before);

export function readGround(value: unknown): Ground {
  const { fill, picture, tint, tintStrength } = asRecord(value);
  const { asset, fit, scale, x, y, credit } = asRecord(picture);
  const read = readAsset(asset);
  return {
    fill: readFill(fill),
    picture: read
      ? {
          asset: read,
          fit: asOneOf(fit, GROUND_FITS, 'fill'),
          scale: asNumber(scale, 1, 0.05, 8),
          x: asNumber(x, 0.5, 0, 1),
          y: asNumber(y, 0.5, 0, 1),
          credit: readCredit(credit),
        }
      : null,
    tint: asColour(tint),
    tintStrength: asNumber(tintStrength, 0.5, 0, 1),
  };
}

export function elementsOfRead(slide: YSlide): Iterable<[ElementId, unknown]> {
  const elements = slide.get('elements');
  return elements instanceof Y.Map ? (elements as IdMap<ElementId>).entries() : [];
}

/** Bottom to top. Equal orders (two editors at once) fall back to the id, so every copy agrees. */
export function byLayerAndOrder(a: SlideElement, b: SlideElement): number {
  const layer = LAYERS.indexOf(a.layer) - LAYERS.indexOf(b.layer);
  if (layer !== 0) return layer;
  if (a.order !== b.order) return a.order < b.order ? -1 : 1;
  return a.id < b.id ? -1 : 1;
}

/** The layout of a slide, without reading the rest of it. */
export const layoutNameOf = (slide: YSlide): Slide['layout'] =>
  asOneOf(slide.get('layout'), LAYOUTS, 'empty');

/** A link as it stands in the document, worded by what carries it; undefined when its own slide is gone. */
export function readLink(
  id: LinkId,
  link: Y.Map<unknown>,
  slides: Record<SlideId, Slide>,
): Link | undefined {
  const from = asId<SlideId>(link.get('from'));
  const slide = from ? slides[from] : undefined;
  if (!from || !slide) return undefined;
  const stored = asString(link.get('wording'), '', 500);
  const { carrier, wording } = readCarrier(id, asRecord(link.get('carrier')), slide, stored);
  const isPlayed = asBoolean(link.get('isPlayed')) ? ({ isPlayed: true } as const) : null;
  return { id, from, carrier, target: readTarget(link.get('target')), wording, ...isPlayed };
}

/** A carrier that is gone leaves the link without one: it shows as unplaced, with the wording it was given. */
function readCarrier(
  id: LinkId,
  carrier: Record<string, unknown>,
  slide: Slide,
  stored: string,
): { carrier: Carrier; wording: string } {
  const elementId = asId<ElementId>(carrier.elementId);
  const element = slide.elements.find((candidate) => candidate.id === elementId);
  const none = { carrier: { kind: 'none' } as const, wording: stored };
  if (!elementId || !element) return none;
  if (carrier.kind === 'words') {
    const words = 'text' in element ? linkedWords(element.text).get(id) : undefined;
    return words === undefined
      ? none
      : { carrier: { kind: 'words', elementId }, wording: words.trim() };
  }
  if (carrier.kind === 'option') {
    const optionId = asId<OptionId>(carrier.optionId);
    const option =
      element.kind === 'question'
        ? optionsOf(element.question).find((candidate) => candidate.id === optionId)
        : undefined;
    return optionId && option
      ? { carrier: { kind: 'option', elementId, optionId }, wording: option.text || stored }
      : none;
  }
  const own = elementWords(element).replace(/\s+/g, ' ').trim();
  return { carrier: { kind: 'element', elementId }, wording: own || stored };
}

import * as Y from 'yjs';
import {
  asId,
  type ElementId,
  type Id,
  type LinkId,
  type SectionId,
  type SlideId,
  type StopId,
  type TrailId,
  idsOf,
  type OptionId,
} from '../parts/ids.js';
import { LIMITS } from '../parts/limits.js';
import {
  asBoolean,
  asLanguage,
  asColour,
  asNumber,
  asOneOf,
  asRecord,
  asString,
} from '../parts/decode.js';
import { optionsOf } from '../questions/registry.js';
import { LAYERS, type Box } from '../parts/place.js';
import type { SlideElement } from '../elements/registry.js';
import { readBox, readFill } from '../elements/fields.js';
import { readElement } from '../elements/registry.js';
import { readAsset, readCredit } from '../parts/asset.js';
import { elementWords } from '../elements/registry.js';
import { linkedWords } from '../parts/richText.js';
import { settle } from '../elements/groups.js';
import { isKeptClear, LAYOUTS, type Occupied } from '../layouts/layouts.js';
import { THEMES, type ThemeName } from '../themes/themes.js';
import { readTarget } from './links/target.js';
import {
  GROUND_FITS,
  TINTS,
  type Carrier,
  type Deck,
  type Ground,
  type Link,
  type Section,
  type SetAside,
  type Slide,
  type SlideSetOut,
  type Trail,
} from './types.js';

/**
 * How a deck lies in its Yjs document:
 *
 *   deck      map   title, theme, language, startSlideId, defaultTrailId
 *   slides    map   SlideId → map { title, x, y, …, elements: map ElementId → map { kind, layer, box, order, … } }
 *   links     map   LinkId → map { from, carrier, target, wording }
 *   sections  map   SectionId → map { name, tint, parentId, isFolded }
 *   trails    map   TrailId → map { name, tint, order, followsLinks, stops: array of { id, slideId, closeUpId } }
 *   setAside  map   key of a finding → { reason, print }
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

/** The whole deck as plain data. For repeated readings of a changing document use `DeckReader`. */
export function readDeck(doc: Y.Doc): Deck {
  const slides: Record<SlideId, Slide> = {};
  for (const [id, slide] of slidesMap(doc)) {
    if (slide instanceof Y.Map && asId(id)) slides[id] = readSlide(id, slide);
  }
  const links: Record<LinkId, Link> = {};
  for (const [id, link] of linksMap(doc)) {
    const read = link instanceof Y.Map && asId(id) ? readLink(id, link, slides) : undefined;
    if (read) links[id] = read;
  }
  return { ...readHead(doc, slides), slides, links };
}

/** One link with the wording it has now, without reading the rest of the deck. */
export function readLinkOf(doc: Y.Doc, linkId: LinkId): Link | undefined {
  const link = linksMap(doc).get(linkId);
  if (!(link instanceof Y.Map)) return undefined;
  const from = asId<SlideId>(link.get('from'));
  const slide = from && slideOf(doc, from);
  return slide ? readLink(linkId, link, { [from]: readSlide(from, slide) }) : undefined;
}

export const readTheme = (doc: Y.Doc): ThemeName =>
  asOneOf(deckMap(doc).get('theme'), THEMES, 'paper');

/** All of a deck but its slides and links. */
export function readHead(
  doc: Y.Doc,
  slides: Record<SlideId, Slide>,
): Omit<Deck, 'slides' | 'links'> {
  const head = deckMap(doc);
  const start = asId<SlideId>(head.get('startSlideId'));
  const trails = readTrails(doc, slides);
  const standard = asId(head.get('defaultTrailId'));
  return {
    title: asString(head.get('title'), 'Untitled deck', 200),
    theme: readTheme(doc),
    language: asLanguage(head.get('language')),
    startSlideId: start && slides[start] ? start : null,
    sections: readSections(doc),
    trails,
    defaultTrailId: (trails.find(({ id }) => id === standard) ?? trails[0])?.id ?? null,
    setAside: readSetAside(doc),
  };
}

/** Stops at slides that are gone are left out; they come back when the slide does. */
/** A stop that two have moved at once stands in the list twice: the later place in it is where it is, for everybody. */
function readStops(entries: unknown[], slides: Record<SlideId, Slide>): Trail['stops'] {
  const last = new Map(entries.map((entry, index) => [asId(asRecord(entry).id), index]));
  return entries.flatMap((entry, index) => {
    const stop = asRecord(entry);
    const [id, slideId] = [asId<StopId>(stop.id), asId<SlideId>(stop.slideId)];
    return id && slideId && slides[slideId] && last.get(id) === index
      ? [{ id, slideId, closeUpId: asId(stop.closeUpId) }]
      : [];
  });
}

function readTrails(doc: Y.Doc, slides: Record<SlideId, Slide>): Trail[] {
  const read: { trail: Trail; order: string }[] = [];
  for (const [id, trail] of trailsMap(doc)) {
    if (!(trail instanceof Y.Map) || !asId(id)) continue;
    const stops: unknown = trail.get('stops');
    read.push({
      order: asString(trail.get('order'), 'a0', 200),
      trail: {
        id,
        name: asString(trail.get('name'), '', 200),
        tint: asOneOf(trail.get('tint'), TINTS, 'petrol'),
        followsLinks: asBoolean(trail.get('followsLinks')),
        stops: readStops(stops instanceof Y.Array ? stops.toArray() : [], slides),
      },
    });
  }
  return read
    .sort((a, b) =>
      a.order === b.order ? (a.trail.id < b.trail.id ? -1 : 1) : a.order < b.order ? -1 : 1,
    )
    .map(({ trail }) => trail);
}

/** A parent that is gone, or that would close a ring, reads as none. */
function readSections(doc: Y.Doc): Record<SectionId, Section> {
  const sections: Record<SectionId, Section> = {};
  for (const [id, section] of sectionsMap(doc)) {
    if (!(section instanceof Y.Map) || !asId(id)) continue;
    sections[id] = {
      id,
      name: asString(section.get('name'), '', 200),
      tint: asOneOf(section.get('tint'), TINTS, 'petrol'),
      parentId: asId(section.get('parentId')),
      isFolded: asBoolean(section.get('isFolded')),
    };
  }
  // Two who put sections into each other at once make a ring. It is opened at the same one for everybody.
  for (const id of idsOf(sections).sort()) {
    const section = sections[id]!;
    const seen = new Set([section.id]);
    let above = section.parentId;
    while (above && sections[above] && !seen.has(above)) {
      seen.add(above);
      above = sections[above]!.parentId;
    }
    if (above) section.parentId = null;
  }
  return sections;
}

function readSetAside(doc: Y.Doc): Record<string, SetAside> {
  const read: Record<string, SetAside> = {};
  for (const [key, value] of setAsideMap(doc)) {
    const { reason, print } = asRecord(value);
    if (!(key in {})) read[key] = { reason: asString(reason, '', 500), print: asString(print) };
  }
  return read;
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
    theme: THEMES.find((theme) => theme === slide.get('theme')) ?? null,
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

function readGround(value: unknown): Ground {
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

/** What a new choice has to do with on a slide, without reading the rest of it. */
export function occupiedOn(slide: YSlide): Record<keyof Occupied, Box[]> {
  const found: Record<keyof Occupied, Box[]> = { choices: [], clear: [], others: [] };
  for (const [, element] of elementsOfRead(slide)) {
    if (!(element instanceof Y.Map) || element.get('layer') === 'background') continue;
    const fields: Y.Map<unknown> = element;
    const thing = { kind: fields.get('kind'), layer: fields.get('layer') };
    const isChoice = element.get('style') === 'choice';
    found[isChoice ? 'choices' : isKeptClear(thing) ? 'clear' : 'others'].push(
      readBox(element.get('box')),
    );
  }
  return found;
}

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
  return { id, from, carrier, target: readTarget(link.get('target')), wording };
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

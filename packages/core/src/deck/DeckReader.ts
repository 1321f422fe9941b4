import type { DeckTheme } from '../themes/theme.js';
import * as Y from 'yjs';
import { asId, type ElementId, type LinkId, type SlideId, idOf, type Id } from '../parts/ids.js';
import { LIMITS } from '../parts/limits.js';
import {
  elementsOfRead,
  elementsInOrder,
  firstOf,
  headMaps,
  linksMap,
  readLink,
  readSlide,
  slidesMap,
  type YSlide,
} from './document.js';
import { readHead } from './readDeck.js';
import { sameData } from '../parts/sameData.js';
import { readElement } from '../elements/registry.js';
import type { SlideElement } from '../elements/registry.js';
import type { Deck, Link, Slide } from './types.js';

/** What of a slide has to be read anew: all of it, or what it says of itself and these of its elements. */
type Stale = 'all' | Set<ElementId>;

/**
 * Readings of a deck (or of a folio's leaves) that follow the document. A slide or link that did not change keeps
 * its identity from one reading to the next, so views and workers compare with `===`. A reading costs what has
 * changed, plus one short pass over the links. A reader lives as long as its document.
 */
export class DeckReader {
  #doc: Y.Doc;
  #slides = new Map<SlideId, Slide>();
  #links = new Map<LinkId, { link: Link | undefined; slide: Slide | undefined }>();
  /** Elements as they stand in the document, before what follows from others is settled. */
  #raw = new Map<SlideId, Map<ElementId, SlideElement>>();
  #staleSlides = new Map<SlideId, Stale>();
  #staleLinks = new Set<LinkId>();
  #head: ReturnType<typeof readHead> | null = null;
  #deck: Deck | null = null;
  #theme: DeckTheme | null = null;
  #listeners = new Set<() => void>();

  constructor(doc: Y.Doc) {
    this.#doc = doc;
    for (const id of slidesMap(doc).keys()) this.#staleSlides.set(id, 'all');
    slidesMap(doc).observeDeep((events) => {
      let isWhole = false;
      for (const event of events) isWhole = this.#note(event) || isWhole;
      // A slide that comes or goes changes which stops and which start there are.
      if (isWhole) this.#head = null;
      this.#changed();
    });
    linksMap(doc).observeDeep((events) => {
      for (const event of events) for (const id of touched<LinkId>(event)) this.#staleLinks.add(id);
      this.#changed();
    });
    for (const map of headMaps(doc)) {
      map.observeDeep(() => {
        this.#head = null;
        this.#changed();
      });
    }
  }

  /** The deck as it is now; the same object until the document changes. */
  read = (): Deck => {
    if (this.#deck) return this.#deck;
    const all = slidesMap(this.#doc);
    for (const [id, stale] of this.#staleSlides) {
      const slide = all.get(id);
      if (slide instanceof Y.Map && asId(id)) {
        this.#slides.set(id, readSlide(id, slide, this.#readElements(id, slide, stale)));
      } else {
        this.#slides.delete(id);
        this.#raw.delete(id);
      }
    }
    this.#staleSlides.clear();
    const slides = Object.fromEntries(this.#slides);
    this.#head ??= this.#readHead(slides);
    this.#deck = { ...this.#head, slides, links: this.#readLinks(slides) };
    return this.#deck;
  };

  /** A theme that reads as before is the same one: slides are drawn anew for another. */
  #readHead(slides: Record<SlideId, Slide>): ReturnType<typeof readHead> {
    const head = readHead(this.#doc, slides);
    this.#theme = this.#theme && sameData(this.#theme, head.theme) ? this.#theme : head.theme;
    return { ...head, theme: this.#theme };
  }

  /** Only the elements that were touched; the others are the same objects as before. */
  #readElements(id: SlideId, slide: YSlide, stale: Stale): readonly SlideElement[] {
    const before = this.#slides.get(id)?.elements;
    const fresh = stale === 'all' ? null : stale;
    const known = fresh ? this.#raw.get(id) : undefined;
    if (known && before && fresh?.size === 0) return before;
    const raw = new Map<ElementId, SlideElement>();
    for (const [elementId, element] of firstOf(elementsOfRead(slide), LIMITS.elementsPerSlide)) {
      if (!(element instanceof Y.Map) || !asId(elementId)) continue;
      const kept = fresh?.has(elementId) ? undefined : known?.get(elementId);
      const read = kept ?? readElement(elementId, element);
      if (read) raw.set(elementId, read);
    }
    this.#raw.set(id, raw);
    return elementsInOrder([...raw.values()], before);
  }

  #readLinks(slides: Record<SlideId, Slide>): Record<LinkId, Link> {
    const links: Record<LinkId, Link> = {};
    const all = linksMap(this.#doc);
    for (const [id, value] of all) {
      if (!(value instanceof Y.Map) || !asId(id)) continue;
      const known = this.#staleLinks.has(id) ? undefined : this.#links.get(id);
      const from = asId<SlideId>(value.get('from'));
      const slide = from ? slides[from] : undefined;
      const entry =
        known && known.slide === slide ? known : { link: readLink(id, value, slides), slide };
      if (known?.link && entry.link && isSameReading(known.link, entry.link)) {
        entry.link = known.link;
      }
      if (entry !== known) this.#links.set(id, entry);
      if (entry.link) links[id] = entry.link;
    }
    for (const id of this.#staleLinks) if (!all.has(id)) this.#links.delete(id);
    this.#staleLinks.clear();
    return links;
  }

  /** Calls back after every change, once per transaction and map touched. Returns the way to stop. */
  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  /** Notes what of which slide an event touches; true when slides themselves came, went or were replaced. */
  #note(event: MapEvent): boolean {
    const [slideId, part, elementId] = event.path as [SlideId?, string?, ElementId?];
    if (slideId === undefined) {
      for (const id of touched<SlideId>(event)) this.#staleSlides.set(id, 'all');
      return true;
    }
    const known = this.#staleSlides.get(slideId);
    if (known === 'all') return false;
    const stale = known ?? new Set<ElementId>();
    const changed = keysOf(event);
    if (part === undefined && changed.has('elements')) this.#staleSlides.set(slideId, 'all');
    else {
      if (elementId !== undefined) stale.add(elementId);
      else if (part === 'elements') for (const id of changed) stale.add(idOf(id));
      this.#staleSlides.set(slideId, stale);
    }
    return false;
  }

  #changed(): void {
    this.#deck = null;
    for (const listener of this.#listeners) listener();
  }
}

// Yjs types what its events are of as `any`.
type MapEvent = Pick<Y.YEvent<Y.AbstractType<unknown>>, 'path'>;

/** Which entries of a map an event changes; none of a list or a text. */
const keysOf = (event: MapEvent): ReadonlySet<string> =>
  event instanceof Y.YMapEvent ? (event as { keysChanged: Set<string> }).keysChanged : new Set();

/** The entries of the observed map that an event touches, at any depth. */
function touched<T extends Id<string>>(event: MapEvent): Iterable<T> {
  const [key] = event.path;
  return (typeof key === 'string' ? [key] : keysOf(event)) as Iterable<T>;
}

/** The slide around a link changed, but the link reads as before: target and ends are untouched, so this is enough. */
function isSameReading(a: Link, b: Link): boolean {
  return (
    a.wording === b.wording &&
    a.carrier.kind === b.carrier.kind &&
    (a.carrier.kind === 'none' ||
      (b.carrier.kind !== 'none' && a.carrier.elementId === b.carrier.elementId))
  );
}

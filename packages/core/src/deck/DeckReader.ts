import * as Y from 'yjs';
import type { LinkId, SlideId } from '../ids.js';
import { asId } from './decode.js';
import {
  deckMap,
  linksMap,
  readHead,
  readLink,
  readSlide,
  sectionsMap,
  setAsideMap,
  slidesMap,
  trailsMap,
} from './document.js';
import type { Deck, Link, Slide } from './types.js';

/**
 * Readings of a deck (or of a folio's leaves) that follow the document. A slide or link that did not change keeps
 * its identity from one reading to the next, so views and workers compare with `===`. A reading costs what has
 * changed, plus one short pass over the links. A reader lives as long as its document.
 */
export class DeckReader {
  #doc: Y.Doc;
  #slides = new Map<SlideId, Slide>();
  #links = new Map<LinkId, { link: Link | undefined; slide: Slide | undefined }>();
  /** Slides to be read anew; `false`: only what they say of themselves, not what lies on them. */
  #staleSlides = new Map<SlideId, boolean>();
  #staleLinks = new Set<LinkId>();
  #head: ReturnType<typeof readHead> | null = null;
  #deck: Deck | null = null;
  #listeners = new Set<() => void>();

  constructor(doc: Y.Doc) {
    this.#doc = doc;
    for (const id of slidesMap(doc).keys()) this.#staleSlides.set(id, true);
    slidesMap(doc).observeDeep((events) => {
      // A slide that comes or goes changes which stops and which start there are.
      const isWhole = noteKeys(events, (id, isDeep) =>
        this.#staleSlides.set(id, isDeep || this.#staleSlides.get(id) === true),
      );
      if (isWhole) this.#head = null;
      this.#changed();
    });
    linksMap(doc).observeDeep((events) => {
      noteKeys(events, (id) => this.#staleLinks.add(id));
      this.#changed();
    });
    for (const map of [deckMap(doc), sectionsMap(doc), trailsMap(doc), setAsideMap(doc)]) {
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
    for (const [id, isDeep] of this.#staleSlides) {
      const slide = all.get(id);
      const known = isDeep ? undefined : this.#slides.get(id)?.elements;
      if (slide instanceof Y.Map && asId(id)) this.#slides.set(id, readSlide(id, slide, known));
      else this.#slides.delete(id);
    }
    this.#staleSlides.clear();
    const slides = Object.fromEntries(this.#slides);
    this.#head ??= readHead(this.#doc, slides);
    this.#deck = { ...this.#head, slides, links: this.#readLinks(slides) };
    return this.#deck;
  };

  #readLinks(slides: Record<SlideId, Slide>): Record<LinkId, Link> {
    const links: Record<LinkId, Link> = {};
    const all = linksMap(this.#doc);
    for (const [id, value] of all) {
      if (!(value instanceof Y.Map) || !asId(id)) continue;
      const known = this.#staleLinks.has(id) ? undefined : this.#links.get(id);
      const slide = slides[value.get('from') as SlideId];
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

  #changed(): void {
    this.#deck = null;
    for (const listener of this.#listeners) listener();
  }
}

/**
 * Notes which entries of a map were touched, and whether below their own plain values; true when an entry itself came,
 * went or was replaced.
 */
function noteKeys(
  events: Y.YEvent<Y.AbstractType<unknown>>[],
  note: (key: string, isDeep: boolean) => void,
): boolean {
  let isWhole = false;
  for (const event of events) {
    const key = event.path[0];
    if (typeof key === 'string') {
      const isPlain = event instanceof Y.YMapEvent && !event.keysChanged.has('elements');
      note(key, event.path.length > 1 || !isPlain);
    } else {
      isWhole = true;
      for (const changed of (event as Y.YMapEvent<unknown>).keysChanged) note(changed, true);
    }
  }
  return isWhole;
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

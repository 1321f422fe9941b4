import * as Y from 'yjs';
import type { SlideId } from '../ids.js';
import { asId } from './decode.js';
import { assembleDeck, linksMap, deckMap, readSlide, slidesMap } from './document.js';
import type { Deck, Slide } from './types.js';

/**
 * Readings of a deck (or of a folio's leaves) that follow the document. A slide that did not change keeps its
 * identity from one reading to the next, so a view compares slides with `===`. A reading costs what has changed,
 * plus one pass over the links. A reader lives as long as its document.
 */
export class DeckReader {
  #doc: Y.Doc;
  #slides = new Map<SlideId, Slide>();
  #stale = new Set<SlideId>();
  #deck: Deck | null = null;
  #listeners = new Set<() => void>();

  constructor(doc: Y.Doc) {
    this.#doc = doc;
    for (const id of slidesMap(doc).keys()) this.#stale.add(id);
    slidesMap(doc).observeDeep((events) => {
      for (const event of events) {
        const slideId = event.path[0];
        if (typeof slideId === 'string') this.#stale.add(slideId);
        else for (const key of (event as Y.YMapEvent<unknown>).keysChanged) this.#stale.add(key);
      }
      this.#changed();
    });
    linksMap(doc).observeDeep(() => this.#changed());
    deckMap(doc).observe(() => this.#changed());
  }

  /** The deck as it is now; the same object until the document changes. */
  read = (): Deck => {
    if (this.#deck) return this.#deck;
    const all = slidesMap(this.#doc);
    for (const id of this.#stale) {
      const slide = all.get(id);
      if (slide instanceof Y.Map && asId(id)) this.#slides.set(id, readSlide(id, slide));
      else this.#slides.delete(id);
    }
    this.#stale.clear();
    this.#deck = assembleDeck(this.#doc, Object.fromEntries(this.#slides));
    return this.#deck;
  };

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

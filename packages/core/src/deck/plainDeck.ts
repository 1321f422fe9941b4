import { asId, idOf, type SlideId } from '../parts/ids.js';
import * as Y from 'yjs';
import { asRecord } from '../parts/decode.js';
import {
  deckMap,
  elementsOf,
  sectionsMap,
  setAsideMap,
  slidesMap,
  layoutsMap,
  themesMap,
  trailsMap,
} from './document.js';
import { readDeck } from './readDeck.js';
import { readDeckTheme } from '../themes/readThemes.js';
import type { DeckTheme } from '../themes/theme.js';
import { addElementTo } from './arranging/elementCommands.js';
import { putLink } from './links/linkCommands.js';
import { readLayouts } from './readLayouts.js';
import type { Deck, Link } from './types.js';
import { type NewElement } from '../elements/registry.js';

/** A deck with nothing in it, in the theme of another: what is tried in it looks as it would there. */
export function emptyDeckIn({ ref, amount, own }: DeckTheme): Y.Doc {
  const doc = new Y.Doc();
  doc.transact(() => putTheme(doc, { ref, amount, own }));
  return doc;
}

function putTheme(doc: Y.Doc, { ref, amount, own }: DeckTheme): void {
  deckMap(doc).set('theme', ref);
  deckMap(doc).set('scenery', amount);
  for (const [id, theme] of Object.entries(own)) themesMap(doc).set(id, theme);
}

/**
 * A deck out of plain data of any age, as an edition keeps it: it goes through a document, so it is read as carefully
 * as that is, and what older versions wrote otherwise is understood.
 */
export function readPlainDeck(value: unknown): Deck {
  const deck = asRecord(value);
  const doc = new Y.Doc();
  doc.transact(() => {
    for (const key of [
      'title',
      'language',
      'startSlideId',
      'defaultTrailId',
      'turn',
      'numbering',
    ]) {
      if (deck[key] !== null && deck[key] !== undefined) deckMap(doc).set(key, deck[key]);
    }
    putTheme(doc, readDeckTheme(deck.theme));
    for (const [id, layout] of Object.entries(readLayouts(deck.layouts))) {
      layoutsMap(doc).set(id, layout);
    }
    for (const [id, slide] of Object.entries(asRecord(deck.slides))) putSlide(doc, idOf(id), slide);
    for (const link of Object.values(asRecord(deck.links)) as Link[]) {
      putLink(doc, link.id, link.from, link.carrier, link.target, link.wording);
    }
    for (const [id, section] of Object.entries(asRecord(deck.sections))) {
      sectionsMap(doc).set(id, mapOf(asRecord(section)));
    }
    const trails = Array.isArray(deck.trails) ? deck.trails : [];
    trails.forEach((entry, index) => {
      const { stops, ...trail } = asRecord(entry);
      const map = mapOf({ ...trail, order: `a${index.toString(36).padStart(3, '0')}` });
      map.set('stops', Y.Array.from(Array.isArray(stops) ? stops : []));
      trailsMap(doc).set(asId(trail.id) ?? '', map);
    });
    for (const [key, aside] of Object.entries(asRecord(deck.setAside))) {
      setAsideMap(doc).set(key, aside);
    }
  });
  return readDeck(doc);
}

function putSlide(doc: Y.Doc, id: SlideId, value: unknown): void {
  const { elements, ...fields } = asRecord(value);
  const slide = mapOf(fields);
  slidesMap(doc).set(id, slide);
  slide.set('elements', new Y.Map());
  for (const element of Array.isArray(elements) ? elements : []) {
    const { order } = asRecord(element);
    const added = addElementTo(doc, id, element as NewElement);
    const map = elementsOf(slide).get(added);
    if (map instanceof Y.Map && typeof order === 'string') map.set('order', order);
  }
}

function mapOf(fields: Record<string, unknown>): Y.Map<unknown> {
  const map = new Y.Map<unknown>();
  for (const [key, value] of Object.entries(fields)) {
    if (value !== null && value !== undefined) map.set(key, value);
  }
  return map;
}

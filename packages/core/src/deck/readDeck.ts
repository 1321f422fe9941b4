import * as Y from 'yjs';
import { readLayouts } from './readLayouts.js';
import { readTurn } from '../parts/turns.js';
import { asBoolean, asLanguage, asNumber, asOneOf, asRecord, asString } from '../parts/decode.js';
import { LIMITS } from '../parts/limits.js';
import {
  asId,
  idsOf,
  type LinkId,
  type SectionId,
  type SlideId,
  type StopId,
} from '../parts/ids.js';
import { readDeckTheme } from '../themes/readThemes.js';
import type { DeckTheme } from '../themes/theme.js';
import {
  deckMap,
  linksMap,
  readLink,
  readSlide,
  sectionsMap,
  setAsideMap,
  slidesMap,
  layoutsMap,
  themesMap,
  trailsMap,
} from './document.js';
import {
  TINTS,
  type Deck,
  type Link,
  type Section,
  type SetAside,
  type Numbering,
  type Slide,
  type Trail,
} from './types.js';
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

/** From a slide on that is gone, numbers begin with the first again. */
function readNumbering(value: unknown, slides: Record<SlideId, Slide>): Numbering {
  const from = asId<SlideId>(value);
  if (!from) return null;
  return slides[from] ? from : 'all';
}

export const readTheme = (doc: Y.Doc): DeckTheme =>
  readDeckTheme({
    ref: deckMap(doc).get('theme'),
    amount: deckMap(doc).get('scenery'),
    own: themesMap(doc).toJSON(),
  });

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
    turn: readTurn(head.get('turn')) ?? 'cut',
    numbering: readNumbering(head.get('numbering'), slides),
    layouts: readLayouts(layoutsMap(doc).toJSON()),
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
      minutes: asNumber(section.get('minutes'), 0, 0, LIMITS.sectionMinutes) || null,
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

import { command, isRefusal, type Plan } from '../command.js';
import * as Y from 'yjs';
import { cardSpotBeside } from './cards.js';
import { newId, type ElementId, type LinkId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { asRecord } from '../../parts/decode.js';
import type { ThemeData } from '../../themes/kind.js';
import { MOST_OWN_THEMES, readDeckTheme } from '../../themes/readThemes.js';
import { partsOfRef } from '../../themes/theme.js';
import { layoutsMap, slideOf, slidesMap, themesMap } from '../document.js';
import { MOST_OWN_LAYOUTS, readLayouts } from '../readLayouts.js';
import { readDeck } from '../readDeck.js';
import { carrierOf, newElementOf } from '../arranging/elementClip.js';
import { addElementTo } from '../arranging/elementCommands.js';
import { putLink } from '../links/linkCommands.js';
import { NOWHERE, type Target } from '../links/target.js';
import type { Deck, Link, OwnLayout, Slide } from '../types.js';
import { sure } from '../../parts/sure.js';

/** Slides taken out of a deck with the links that leave them: plain data that a clipboard can carry. */
export interface SlideClip {
  /** Says where the clip is from, so that links to slides that stayed behind can be kept within that deck. */
  deckId: string;
  slides: Slide[];
  links: Link[];
  /** Themes of the deck's own that single slides of it are shown in, by id. */
  themes?: Readonly<Record<string, ThemeData>>;
  /** Layouts of the deck's own that its slides follow, by id. */
  layouts?: Readonly<Record<string, OwnLayout>>;
}

const MOST_SLIDES = 500;

export function clipSlides(deck: Deck, deckId: string, slideIds: SlideId[]): SlideClip {
  const taken = new Set(slideIds);
  const slides = slideIds.flatMap((id) => deck.slides[id] ?? []);
  return {
    deckId,
    slides,
    links: Object.values(deck.links).filter((link) => taken.has(link.from)),
    themes: themesOf(slides, deck.theme.own),
    layouts: layoutsOf(slides, deck.layouts),
  };
}

/** The own themes that these slides have for themselves. */
function themesOf(
  slides: readonly Slide[],
  own: Readonly<Record<string, ThemeData>>,
): Record<string, ThemeData> {
  const themes: Record<string, ThemeData> = {};
  for (const { theme } of slides) {
    const id = theme && partsOfRef(theme).name;
    if (id && Object.hasOwn(own, id)) themes[id] = own[id]!;
  }
  return themes;
}

/** The own layouts that these slides follow. */
function layoutsOf(
  slides: readonly Slide[],
  own: Readonly<Record<string, OwnLayout>>,
): Record<string, OwnLayout> {
  const layouts: Record<string, OwnLayout> = {};
  for (const { ownLayout } of slides) {
    if (ownLayout && Object.hasOwn(own, ownLayout)) layouts[ownLayout] = own[ownLayout]!;
  }
  return layouts;
}

/**
 * A clip out of text that somebody pasted, or undefined. It is read as a deck is, through a document of its own, so a
 * forged one holds nothing that a deck could not hold.
 */
export function readClip(text: string): SlideClip | undefined {
  let raw: Record<string, unknown>;
  try {
    raw = asRecord(JSON.parse(text));
  } catch {
    return undefined;
  }
  const { deckId, slides, links } = raw;
  if (typeof deckId !== 'string' || !Array.isArray(slides) || !Array.isArray(links))
    return undefined;
  try {
    const doc = new Y.Doc();
    doc.transact(() => {
      const known = new Map<string, string>();
      for (const value of slides.slice(0, MOST_SLIDES)) {
        const slide = value as Slide;
        known.set(slide.id, slide.id);
        putSlide(doc, slide.id, slide, (id) => id);
        for (const element of slide.elements) addElementTo(doc, slide.id, newElementOf(element));
      }
      for (const value of links.slice(0, MOST_SLIDES * 40)) {
        const link = value as Link;
        if (known.has(link.from)) {
          putLink(doc, link.id, link.from, link.carrier, link.target, link.wording);
        }
      }
    });
    const deck = readDeck(doc);
    const read = Object.values(deck.slides);
    const own = readDeckTheme({ own: raw.themes }).own;
    return {
      deckId,
      slides: read,
      links: Object.values(deck.links),
      themes: themesOf(read, own),
      layouts: layoutsOf(read, readLayouts(raw.layouts)),
    };
  } catch {
    // Whatever it was, it was no clip.
    return undefined;
  }
}

/**
 * Puts the slides of a clip into a deck as new ones. Links among them are kept inside the copy. A link to a slide
 * that stayed behind leads there when the clip is from this very deck; otherwise it leads nowhere and its wording is
 * reported in `lost`. `by` moves the cards, in map units.
 * Refused: `slides.none`, `slides.tooMany`.
 */
export const pasteSlides = command(
  'pasteSlides',
  'deck:write',
  (
    doc: Y.Doc,
    clip: SlideClip,
    deckId: string,
    by: { dx: number; dy: number },
    rename: (title: string) => string = (title) => title,
  ): Plan<{ slideIds: SlideId[]; lost: string[] }> => {
    if (clip.slides.length === 0) return refuse('slides.none');
    if (clip.slides.length > MOST_SLIDES) return refuse('slides.tooMany', { most: MOST_SLIDES });
    const slideIds = new Map<SlideId, SlideId>(clip.slides.map(({ id }) => [id, newId()]));
    const linkIds = new Map<LinkId, LinkId>(clip.links.map(({ id }) => [id, newId()]));
    const elementIds = new Map<ElementId, ElementId>(
      clip.slides.flatMap(({ elements }) => elements.map(({ id }) => [id, newId()])),
    );
    const isHome = clip.deckId === deckId;
    const lost: string[] = [];
    const targetOf = (link: Link): Target => {
      const { target } = link;
      if (target.kind !== 'slide') return target;
      const copied = slideIds.get(target.slideId);
      const spotId = target.spotId && copied ? elementIds.get(target.spotId) : target.spotId;
      if (copied) return { kind: 'slide', slideId: copied, ...(spotId ? { spotId } : {}) };
      if (isHome && slidesMap(doc).has(target.slideId)) return target;
      lost.push(link.wording || 'a link without words');
      return NOWHERE;
    };
    return () => {
      const themes = themesMap(doc);
      for (const [id, theme] of Object.entries(clip.themes ?? {})) {
        // One that is here already is the same one, perhaps changed since. Beyond the most, slides have the deck's.
        if (!themes.has(id) && themes.size < MOST_OWN_THEMES) themes.set(id, theme);
      }
      const layouts = layoutsMap(doc);
      for (const [id, layout] of Object.entries(clip.layouts ?? {})) {
        if (!layouts.has(id) && layouts.size < MOST_OWN_LAYOUTS) layouts.set(id, layout);
      }
      for (const slide of clip.slides) {
        const slideId = sure(slideIds.get(slide.id), 'every slide of the clip has a new id');
        putSlide(doc, slideId, slide, (sectionId) => (isHome ? sectionId : null));
        const copy = sure(slideOf(doc, slideId), 'it was added just now');
        copy.set('title', rename(slide.title));
        // One whose layout did not come along stays as it lies.
        if (slide.ownLayout && !layouts.has(slide.ownLayout)) copy.delete('ownLayout');
        const { trunkId } = slide;
        copy.set('trunkId', trunkId === 'top' ? 'top' : trunkId && (linkIds.get(trunkId) ?? null));
        copy.set('x', slide.x + by.dx);
        copy.set('y', slide.y + by.dy);
        for (const element of slide.elements) {
          addElementTo(doc, slideId, {
            ...newElementOf(element, elementIds, linkIds),
            id: sure(elementIds.get(element.id), 'everything of the clip has a new id'),
          });
        }
      }
      for (const link of clip.links) {
        const carrier = carrierOf(link.carrier, elementIds);
        const from = sure(slideIds.get(link.from), 'a clip holds links of its own slides');
        putLink(
          doc,
          sure(linkIds.get(link.id), 'every link of the clip has a new id'),
          from,
          carrier,
          targetOf(link),
          link.wording,
        );
      }
      return { slideIds: [...slideIds.values()], lost };
    };
  },
);

/**
 * Copies of slides beside them. Links among them stay inside the copy, others lead where the originals lead.
 * Refused: `slide.gone`.
 */
export const duplicateSlides = command(
  'duplicateSlides',
  'deck:write',
  (doc: Y.Doc, slideIds: SlideId[]): Plan<{ slideIds: SlideId[]; slideId: SlideId }> => {
    const deck = readDeck(doc);
    const clip = clipSlides(deck, '', slideIds);
    const first = clip.slides[0];
    if (!first) return refuse('slide.gone');
    const isOne = clip.slides.length === 1;
    const spot = cardSpotBeside(doc, first.id);
    const lowest = Math.max(...clip.slides.map(({ y }) => y));
    const highest = Math.min(...clip.slides.map(({ y }) => y));
    const by = isOne
      ? { dx: spot.x - first.x, dy: spot.y - first.y }
      : { dx: 0, dy: lowest - highest + 170 };
    const paste = pasteSlides.plan(doc, clip, '', by, (title) =>
      isOne ? `${title} (copy)` : title,
    );
    if (isRefusal(paste)) return paste;
    return () => {
      const { slideIds } = paste();
      return { slideIds, slideId: slideIds[0]! };
    };
  },
);

function putSlide(
  doc: Y.Doc,
  slideId: SlideId,
  slide: Slide,
  sectionOf: (sectionId: Slide['sectionId']) => Slide['sectionId'],
): void {
  const { id: _id, elements: _elements, sectionId, ...fields } = slide;
  const map = new Y.Map<unknown>();
  slidesMap(doc).set(slideId, map);
  for (const [key, value] of Object.entries(fields)) map.set(key, value);
  map.set('sectionId', sectionOf(sectionId) ?? '');
  map.set('elements', new Y.Map());
}

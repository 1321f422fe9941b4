import type { ThemeRef } from '../../themes/theme.js';
import { command, type Plan } from '../command.js';
import * as Y from 'yjs';
import { type SectionId, type SlideId, idsOf } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { AMOUNTS, type Amount } from '../../themes/kind.js';
import { isTheme } from '../../themes/theme.js';
import { deckMap, readSlide, slideOf, slidesMap } from '../document.js';
import { readTheme } from '../readDeck.js';
import type { Deck, Ground } from '../types.js';

/**
 * Sets what lies under everything, on one slide or on many in one step. What is left out stays as it is there.
 * Refused: `slide.gone`.
 */
export const setGround = command(
  'setGround',
  'deck:write',
  (doc: Y.Doc, slideIds: readonly SlideId[], ground: Partial<Ground>): Plan<{ slides: number }> => {
    const slides = slideIds.flatMap((id) => {
      const slide = slideOf(doc, id);
      return slide ? [{ id, slide }] : [];
    });
    if (slides.length === 0) return refuse('slide.gone');
    return () => {
      for (const { id, slide } of slides) {
        // Only the ground is wanted: what lies on the slide need not be read.
        const before = readSlide(id, slide, []).ground;
        slide.set('ground', { ...before, ...ground });
      }
      return { slides: slides.length };
    };
  },
);

/** Where a ground or a theme can be applied to. */
export type Reach = 'slide' | 'section' | 'deck';

/** The slides that a reach means, seen from one of them; a slide in no section stands for itself. */
export function slidesWithin(deck: Deck, slideId: SlideId, reach: Reach): SlideId[] {
  if (reach === 'deck') return idsOf(deck.slides);
  const sectionId = deck.slides[slideId]?.sectionId ?? null;
  if (reach === 'slide' || !sectionId || !deck.sections[sectionId]) return [slideId];
  const inside = new Set<SectionId>([sectionId]);
  for (let size = -1; size !== inside.size;) {
    size = inside.size;
    for (const { id, parentId } of Object.values(deck.sections)) {
      if (parentId && inside.has(parentId)) inside.add(id);
    }
  }
  return Object.values(deck.slides)
    .filter((slide) => slide.sectionId !== null && inside.has(slide.sectionId))
    .map(({ id }) => id);
}

/**
 * The theme of the deck; slides that have one of their own keep it.
 * Refused: `deck.theme`.
 */
export const setTheme = command('setTheme', 'deck:write', (doc: Y.Doc, theme: ThemeRef): Plan => {
  if (!isTheme(theme, readTheme(doc).own)) return refuse('deck.theme');
  return () => {
    deckMap(doc).set('theme', theme);
  };
});

/**
 * Gives one slide a theme of its own; null hands it back to that of the deck, its scenery too.
 * Refused: `deck.theme`, `slide.gone`.
 */
export const setSlideTheme = command(
  'setSlideTheme',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, theme: ThemeRef | null): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    if (theme !== null && !isTheme(theme, readTheme(doc).own)) return refuse('deck.theme');
    return () => {
      slide.set('theme', theme);
      if (theme === null) slide.delete('scenery');
    };
  },
);

/**
 * The theme for every slide: the deck's, and no slide has one of its own any more.
 * Refused: `deck.theme`.
 */
export const setThemeForAll = command(
  'setThemeForAll',
  'deck:write',
  (doc: Y.Doc, theme: ThemeRef): Plan => {
    if (!isTheme(theme, readTheme(doc).own)) return refuse('deck.theme');
    return () => {
      deckMap(doc).set('theme', theme);
      for (const slide of slidesMap(doc).values()) {
        if (slide instanceof Y.Map && slide.get('theme')) slide.set('theme', null);
      }
    };
  },
);

/**
 * How much of its scenery the deck shows, or one slide of it; null hands a slide back to the deck.
 * Refused: `deck.theme`, `slide.gone`.
 */
export const setScenery = command(
  'setScenery',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId | null, amount: Amount | null): Plan => {
    const map = slideId === null ? deckMap(doc) : slideOf(doc, slideId);
    if (!map) return refuse('slide.gone');
    const isKnown = amount !== null && AMOUNTS.includes(amount);
    if (!isKnown && (amount !== null || slideId === null)) return refuse('deck.theme');
    return () => {
      map.set('scenery', amount);
    };
  },
);

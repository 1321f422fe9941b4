import * as Y from 'yjs';
import { refuse, type Result, type SectionId, type SlideId } from '../../parts/ids.js';
import { THEMES, type ThemeName } from '../../themes/themes.js';
import { deckMap, readSlide, slideOf, slidesMap } from '../document.js';
import { NO_SLIDE } from '../arranging/elementCommands.js';
import { COMMAND } from '../history.js';
import type { Deck, Ground } from '../types.js';

/** Sets what lies under everything, on one slide or on many in one step. What is left out stays as it is there. */
export function setGround(
  doc: Y.Doc,
  slideIds: readonly SlideId[],
  ground: Partial<Ground>,
): Result<{ slides: number }> {
  const slides = slideIds.flatMap((id) => {
    const slide = slideOf(doc, id);
    return slide ? [{ id, slide }] : [];
  });
  if (slides.length === 0) return refuse(NO_SLIDE);
  doc.transact(() => {
    for (const { id, slide } of slides) {
      // Only the ground is wanted: what lies on the slide need not be read.
      const before = readSlide(id, slide, []).ground;
      slide.set('ground', { ...before, ...ground });
    }
  }, COMMAND);
  return { ok: true, slides: slides.length };
}

/** Where a ground or a theme can be applied to. */
export type Reach = 'slide' | 'section' | 'deck';

/** The slides that a reach means, seen from one of them; a slide in no section stands for itself. */
export function slidesWithin(deck: Deck, slideId: SlideId, reach: Reach): SlideId[] {
  if (reach === 'deck') return Object.keys(deck.slides);
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

/** The theme of the deck; slides that have one of their own keep it. */
export function setTheme(doc: Y.Doc, theme: ThemeName): Result {
  if (!THEMES.includes(theme)) return refuse('There is no such theme.');
  doc.transact(() => deckMap(doc).set('theme', theme), COMMAND);
  return { ok: true };
}

/** Gives one slide a theme of its own; '' hands it back to that of the deck. */
export function setSlideTheme(doc: Y.Doc, slideId: SlideId, theme: ThemeName | ''): Result {
  const slide = slideOf(doc, slideId);
  if (!slide) return refuse(NO_SLIDE);
  if (theme !== '' && !THEMES.includes(theme)) return refuse('There is no such theme.');
  doc.transact(() => slide.set('theme', theme), COMMAND);
  return { ok: true };
}

/** The theme for every slide: the deck's, and no slide has one of its own any more. */
export function setThemeForAll(doc: Y.Doc, theme: ThemeName): Result {
  if (!THEMES.includes(theme)) return refuse('There is no such theme.');
  doc.transact(() => {
    deckMap(doc).set('theme', theme);
    for (const slide of slidesMap(doc).values()) {
      if (slide instanceof Y.Map && slide.get('theme')) slide.set('theme', '');
    }
  }, COMMAND);
  return { ok: true };
}

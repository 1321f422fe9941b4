import { command, type Plan } from '../command.js';
import type * as Y from 'yjs';
import { type SectionId, type SlideId, idsOf } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { readSlide, slideOf } from '../document.js';
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

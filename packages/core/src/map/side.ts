import { CARD } from '../deck/slides/cards.js';
import { isRightToLeft } from '../parts/isRightToLeft.js';
import type { Deck, Slide } from '../deck/types.js';

/** Languages that are written from right to left, of those a deck may be said to be written in. */
const LEFTWARD: readonly string[] = ['ar', 'fa', 'he', 'ur'];

/** Whether a deck is read from right to left: by its language, or where that is another by most of its titles. */
export function readsLeftward({ language, slides }: Pick<Deck, 'language' | 'slides'>): boolean {
  if (LEFTWARD.includes(language)) return true;
  const titles = Object.values(slides).flatMap(({ title }) => title || []);
  return titles.filter(isRightToLeft).length * 2 > titles.length;
}

interface Spot {
  x: number;
  y: number;
}

/** Where a card lies on a map that is turned round, left for right; turned round twice it is where it was. */
export const mirroredSpot = <S extends Spot>(spot: S): S => ({ ...spot, x: -spot.x - CARD.width });

const known = new WeakMap<Slide, Slide>();

/** The deck with its cards where they lie on a map that grows to the left; a slide that did not change stays the same. */
export function mirroredMap(deck: Deck): Deck {
  const slides: Deck['slides'] = {};
  for (const slide of Object.values(deck.slides)) {
    const mirrored = known.get(slide) ?? mirroredSpot(slide);
    known.set(slide, mirrored);
    slides[slide.id] = mirrored;
  }
  return { ...deck, slides };
}

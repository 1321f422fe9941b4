import type { Deck } from '../deck/types.js';
import type { SlideId } from '../parts/ids.js';

/**
 * The numbers that slides show: counted across the map from left to right, and down where several are one above the
 * other; the first that has one is 1. Empty where the deck shows none.
 */
export function slideNumbers({
  slides,
  numbering,
}: Pick<Deck, 'slides' | 'numbering'>): ReadonlyMap<SlideId, number> {
  if (numbering === null) return new Map();
  const inOrder = Object.values(slides)
    .filter(({ isLeftOut, isPattern }) => !isLeftOut && !isPattern)
    .sort((one, other) => one.x - other.x || one.y - other.y || (one.id < other.id ? -1 : 1));
  const from = Math.max(
    0,
    inOrder.findIndex(({ id }) => id === numbering),
  );
  const numbers = new Map<SlideId, number>();
  inOrder.slice(from).forEach(({ id, hidesNumber }, at) => {
    if (!hidesNumber) numbers.set(id, at + 1);
  });
  return numbers;
}

/** How many steps it takes until everything on a slide has come. */
export const stepsOn = (slide: Deck['slides'][SlideId]): number =>
  Math.max(0, ...slide.elements.map(({ comes }) => comes));

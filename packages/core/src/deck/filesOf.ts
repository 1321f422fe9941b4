import { elementKind } from '../elements/registry.js';
import type { Deck, Slide } from './types.js';

/** The hashes of all pictures that slides show, each once. */
export function picturesOf(deck: Pick<Deck, 'slides'>): string[] {
  return once(Object.values(deck.slides), (slide) => [
    ...(slide.ground.picture ? [slide.ground.picture.asset.hash] : []),
    ...slide.elements.flatMap((element) => elementKind(element.kind).pictures?.(element) ?? []),
  ]);
}

/** The hashes of all sounds and videos of slides, each once. */
export const mediaIn = (deck: Pick<Deck, 'slides'>): string[] =>
  once(Object.values(deck.slides), ({ elements }) =>
    elements.flatMap((element) => elementKind(element.kind).media?.(element) ?? []),
  );

const once = (slides: Slide[], hashes: (slide: Slide) => string[]): string[] => [
  ...new Set(slides.flatMap(hashes)),
];

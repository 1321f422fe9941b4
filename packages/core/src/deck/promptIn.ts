import type { Slot } from '../parts/place.js';
import type { Deck, Slide } from './types.js';

/** What the own layout of a slide has an empty place say; undefined where it says nothing of its own. */
export const promptIn = (
  { layouts }: Pick<Deck, 'layouts'>,
  { ownLayout }: Pick<Slide, 'ownLayout'>,
  slot: Slot | null,
): string | undefined =>
  (ownLayout === null ? undefined : layouts[ownLayout])?.places.find((place) => place.slot === slot)
    ?.prompt ?? undefined;

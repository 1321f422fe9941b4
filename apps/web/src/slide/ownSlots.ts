import type { Deck, OwnLayout, Slide, SlideElement, SlotSpec } from '@gobrel/core';

/** The places of a layout of the deck's own that are shown. */
export const slotsOf = ({ places }: OwnLayout): SlotSpec[] =>
  places
    .filter(({ isShown }) => isShown)
    .map(({ slot, takes, style, align, box }) =>
      takes === 'text'
        ? { slot, takes, style, box, ...(align ? { align } : {}) }
        : { slot, takes, box },
    );

/** What the own layout of a slide has an empty place say; undefined where it says nothing of its own. */
export const promptIn = (
  { layouts }: Pick<Deck, 'layouts'>,
  { ownLayout }: Slide,
  slot: SlideElement['slot'],
): string | undefined =>
  (ownLayout === null ? undefined : layouts[ownLayout])?.places.find((place) => place.slot === slot)
    ?.prompt ?? undefined;

import type { OwnLayout, SlotSpec } from '@gobrel/core';

/** The places of a layout of the deck's own that are shown. */
export const slotsOf = ({ places }: OwnLayout): SlotSpec[] =>
  places
    .filter(({ isShown }) => isShown)
    .map(({ slot, takes, style, align, box }) =>
      takes === 'text'
        ? { slot, takes, style, box, ...(align ? { align } : {}) }
        : { slot, takes, box },
    );

import { slideNumbers, type Deck, type SlideId } from '@gobrel/core';
import { createContext, useContext, useMemo, type ReactElement, type ReactNode } from 'react';
import { CreditsOf } from '../elements/credits/Credits';

const Numbers = createContext<ReadonlyMap<SlideId, number>>(new Map());

/** What slides show of the deck that they belong to: whom its pictures are from, and their number in it. */
export function WithinDeck({ deck, children }: { deck: Deck; children: ReactNode }): ReactElement {
  const { slides, numbering } = deck;
  const numbers = useMemo(() => slideNumbers({ slides, numbering }), [slides, numbering]);
  return (
    <CreditsOf deck={deck}>
      <Numbers value={numbers}>{children}</Numbers>
    </CreditsOf>
  );
}

/** The number of a slide, or undefined where it shows none. */
export const useSlideNumber = (slideId: SlideId): number | undefined =>
  useContext(Numbers).get(slideId);

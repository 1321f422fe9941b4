import { creditsOf, type Deck } from '@gobrel/core';
import { createContext, useMemo, type ReactElement, type ReactNode } from 'react';

/** The credits of the deck that a slide belongs to, one line each. */
export const Credits = createContext<readonly string[]>([]);

export function CreditsOf(props: { deck: Deck; children: ReactNode }): ReactElement {
  const { slides } = props.deck;
  // Only pictures count; the list is short, the slides are many.
  const lines = useMemo(() => creditsOf({ slides } as Deck), [slides]);
  return <Credits value={lines}>{props.children}</Credits>;
}

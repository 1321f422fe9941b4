import { useMemo } from 'react';
import { seenDeck, type SeenDeck } from './seenDeck';
import { useDeck } from '../deck/DeckContext';

/** The open deck as its map shows it. */
export function useSeenDeck(): SeenDeck {
  const { deck } = useDeck();
  return useMemo(() => seenDeck(deck), [deck]);
}

import { seenDeck, type SeenDeck } from './seenDeck';
import { useDeck } from '../deck/DeckContext';

/** The open deck as its map shows it. */
export const useSeenDeck = (): SeenDeck => seenDeck(useDeck().deck);

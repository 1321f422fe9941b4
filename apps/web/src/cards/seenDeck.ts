import { mirroredMap, mirroredSpot, readsLeftward, type Deck } from '@gobrel/core';

export interface SeenDeck {
  /** The deck with its cards where the map shows them: one that is read from right to left grows to the left. */
  deck: Deck;
  isLeftward: boolean;
  /** Where a card that lies at a place of the map lies in the deck. */
  inDeck: <S extends { x: number; y: number }>(spot: S) => S;
}

const asItIs = <S extends { x: number; y: number }>(spot: S): S => spot;

export const seenDeck = (deck: Deck): SeenDeck =>
  readsLeftward(deck)
    ? { deck: mirroredMap(deck), isLeftward: true, inDeck: mirroredSpot }
    : { deck, isLeftward: false, inDeck: asItIs };

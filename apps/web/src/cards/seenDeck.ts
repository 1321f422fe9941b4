import { mirroredMap, mirroredSpot, readsLeftward, type Deck } from '@gobrel/core';

export interface SeenDeck {
  /** The deck with its cards where the map shows them: one that is read from right to left grows to the left. */
  deck: Deck;
  isLeftward: boolean;
  /** Where a card that lies at a place of the map lies in the deck. */
  inDeck: <S extends { x: number; y: number }>(spot: S) => S;
}

const asItIs = <S extends { x: number; y: number }>(spot: S): S => spot;

const known = new WeakMap<Deck, SeenDeck>();

/** The same for the same deck, whoever asks. */
export function seenDeck(deck: Deck): SeenDeck {
  const seen =
    known.get(deck) ??
    (readsLeftward(deck)
      ? { deck: mirroredMap(deck), isLeftward: true, inDeck: mirroredSpot }
      : { deck, isLeftward: false, inDeck: asItIs });
  known.set(deck, seen);
  return seen;
}

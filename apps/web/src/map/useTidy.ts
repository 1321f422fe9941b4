import { moveCards } from '@gobrel/core';
import { useState, type RefObject } from 'react';
import { sentenceOf } from '../api/http';
import type { Direction } from '../cards/wirePath';
import { useDeck } from '../deck/DeckContext';
import { useNotices } from '../ui/Notice';
import type { useMapMoves } from './useMapMoves';

/** Sets the cards of the map out anew: all of them, or those that no hand has put where they are. */
export function useTidy(
  frame: RefObject<HTMLElement | null>,
  moves: ReturnType<typeof useMapMoves>,
  direction: Direction,
): { tidy: (which: 'loose' | 'all') => Promise<void>; isTidying: boolean } {
  const { deck, graph, run } = useDeck();
  const notices = useNotices();
  const [isTidying, setIsTidying] = useState(false);
  const tidy = async (which: 'loose' | 'all'): Promise<void> => {
    setIsTidying(true);
    try {
      const { layOut } = await import('./layout');
      // What is laid out is the deck: to which side its map grows is how it is shown.
      const grows = direction === 'left' ? 'right' : direction;
      const spots = await layOut(deck, graph, grows, which);
      frame.current?.classList.add('is-tidying');
      run(moveCards, spots, 'layout');
      setTimeout(() => {
        frame.current?.classList.remove('is-tidying');
        moves.fit();
      }, 420);
    } catch (error) {
      notices.trouble(sentenceOf(error));
    } finally {
      setIsTidying(false);
    }
  };
  return { tidy, isTidying };
}

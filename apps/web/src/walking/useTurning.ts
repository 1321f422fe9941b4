import type { Deck } from '@gobrel/core';
import { useEffect, useState } from 'react';
import type { Turning } from '../stage/Turning';

const slidesTurn = ({ turn, slides }: Deck): boolean =>
  turn !== 'cut' || Object.values(slides).some((slide) => (slide.turn ?? 'cut') !== 'cut');

/** What turns slides, once it is there and where they turn. It is nothing that anybody has to wait for, or to miss. */
export function useTurning(edition: Deck): typeof Turning | null {
  const [found, setFound] = useState<{ Turning: typeof Turning } | null>(null);
  const isWanted = slidesTurn(edition);
  useEffect(() => {
    if (isWanted) void import('../stage/Turning').then(setFound, () => undefined);
  }, [isWanted]);
  return isWanted && found ? found.Turning : null;
}

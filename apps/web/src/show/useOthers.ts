import type { Deck, GivenShow, ShowPlace, TrailId } from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import { http } from '../api/http';
import { useShowLine, type ShowLine } from '../running/useShowLine';
import { useSteering } from '../running/useSteering';
import type { Walking } from '../walking/useWalking';

/** Milliseconds that a deck rests before followers get it as it is by then. */
const RESTS = 1500;

/** Who else is in a show: those who follow, and devices that steer. */
export interface Others {
  given: GivenShow | null;
  line: ShowLine;
  /** Opens the show to others. */
  open: () => Promise<void>;
  /** Asks anew how many devices steer. */
  look: () => void;
  end: () => Promise<void>;
}

export function useOthers(args: {
  deckId: string;
  deck: Deck;
  /** It was open to others when this page was loaded before. */
  wasOpen: boolean;
  mine: { walking: Walking; trailId: TrailId | null; isBlack: boolean };
  take: (place: ShowPlace) => void;
}): Others {
  const { deckId, deck, wasOpen } = args;
  const queries = useQueryClient();
  const [isOpened, setIsOpened] = useState(false);
  const asked = useQuery({
    queryKey: ['show', deckId],
    queryFn: () => http.get<{ show: GivenShow | null }>(`decks/${deckId}/show`),
    enabled: wasOpen || isOpened,
    retry: false,
  });
  const given = (wasOpen || isOpened) && asked.data ? asked.data.show : null;
  const id = given?.id ?? null;
  const line = useShowLine(id);
  useSteering(line, args.mine, args.take, isOpened);
  // What is changed in the deck while it is shown comes to those who follow, too.
  const [first] = useState(deck);
  useEffect(() => {
    if (id === null || deck === first) return;
    const timer = setTimeout(() => {
      http.post(`shows/${id}/edition`).catch(() => undefined);
    }, RESTS);
    return () => clearTimeout(timer);
  }, [id, deck, first]);
  return {
    given,
    line,
    open: useCallback(async () => {
      const opened = await http.post<{ show: GivenShow }>(`decks/${deckId}/show`);
      queries.setQueryData(['show', deckId], opened);
      setIsOpened(true);
    }, [deckId, queries]),
    look: useCallback(() => void asked.refetch(), [asked]),
    end: useCallback(async () => {
      if (id) await http.remove(`shows/${id}`);
      setIsOpened(false);
      queries.setQueryData(['show', deckId], { show: null });
    }, [deckId, id, queries]),
  };
}

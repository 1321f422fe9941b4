import { type ElementId, type SlideId, asId } from '@gobrel/core';
import { useEffect, useState } from 'react';
import { useDeck } from './DeckContext';

/** Somebody else who has the deck open. */
export interface Presence {
  client: number;
  name: string;
  /** The slide that is open, if one is. */
  slideId: SlideId | null;
  /** What is in hand on it. */
  selected: ElementId[];
}

const MOST_SELECTED = 50;

/** Whatever others say of themselves, as far as it can be read. */
function readPresence(client: number, state: Record<string, unknown>): Presence[] {
  const said = (field: unknown): Record<string, unknown> =>
    typeof field === 'object' && field !== null ? (field as Record<string, unknown>) : {};
  const { name, slideId } = said(state.user);
  const { selected } = said(state.hand);
  if (typeof name !== 'string' || name === '') return [];
  return [
    {
      client,
      name: name.slice(0, 80),
      slideId: asId(slideId),
      selected: (Array.isArray(selected) ? (selected as unknown[]) : [])
        .slice(0, MOST_SELECTED)
        .flatMap((id) => asId<ElementId>(id) ?? []),
    },
  ];
}

/** Everyone else who has the deck open now. */
export function useOthers(): readonly Presence[] {
  const { awareness } = useDeck().document;
  const [others, setOthers] = useState<readonly Presence[]>([]);
  useEffect(() => {
    if (!awareness) return;
    const read = (): void => {
      const now = [...awareness.getStates()]
        .filter(([client]) => client !== awareness.clientID)
        .flatMap(([client, state]) => readPresence(client, state));
      setOthers((old) => (JSON.stringify(old) === JSON.stringify(now) ? old : now));
    };
    read();
    awareness.on('change', read);
    return () => awareness.off('change', read);
  }, [awareness]);
  return others;
}

type Place = Pick<Presence, 'slideId' | 'selected'>;

/** Where one is oneself, and what one has in hand. */
export function useOwnPlace(): Place {
  const { awareness } = useDeck().document;
  const [place, setPlace] = useState<Place>({ slideId: null, selected: [] });
  useEffect(() => {
    if (!awareness) return;
    const read = (): void => {
      const [now] = readPresence(0, awareness.getLocalState() ?? {});
      const { slideId = null, selected = [] } = now ?? {};
      setPlace((old) =>
        old.slideId === slideId && old.selected.join() === selected.join()
          ? old
          : { slideId, selected },
      );
    };
    read();
    awareness.on('change', read);
    return () => awareness.off('change', read);
  }, [awareness]);
  return place;
}

/** Tells the others what is in hand on the open slide. */
export function useTellHand(ids: readonly ElementId[]): void {
  const { awareness } = useDeck().document;
  const told = ids.slice(0, MOST_SELECTED).join(' ');
  useEffect(() => {
    awareness?.setLocalStateField('hand', { selected: told === '' ? [] : told.split(' ') });
  }, [awareness, told]);
  useEffect(() => () => awareness?.setLocalStateField('hand', null), [awareness]);
}

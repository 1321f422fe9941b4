import { idOf, moveLink, retarget, toSlide, type LinkId, type SlideId } from '@gobrel/core';
import { useCallback } from 'react';
import type { Wire } from '../cards/wire';
import type { WireLayer } from '../cards/WireLayer';
import { useDeck } from '../deck/DeckContext';
import { useStable } from '../ui/useStable';
import { onlyLink, type MapSelection } from './selection';

/** A wire that leads to several slides is drawn once for each, under the link's own identity. */
const linkIdOf = (wire: Wire): LinkId => idOf(wire.id.split('>')[0]!);

type WireHands = Pick<
  Parameters<typeof WireLayer>[0],
  'onPick' | 'onReword' | 'onWord' | 'onMoveEnd'
>;

/** What a hand does with the wires of the map: takes one, words it, leads one of its ends elsewhere. */
export function useWireHands(hands: {
  take: (selection: MapSelection) => void;
  /** Opens a wording for typing. */
  reword: (linkId: LinkId) => void;
  /** Keeps what has been typed; null when nothing has. */
  word: (linkId: LinkId, wording: string | null) => void;
  focusMap: () => void;
}): WireHands {
  const { take, word, focusMap } = hands;
  const { deck, run } = useDeck();
  const onPick = useCallback(
    (wire: Wire) => {
      const linkId = linkIdOf(wire);
      if (!deck.links[linkId]) return;
      take(onlyLink(linkId));
      focusMap();
    },
    [deck.links, take, focusMap],
  );
  const reword = useStable((linkId: LinkId) => hands.reword(linkId));
  const onReword = useCallback(
    (wire: Wire) => deck.links[linkIdOf(wire)] && reword(linkIdOf(wire)),
    [deck.links, reword],
  );
  const onWord = useCallback(
    (wire: Wire, wording: string | null) => word(linkIdOf(wire), wording),
    [word],
  );
  const onMoveEnd = useCallback(
    (wire: Wire, end: 'from' | 'to', onto: string) => {
      const [linkId, card] = [linkIdOf(wire), idOf<SlideId>(onto)];
      if (end === 'from' && card !== wire.from) run(moveLink, linkId, card);
      else if (end === 'to' && card !== wire.to) run(retarget, linkId, toSlide(card));
      take(onlyLink(linkId));
    },
    [run, take],
  );
  return { onPick, onReword, onWord, onMoveEnd };
}

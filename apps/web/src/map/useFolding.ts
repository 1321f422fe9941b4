import { mapRegions, setSection, type Deck, type MapRegions, type SectionId } from '@gobrel/core';
import { useCallback, useMemo, useState } from 'react';
import { useSeenDeck } from '../cards/useSeenDeck';
import { useDeck } from '../deck/DeckContext';

type Folds = ReadonlyMap<SectionId, boolean>;

const foldedAs = (deck: Deck, folds: Folds): Deck => ({
  ...deck,
  sections: Object.fromEntries(
    Object.values(deck.sections).map((section) => [
      section.id,
      { ...section, isFolded: folds.get(section.id) ?? section.isFolded },
    ]),
  ),
});

/**
 * The sections of the map, and how they are folded: for everybody by whoever may write, and by whoever may only look on
 * this page alone.
 */
export function useFolding(): {
  regions: MapRegions;
  fold: (sectionId: SectionId, isFolded: boolean) => void;
} {
  const { run, isOpen } = useDeck();
  const { deck } = useSeenDeck();
  const [folds, setFolds] = useState<Folds>(new Map());
  const regions = useMemo(
    () => mapRegions(isOpen ? deck : foldedAs(deck, folds)),
    [deck, isOpen, folds],
  );
  const fold = useCallback(
    (sectionId: SectionId, isFolded: boolean) => {
      if (isOpen) run(setSection, sectionId, { isFolded });
      else setFolds((all) => new Map(all).set(sectionId, isFolded));
    },
    [run, isOpen],
  );
  return { regions, fold };
}

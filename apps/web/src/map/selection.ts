import { foldedId, type LinkId, type MapRegions, type SlideId, idOf } from '@gobrel/core';

/** What is in hand on the map: cards (of slides and of folded sections), or one wire. */
export interface MapSelection {
  cards: string[];
  linkId: LinkId | null;
}

export const NOTHING: MapSelection = { cards: [], linkId: null };
export const onlyCards = (cards: string[]): MapSelection => ({ cards, linkId: null });
export const onlyLink = (linkId: LinkId): MapSelection => ({ cards: [], linkId });

/** The slides in hand: those of a folded section all together. */
export function slidesIn(selection: MapSelection, regions: MapRegions): SlideId[] {
  return selection.cards.flatMap((card) => {
    const folded = regions.folded.find(({ section }) => foldedId(section.id) === card);
    return folded ? folded.slideIds : [idOf<SlideId>(card)];
  });
}

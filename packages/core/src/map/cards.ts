import * as Y from 'yjs';
import type { SlideId } from '../ids.js';
import { asNumber } from '../deck/decode.js';
import { slideOf, slidesMap } from '../deck/document.js';

/** A card on the map, in map units: 150 wide, its picture 16:9, its title below. */
export const CARD = { width: 150, height: 110 } as const;
/** Room that a card takes with the gap to the next one. */
export const PITCH = { x: 270, y: 150 } as const;

interface Spot {
  x: number;
  y: number;
}

function taken(doc: Y.Doc): Spot[] {
  return [...slidesMap(doc).values()].flatMap((slide) =>
    slide instanceof Y.Map
      ? [{ x: asNumber(slide.get('x'), 0), y: asNumber(slide.get('y'), 0) }]
      : [],
  );
}

const isFree = (spot: Spot, spots: Spot[]): boolean =>
  !spots.some(
    (other) =>
      Math.abs(other.x - spot.x) < CARD.width + 20 && Math.abs(other.y - spot.y) < CARD.height + 20,
  );

/** The first free spot of a column to the right of a card, looking down from the card's own height. */
export function cardSpotBeside(doc: Y.Doc, slideId: SlideId): Spot {
  const slide = slideOf(doc, slideId);
  const spots = taken(doc);
  const spot = {
    x: asNumber(slide?.get('x'), 0) + PITCH.x,
    y: asNumber(slide?.get('y'), 0),
  };
  while (!isFree(spot, spots)) spot.y += PITCH.y;
  return spot;
}

/** A free spot in the first column, for a slide that belongs to none yet. */
export function freeCardSpot(doc: Y.Doc): Spot {
  const spots = taken(doc);
  const spot = { x: 0, y: 0 };
  while (!isFree(spot, spots)) spot.y += PITCH.y;
  return spot;
}

import * as Y from 'yjs';
import type { SlideId } from '../../parts/ids.js';
import { asNumber } from '../../parts/decode.js';
import { slidesMap } from '../document.js';

/** A card on the map, in map units: 150 wide, its picture 16:9, its title below. */
export const CARD = { width: 150, height: 110 } as const;
/** Room that a card takes with the gap to the next one. */
export const PITCH = { x: 270, y: 150 } as const;

interface Spot {
  x: number;
  y: number;
}

/** Cards nearer than this, in map units, would touch. */
const NEAR = { x: CARD.width + 20, y: CARD.height + 20 } as const;

/**
 * The places on the map that are still free. Cards are kept by columns of a card's width, so finding a place looks
 * only at the cards that could be in the way, however many there are.
 */
export class FreeSpots {
  #columns = new Map<number, Spot[]>();
  #spots = new Map<SlideId, Spot>();

  constructor(doc: Y.Doc) {
    for (const [slideId, slide] of slidesMap(doc)) {
      if (!(slide instanceof Y.Map)) continue;
      this.#put(slideId, { x: asNumber(slide.get('x'), 0), y: asNumber(slide.get('y'), 0) });
    }
  }

  #put(slideId: SlideId, spot: Spot): void {
    const column = Math.floor(spot.x / NEAR.x);
    this.#columns.set(column, [...(this.#columns.get(column) ?? []), spot]);
    this.#spots.set(slideId, spot);
  }

  /** The first free spot looking down: of the column right of a slide from its own height, or of the first column. */
  find(beside: SlideId | null): Spot {
    const from = beside ? this.#spots.get(beside) : undefined;
    const spot = from ? { x: from.x + PITCH.x, y: from.y } : { x: 0, y: 0 };
    const column = Math.floor(spot.x / NEAR.x);
    const inTheWay = [column - 1, column, column + 1]
      .flatMap((at) => this.#columns.get(at) ?? [])
      .filter(({ x, y }) => Math.abs(x - spot.x) < NEAR.x && y > spot.y - NEAR.y)
      .sort((a, b) => a.y - b.y);
    // Steps of a row, as far as the card that is in the way at each.
    for (const { y } of inTheWay) while (Math.abs(y - spot.y) < NEAR.y) spot.y += PITCH.y;
    return spot;
  }

  /** The same, and the place is taken. */
  take(slideId: SlideId, beside: SlideId | null): Spot {
    const spot = this.find(beside);
    this.#put(slideId, spot);
    return spot;
  }
}

/** The first free spot of a column to the right of a card, looking down from the card's own height. */
export const cardSpotBeside = (doc: Y.Doc, slideId: SlideId): Spot =>
  new FreeSpots(doc).find(slideId);

/** A free spot in the first column, for a slide that belongs to none yet. */
export const freeCardSpot = (doc: Y.Doc): Spot => new FreeSpots(doc).find(null);

/**
 * A free place in a row of its own below all other cards, in map units. `row` are those that stand in it already, in
 * their order; it begins anew below itself when it has grown as wide as the map.
 */
export function spotInRowBelow(cards: readonly Spot[], row: readonly Spot[]): Spot {
  const left = Math.min(0, ...cards.map(({ x }) => x));
  const right = Math.max(left + PITCH.x, ...cards.map(({ x }) => x));
  const lowest = Math.max(-PITCH.y, ...cards.map(({ y }) => y), ...row.map(({ y }) => y));
  const last = row.at(-1);
  return last && last.x + PITCH.x <= right
    ? { x: last.x + PITCH.x, y: last.y }
    : { x: left, y: lowest + PITCH.y };
}

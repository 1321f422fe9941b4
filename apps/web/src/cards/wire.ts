import type { WirePath } from './wirePath';

/** A way out as it is drawn, between two cards. */
export interface Wire {
  id: string;
  from: string;
  to: string;
  wording: string;
  /** Several links of a folded section in one: it cannot be reworded or taken hold of. */
  isGathered: boolean;
  /** Its place among the wires that lead to the same card. */
  lane: number;
  /** Its place among wires between the same two cards: 0 in the middle, steps of 1 aside. */
  aside: number;
  /** Students do not get it. */
  isUnmet?: boolean;
  /** Pixels; thicker with more walks. */
  thickness?: number;
}

export interface Spot {
  x: number;
  y: number;
}
/** Where a card lies, in map units. */
export type Spots = ReadonlyMap<string, Spot>;

export interface DrawnWire {
  wire: Wire;
  path: WirePath;
}

/** The part of the map that is in sight, in map units. */
export interface Seen {
  left: number;
  top: number;
  right: number;
  bottom: number;
  /** Pixels per map unit. */
  zoom: number;
}

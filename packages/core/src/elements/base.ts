import { asBoolean, asNumber, asOneOf, asRecord, asString } from '../parts/decode.js';
import { asId, type ElementId } from '../parts/ids.js';
import { FITS, type Fit } from '../parts/fit.js';
import { ALIGNMENTS, type Alignment } from '../parts/typography.js';
import { LAYERS, SLOTS, type Box, type Layer, type Slot } from '../parts/place.js';
import {
  amount,
  asTurn,
  box,
  given,
  letters,
  readBox,
  whole,
  withheld,
  type Field,
  type Fields,
} from './fields.js';

/** How students may move a piece. */
export const TRACKS = ['free', 'across', 'down', 'line', 'area'] as const;
export type Track = (typeof TRACKS)[number];
export interface PieceRules {
  track: Track;
  /** For `line`: from the upper left to the lower right of this box, for `area`: within it; null is the whole stage. */
  range: Box | null;
  /** A line that runs from the lower left to the upper right of its range. */
  isRising: boolean;
  isRotatable: boolean;
  /** How many there are; 0 is an endless stack. */
  copies: number;
  /** Comes to rest in the zone that it is let go over. */
  snaps: boolean;
}

/** How a thing was set out: what lies or is set otherwise since has been put so by hand. */
export interface SetOut {
  box: Box;
  /** Type size in slide units; null for what has none. */
  size: number | null;
  align: Alignment | null;
  /** How a picture was laid into its box; null for what is none. */
  fit: Fit | null;
}

/** What every thing on a slide has. */
export interface ElementBase {
  id: ElementId;
  layer: Layer;
  box: Box;
  /** Degrees clockwise about the middle of the box, 0 ≤ rotation < 360. */
  rotation: number;
  /** Position among the elements of its layer: a fractional index, compared as a string. */
  order: string;
  /** What a screen reader and the list of things call it; '' when it speaks for itself. */
  name: string;
  /** Nobody moves or changes it before it is let go. */
  isLocked: boolean;
  /** 0 to 1. */
  opacity: number;
  /** The group it belongs to. */
  groupId: ElementId | null;
  slot: Slot | null;
  /** At which step it comes when the slide is shown; 0 for what is there from the beginning. */
  comes: number;
  /** How it was set out last; null for what never was. */
  setOut: SetOut | null;
  /** How students may move it; heeded on the pieces layer only. */
  piece: PieceRules;
}

/** How pieces are when nobody has said otherwise. Shared, never changed. */
export const STANDARD_PIECE: PieceRules = {
  track: 'free',
  range: null,
  isRising: false,
  isRotatable: false,
  copies: 1,
  snaps: true,
};

function readPiece(value: unknown): PieceRules {
  if (value === undefined) return STANDARD_PIECE;
  const { track, range, isRising, isRotatable, copies, snaps } = asRecord(value);
  return {
    track: asOneOf(track, TRACKS, 'free'),
    range: range ? readBox(range) : null,
    isRising: asBoolean(isRising),
    isRotatable: asBoolean(isRotatable),
    copies: Math.round(asNumber(copies, 1, 0, 40)),
    snaps: snaps !== false,
  };
}

function readSetOut(value: unknown): SetOut | null {
  if (!value) return null;
  const { box, size, align, fit } = asRecord(value);
  return {
    box: readBox(box),
    // Once written as nought.
    size: asNumber(size, 0, 0, 400) || null,
    align: ALIGNMENTS.find((one) => one === align) ?? null,
    fit: FITS.find((one) => one === fit) ?? null,
  };
}

/** Where a thing lies is always written down: it is looked at without reading the whole. */
const always = <T>(field: Field<T>): Field<T> => ({
  ...field,
  write(map, key, value) {
    if (value !== undefined) map.set(key, value);
  },
});

/** Of a slide on which things come one after the other. */
export const MOST_STEPS = 12;

export const BASE: Fields<Omit<ElementBase, 'id'>> = {
  layer: always(given((value) => asOneOf(value, LAYERS, 'content'))),
  box: always(box()),
  rotation: given(asTurn),
  order: always(given((value) => asString(value, 'a0', 200))),
  name: letters(300),
  isLocked: withheld(asBoolean, true),
  opacity: amount(1, 0, 1),
  groupId: {
    ...given((value) => asId<ElementId>(value)),
    copied: (value, copyOf) => value && copyOf(value),
  },
  slot: given((value) => SLOTS.find((slot) => slot === value) ?? null),
  comes: whole(0, 0, MOST_STEPS),
  setOut: withheld(readSetOut, null),
  piece: given(readPiece),
};

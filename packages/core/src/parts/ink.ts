import * as Y from 'yjs';
import { asBoolean, asColour, asList, asNumber, asRecord } from './decode.js';

/** One stroke of a pen: x, y and pressure (0 to 100) in turn, places in tenths of a unit of the frame. */
export interface InkStroke {
  colour: string;
  weight: number;
  /** Broad and see-through. */
  isMarker: boolean;
  points: number[];
}

const MOST_STROKES = 600;
const MOST_NUMBERS = 3 * 4000;

/** Strokes of a pen; more than a hand draws is cut off. */
export function readStrokes(value: unknown): InkStroke[] {
  const list = value instanceof Y.Array ? value.toArray() : asList(value, MOST_STROKES);
  return list.slice(0, MOST_STROKES).flatMap((entry) => {
    const { colour, weight, isMarker, points } = asRecord(entry);
    const numbers = asList(points, MOST_NUMBERS).map((number) =>
      asNumber(number, 0, -200_000, 200_000),
    );
    if (numbers.length < 3 || numbers.length % 3 !== 0) return [];
    return [
      {
        colour: asColour(colour),
        weight: asNumber(weight, 4, 0.5, 80),
        isMarker: asBoolean(isMarker),
        points: numbers,
      },
    ];
  });
}

import type { SlideElement } from '../elements/registry.js';
import type { Box } from '../parts/place.js';
import { readingOrder } from '../stage/readingOrder.js';
import { lay, leastHeight, type Cell, type Places } from './cells.js';
import type { Part } from './content.js';
import type { Measures } from './Measures.js';

const STEP = 16;
const CLEAR = 12;
/** Shares of the room that a part may be wide. */
const WIDTHS = [1, 0.72, 0.49, 0.4, 0.32, 0.24];

/**
 * Where no arrangement has room: each part in the order in which it is read, in the width in which it is
 * smallest, at the first spot that is free, never above the one before it; where they would be read in another order,
 * at the first at which they are not. Null where one finds none. Every step of a grid of 16 units is looked at.
 */
export function fitted(
  parts: readonly Part[],
  kept: readonly Box[],
  room: Box,
  measures: Measures,
): Places | null {
  const anyhow = placed(parts, kept, room, measures, () => true);
  if (!anyhow || isReadInOrder(laidIn(parts, anyhow))) return anyhow;
  const inOrder = placed(parts, kept, room, measures, isReadInOrder);
  return inOrder && isReadInOrder(laidIn(parts, inOrder)) ? inOrder : null;
}

const laidIn = (parts: readonly Part[], places: Places): Part[] =>
  parts.flatMap((part) => {
    const place = places.get(part.id);
    return place ? [{ ...part, box: place.box }] : [];
  });

/** Whether words, choices and pictures are each read in the order in which they are given. */
function isReadInOrder(laid: readonly Part[]): boolean {
  const read = readingOrder(laid);
  return KINDS.every((isOf) => {
    const own = read.filter(isOf);
    return laid.filter(isOf).every((one, at) => one === own[at]);
  });
}
const KINDS: ((one: SlideElement) => boolean)[] = [
  (one) => one.kind === 'text' && one.style !== 'choice',
  (one) => one.kind === 'text' && one.style === 'choice',
  (one) => one.kind === 'picture',
];

/** @param isGood whether a part may lie so, given what lies already */
function placed(
  parts: readonly Part[],
  kept: readonly Box[],
  room: Box,
  measures: Measures,
  isGood: (laid: readonly Part[]) => boolean,
): Places | null {
  const laid: Part[] = [];
  const places: Places = new Map();
  const taken = [...kept];
  let from = room.y;
  for (const part of parts) {
    const cell: Cell = { is: 'part', part, look: {} };
    const spot = freeSpot(cell, taken, room, from, measures, (box) =>
      isGood([...laid, { ...part, box }]),
    );
    if (!spot) return null;
    lay(cell, spot, measures, places);
    taken.push(spot);
    laid.push({ ...part, box: spot });
    from = spot.y;
  }
  return places;
}

function freeSpot(
  cell: Cell,
  taken: readonly Box[],
  room: Box,
  from: number,
  measures: Measures,
  isGood: (spot: Box) => boolean,
): Box | null {
  const sizes = WIDTHS.map((share) => {
    const w = Math.floor(room.w * share);
    return { w, h: Math.ceil(leastHeight(cell, w, measures)) };
  });
  for (const { w, h } of sizes.sort((a, b) => a.w * a.h - b.w * b.h)) {
    for (let y = from; y + h <= room.y + room.h; y += STEP) {
      for (let x = room.x; x + w <= room.x + room.w; x += STEP) {
        const spot = { x, y, w, h };
        if (!taken.some((other) => isNear(other, spot)) && isGood(spot)) return spot;
      }
    }
  }
  return null;
}

const isNear = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w + CLEAR &&
  b.x < a.x + a.w + CLEAR &&
  a.y < b.y + b.h + CLEAR &&
  b.y < a.y + a.h + CLEAR;

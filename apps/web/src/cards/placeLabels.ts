import { CARD, type Box } from '@gobrel/core';
import type { DrawnWire, Spots } from './wire';
import { LABEL } from './wireLabel';
import { pointOn } from './wirePath';

/** Shares of a wire's way at which its wording may stand, the best first. */
const SHARES = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.2, 0.8, 0.14, 0.86];
/** How far above or below its wire, in map units: it still touches it, or nearly. */
const ASIDE = [0, -12, 12, -24, 24, -38, 38, -54, 54];
/** Paper that is left between a wording and everything else. */
const AIR = 2;
/** Larger than any card or wording, so that each is looked for in few cells. */
const CELL = 180;

/** How wide a wording is drawn, from the number of its letters. */
export const labelWidth = (wording: string): number =>
  Math.min(LABEL.widest, wording.length * LABEL.size * 0.5 + 2 * LABEL.padding);

/** Boxes on a map, found by where they are: asked tens of thousands of times for a large one. */
class Taken {
  readonly #cells = new Map<number, Box[]>();

  add(box: Box): void {
    const [left, right] = [Math.floor(box.x / CELL), Math.floor((box.x + box.w) / CELL)];
    const [top, foot] = [Math.floor(box.y / CELL), Math.floor((box.y + box.h) / CELL)];
    for (let column = left; column <= right; column += 1) {
      for (let row = top; row <= foot; row += 1) {
        const key = column * ROWS + row;
        const cell = this.#cells.get(key);
        if (cell) cell.push(box);
        else this.#cells.set(key, [box]);
      }
    }
  }

  /**
   * How much of a box is covered by those that are there, in square units; what lies in two cells counts twice. It is
   * given up where there is more than `most`.
   */
  over(x: number, y: number, w: number, h: number, most: number): number {
    const right = Math.floor((x + w) / CELL);
    const foot = Math.floor((y + h) / CELL);
    let area = 0;
    for (let column = Math.floor(x / CELL); column <= right; column += 1) {
      for (let row = Math.floor(y / CELL); row <= foot; row += 1) {
        const cell = this.#cells.get(column * ROWS + row);
        if (!cell) continue;
        for (let at = 0; at < cell.length; at += 1) {
          const one = cell[at]!;
          const across = Math.min(x + w, one.x + one.w) - Math.max(x, one.x);
          const down = Math.min(y + h, one.y + one.h) - Math.max(y, one.y);
          if (across > 0 && down > 0) area += across * down;
          if (area > most) return area;
        }
      }
    }
    return area;
  }
}
/** More than any map has cells down. */
const ROWS = 1 << 20;

/**
 * Wires with their wordings where they cover neither cards nor each other, as near to the middle of their wire as there
 * is room. Short wires, which have the least choice, choose first.
 */
export function placeLabels(drawn: readonly DrawnWire[], spots: Spots): DrawnWire[] {
  const taken = new Taken();
  for (const { x, y } of spots.values()) {
    taken.add({ x: x - AIR, y: y - AIR, w: CARD.width + 2 * AIR, h: CARD.height + 2 * AIR });
  }
  const worded = drawn.filter(({ wire }) => wire.wording !== '');
  const placed = new Map<DrawnWire, { x: number; y: number }>();
  const length = ({ path: { box } }: DrawnWire): number => box.w + box.h;
  for (const one of [...worded].sort((a, b) => length(a) - length(b))) {
    const { x, y, box } = bestPlace(one, taken);
    taken.add(box);
    placed.set(one, { x, y });
  }
  return drawn.map((one) => {
    const at = placed.get(one);
    return at ? { ...one, path: { ...one.path, ...at } } : one;
  });
}

function bestPlace({ wire, path }: DrawnWire, taken: Taken): { x: number; y: number; box: Box } {
  const w = labelWidth(wire.wording) + 2 * AIR;
  const h = LABEL.height + 2 * AIR;
  const points = SHARES.map((share) => pointOn(path.curve, share));
  let [bestX, bestY, least] = [path.x, path.y, Infinity];
  for (const aside of ASIDE) {
    for (const [x, on] of points) {
      const covered = taken.over(x - w / 2, on + aside - h / 2, w, h, least);
      if (covered >= least) continue;
      [bestX, bestY, least] = [x, on + aside, covered];
      if (covered === 0) break;
    }
    if (least === 0) break;
  }
  return { x: bestX, y: bestY, box: { x: bestX - w / 2, y: bestY - h / 2, w, h } };
}

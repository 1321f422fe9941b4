import type { Box } from '@gobrel/core';

/** Larger than most things on a map, in map units, so that each is looked for in few cells. */
const CELL = 180;
/** More than any map has cells down: cells are numbered by column and row. */
export const ROWS = 1 << 20;

/** Boxes on a map, found by where they are: asked tens of thousands of times for a large one. */
export class BoxGrid {
  readonly #cells = new Map<number, Box[]>();
  readonly #reach: number;

  /** Boxes are asked for grown by at most `reach`, in map units. */
  constructor(reach = 0) {
    this.#reach = reach;
  }

  add(box: Box): void {
    const reach = this.#reach;
    const [left, right] = [cellOf(box.x - reach), cellOf(box.x + box.w + reach)];
    const [top, foot] = [cellOf(box.y - reach), cellOf(box.y + box.h + reach)];
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
    const [right, foot] = [cellOf(x + w), cellOf(y + h)];
    let area = 0;
    for (let column = cellOf(x); column <= right; column += 1) {
      for (let row = cellOf(y); row <= foot; row += 1) {
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

  /**
   * The box that a straight line runs into first, each grown by what `airOf` says (Liang–Barsky). A line along an edge
   * or past a corner runs into nothing.
   */
  firstOn(x1: number, y1: number, x2: number, y2: number, airOf: (box: Box) => number): Box | null {
    const slope = x1 === x2 ? 0 : (y2 - y1) / (x2 - x1);
    const step = x2 < x1 ? -1 : 1;
    const last = cellOf(x2);
    let first: Box | null = null;
    let nearest = Infinity;
    for (let column = cellOf(x1); step * (last - column) >= 0; column += step) {
      // The part of the line in this column of cells.
      const low = column * CELL;
      const from = step > 0 ? Math.max(x1, low) : Math.min(x1, low + CELL);
      const to = step > 0 ? Math.min(x2, low + CELL) : Math.max(x2, low);
      const a = x1 === x2 ? y1 : y1 + (from - x1) * slope;
      const b = x1 === x2 ? y2 : y1 + (to - x1) * slope;
      const foot = cellOf(Math.max(a, b));
      for (let row = cellOf(Math.min(a, b)); row <= foot; row += 1) {
        const cell = this.#cells.get(column * ROWS + row);
        if (!cell) continue;
        for (let at = 0; at < cell.length; at += 1) {
          const box = cell[at]!;
          const share = entry(x1, y1, x2, y2, box, airOf(box));
          if (share < nearest) [first, nearest] = [box, share];
        }
      }
      // What is met in this column lies before all that comes after it.
      if (first && (x1 === x2 || nearest * (x2 - x1) * step <= (to - x1) * step)) return first;
    }
    return first;
  }

  /** The boxes that, grown by `air`, a point lies in. */
  holding({ x, y }: { x: number; y: number }, air: number): Box[] {
    const cell = this.#cells.get(cellOf(x) * ROWS + cellOf(y)) ?? [];
    return cell.filter(
      (box) =>
        x > box.x - air && x < box.x + box.w + air && y > box.y - air && y < box.y + box.h + air,
    );
  }
}

export const cellOf = (at: number): number => Math.floor(at / CELL);

/** The share of its way at which a line enters a box; Infinity when it passes. */
function entry(x1: number, y1: number, x2: number, y2: number, box: Box, air: number): number {
  const [left, top] = [box.x - air, box.y - air];
  const [right, foot] = [box.x + box.w + air, box.y + box.h + air];
  const [dx, dy] = [x2 - x1, y2 - y1];
  let [enters, leaves] = [0, 1];
  if (dx === 0) {
    if (x1 <= left || x1 >= right) return Infinity;
  } else {
    enters = Math.max(enters, ((dx > 0 ? left : right) - x1) / dx);
    leaves = Math.min(leaves, ((dx > 0 ? right : left) - x1) / dx);
  }
  if (dy === 0) {
    if (y1 <= top || y1 >= foot) return Infinity;
  } else {
    enters = Math.max(enters, ((dy > 0 ? top : foot) - y1) / dy);
    leaves = Math.min(leaves, ((dy > 0 ? foot : top) - y1) / dy);
  }
  return (leaves - enters) * (Math.abs(dx) + Math.abs(dy)) > 1e-6 ? enters : Infinity;
}

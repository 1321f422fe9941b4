import { cellOf, ROWS } from './BoxGrid';
import type { DrawnWire, Wire } from './wire';
import { flattened } from './wirePath';

type Ends = Pick<Wire, 'id' | 'from' | 'to'>;
interface Held {
  wire: Ends;
  keys: Set<number>;
  /** The last question in which it was found to be crossed. */
  counted: number;
}
interface Piece {
  of: Held;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** Wires as straight pieces, found by where they run: asked tens of thousands of times how many of them a line crosses. */
export class LineGrid {
  readonly #cells = new Map<number, Piece[]>();
  readonly #held = new Map<string, Held>();
  #question = 0;

  /** Its pieces are given by their ends, x and y in turn. */
  put(wire: Ends, ends: readonly number[]): void {
    this.remove(wire.id);
    const held: Held = { wire, keys: new Set(), counted: 0 };
    this.#held.set(wire.id, held);
    for (let at = 2; at < ends.length; at += 2) {
      const [x1, y1, x2, y2] = [ends[at - 2]!, ends[at - 1]!, ends[at]!, ends[at + 1]!];
      const piece: Piece = { of: held, x1, y1, x2, y2 };
      eachCell(x1, y1, x2, y2, (key) => {
        held.keys.add(key);
        const cell = this.#cells.get(key);
        if (cell) cell.push(piece);
        else this.#cells.set(key, [piece]);
      });
    }
  }

  remove(id: string): void {
    const held = this.#held.get(id);
    if (!held) return;
    this.#held.delete(id);
    for (const key of held.keys) {
      const left = this.#cells.get(key)!.filter(({ of }) => of !== held);
      if (left.length > 0) this.#cells.set(key, left);
      else this.#cells.delete(key);
    }
  }

  /** How many wires a line of pieces crosses. Those of one card, which meet there, are not counted. */
  crossedBy(wire: Pick<Wire, 'from' | 'to'>, ends: readonly number[]): number {
    this.#question += 1;
    const question = this.#question;
    let count = 0;
    for (let at = 2; at < ends.length; at += 2) {
      const [x1, y1, x2, y2] = [ends[at - 2]!, ends[at - 1]!, ends[at]!, ends[at + 1]!];
      eachCell(x1, y1, x2, y2, (key) => {
        const cell = this.#cells.get(key);
        if (!cell) return;
        for (let index = 0; index < cell.length; index += 1) {
          const piece = cell[index]!;
          const { of } = piece;
          if (of.counted === question || !cross(x1, y1, x2, y2, piece)) continue;
          of.counted = question;
          if (!shareCard(wire, of.wire)) count += 1;
        }
      });
    }
    return count;
  }
}

/** How many pairs of wires cross. */
export function crossings(drawn: readonly DrawnWire[]): number {
  const lines = new LineGrid();
  let count = 0;
  for (const { wire, path } of drawn) {
    const ends = flattened(path.curve);
    count += lines.crossedBy(wire, ends);
    lines.put(wire, ends);
  }
  return count;
}

function eachCell(
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  take: (key: number) => void,
): void {
  const [left, right] = x1 < x2 ? [cellOf(x1), cellOf(x2)] : [cellOf(x2), cellOf(x1)];
  const [top, foot] = y1 < y2 ? [cellOf(y1), cellOf(y2)] : [cellOf(y2), cellOf(y1)];
  for (let column = left; column <= right; column += 1) {
    for (let row = top; row <= foot; row += 1) take(column * ROWS + row);
  }
}

type Cards = Pick<Wire, 'from' | 'to'>;
const shareCard = (a: Cards, b: Cards): boolean =>
  a.from === b.from || a.from === b.to || a.to === b.from || a.to === b.to;

/** Whether a straight line crosses a piece. */
function cross(ax: number, ay: number, bx: number, by: number, piece: Piece): boolean {
  const { x1: cx, y1: cy, x2: dx, y2: dy } = piece;
  // Most lie apart.
  if ((ax < cx && ax < dx && bx < cx && bx < dx) || (ax > cx && ax > dx && bx > cx && bx > dx))
    return false;
  if (side(cx, cy, ax, ay, bx, by) * side(dx, dy, ax, ay, bx, by) >= 0) return false;
  return side(ax, ay, cx, cy, dx, dy) * side(bx, by, cx, cy, dx, dy) < 0;
}

/** On which side of a line a point lies, by its sign. */
const side = (x: number, y: number, x1: number, y1: number, x2: number, y2: number): number =>
  (x2 - x1) * (y - y1) - (y2 - y1) * (x - x1);

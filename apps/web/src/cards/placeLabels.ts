import { CARD, textWidth } from '@gobrel/core';
import { BoxGrid } from './BoxGrid';
import type { DrawnWire, Spots } from './wire';
import { LABEL } from './wireLabel';
import { flattened, pointOn } from './wirePath';

/** Shares of a wire's way at which its wording may stand, the best first. */
const SHARES = [
  ...[0.5, 0.44, 0.56, 0.38, 0.62, 0.32, 0.68, 0.26, 0.74, 0.2],
  ...[0.8, 0.15, 0.85, 0.1, 0.9],
];
/** How far above or below its wire, in map units: it still touches it, and where there is no room there, further off. */
const NEAR = [0, -12, 12] as const;
const FAR = [-24, 24, -36, 36, -48, 48] as const;
/** How many wires a wording may stand on before it is moved aside by a unit. */
const AWAY = 0.04;
/** How wide a wording may be that would stand on something else, in map units: the rest of it is dots. */
const NARROWER = [112, 82, 58, 40];
/** Paper that is left between a wording and everything else. */
const AIR = 2;
/** Between the points by which a wire is known to run under a wording, in map units. */
const STEP = 10;
const CELL = 60;
/** More than any map has cells down. */
const ROWS = 1 << 20;

/** How wide a wording is drawn when there is room for it, in map units. */
export const labelWidth = (wording: string): number =>
  Math.min(LABEL.widest, textWidth(wording, 'body', LABEL.size) + 2 + 2 * LABEL.padding);

/** Points of wires, found by where they are. */
class WirePoints {
  /** x, y and the number of the wire, in turn. */
  readonly #cells = new Map<number, number[]>();

  constructor(drawn: readonly DrawnWire[]) {
    drawn.forEach(({ path: { curve } }, wire) => {
      const ends = flattened(curve);
      for (let at = 2; at < ends.length; at += 2) {
        const [x1, y1, x2, y2] = [ends[at - 2]!, ends[at - 1]!, ends[at]!, ends[at + 1]!];
        const steps = Math.ceil(Math.max(Math.abs(x2 - x1), Math.abs(y2 - y1)) / STEP);
        for (let step = 0; step < steps; step += 1) {
          this.#add(x1 + ((x2 - x1) * step) / steps, y1 + ((y2 - y1) * step) / steps, wire);
        }
      }
    });
  }

  #add(x: number, y: number, wire: number): void {
    const key = Math.floor(x / CELL) * ROWS + Math.floor(y / CELL);
    const cell = this.#cells.get(key);
    if (cell) cell.push(x, y, wire);
    else this.#cells.set(key, [x, y, wire]);
  }

  /** How many wires but one run through a box. */
  under(x: number, y: number, w: number, h: number, own: number): number {
    let count = 0;
    let last = -1;
    const [right, foot] = [Math.floor((x + w) / CELL), Math.floor((y + h) / CELL)];
    for (let column = Math.floor(x / CELL); column <= right; column += 1) {
      for (let row = Math.floor(y / CELL); row <= foot; row += 1) {
        const cell = this.#cells.get(column * ROWS + row);
        if (!cell) continue;
        for (let at = 0; at < cell.length; at += 3) {
          const wire = cell[at + 2]!;
          if (wire === own || wire === last) continue;
          const [px, py] = [cell[at]!, cell[at + 1]!];
          if (px < x || px > x + w || py < y || py > y + h) continue;
          count += 1;
          last = wire;
        }
      }
    }
    return count;
  }
}

/**
 * Wires with their wordings where they cover neither cards nor each other, and as few other wires as can be, as near to
 * the middle of their wire as there is room; where there is none, narrower, and in the end not at all. Short wires,
 * which have the least choice, choose first.
 */
export function placeLabels(drawn: readonly DrawnWire[], spots: Spots): DrawnWire[] {
  const taken = new BoxGrid();
  for (const { x, y } of spots.values()) taken.add({ x, y, w: CARD.width, h: CARD.height });
  const points = new WirePoints(drawn);
  const length = ({ path: { box } }: DrawnWire): number => box.w + box.h;
  const order = [...drawn.keys()].filter((at) => drawn[at]!.wire.wording !== '');
  order.sort((a, b) => length(drawn[a]!) - length(drawn[b]!));
  const placed = [...drawn];
  for (const at of order) {
    const one = drawn[at]!;
    const { x, y, room } = bestPlace(one, at, taken, points);
    if (room > 0) taken.add({ x: x - room / 2, y: y - LABEL.height / 2, w: room, h: LABEL.height });
    placed[at] = { ...one, path: { ...one.path, x, y, room } };
  }
  return placed;
}

function bestPlace(
  { wire, path }: DrawnWire,
  own: number,
  taken: BoxGrid,
  wires: WirePoints,
): { x: number; y: number; room: number } {
  const whole = labelWidth(wire.wording);
  const points = SHARES.map((share) => pointOn(path.curve, share));
  const h = LABEL.height + 2 * AIR;
  const rooms = [whole, ...NARROWER.filter((width) => width < whole)];
  // At its wire, cut short where it must be; only then further off.
  for (const asides of [NEAR, FAR]) {
    for (const room of rooms) {
      const w = room + 2 * AIR;
      let best: { x: number; y: number; room: number } | null = null;
      let least = Infinity;
      for (const aside of asides) {
        for (const [x, on] of points) {
          const y = on + aside;
          if (taken.over(x - w / 2, y - h / 2, w, h, 0) > 0) continue;
          const under = wires.under(x - w / 2, y - h / 2, w, h, own) + AWAY * Math.abs(aside);
          if (under >= least) continue;
          [best, least] = [{ x, y, room }, under];
          if (under === 0) return best;
        }
      }
      if (best) return best;
    }
  }
  return { x: path.x, y: path.y, room: 0 };
}

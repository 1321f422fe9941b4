import { meets, type Box } from '@gobrel/core';
import type { DrawnWire, Wire } from './wire';
import { flattened, type WirePath } from './wirePath';

/** A wire as straight pieces, for finding what it crosses. */
export interface Line {
  wire: Pick<Wire, 'from' | 'to'>;
  box: Box;
  /** The ends of its pieces, x and y in turn. */
  ends: readonly number[];
}

export const lineOf = (wire: Pick<Wire, 'from' | 'to'>, path: WirePath): Line => ({
  wire,
  box: path.box,
  ends: flattened(path.curve),
});

/** How many pairs of wires cross. Those of one card, which meet there, are not counted. */
export function crossings(drawn: readonly DrawnWire[]): number {
  const lines = drawn.map(({ wire, path }) => lineOf(wire, path));
  return lines.reduce((sum, line, at) => sum + crossed(line, lines, at + 1), 0);
}

/** How many of some wires, from one of them on, a wire crosses. */
export function crossed(line: Line, others: readonly Line[], from = 0): number {
  let count = 0;
  for (let at = from; at < others.length; at += 1) {
    const other = others[at]!;
    if (
      meets(line.box, other.box) &&
      !shareCard(line.wire, other.wire) &&
      cross(line.ends, other.ends)
    )
      count += 1;
  }
  return count;
}

const shareCard = (a: Line['wire'], b: Line['wire']): boolean =>
  a.from === b.from || a.from === b.to || a.to === b.from || a.to === b.to;

/** Whether two lines of straight pieces cross. */
function cross(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 2; i < a.length; i += 2) {
    const [ax, ay, bx, by] = [a[i - 2]!, a[i - 1]!, a[i]!, a[i + 1]!];
    for (let j = 2; j < b.length; j += 2) {
      const [cx, cy, dx, dy] = [b[j - 2]!, b[j - 1]!, b[j]!, b[j + 1]!];
      // Most pieces lie apart.
      if ((ax < cx && ax < dx && bx < cx && bx < dx) || (ax > cx && ax > dx && bx > cx && bx > dx))
        continue;
      const c = side(cx, cy, ax, ay, bx, by) * side(dx, dy, ax, ay, bx, by);
      if (c < 0 && side(ax, ay, cx, cy, dx, dy) * side(bx, by, cx, cy, dx, dy) < 0) return true;
    }
  }
  return false;
}

/** On which side of a line a point lies, by its sign. */
const side = (x: number, y: number, x1: number, y1: number, x2: number, y2: number): number =>
  (x2 - x1) * (y - y1) - (y2 - y1) * (x - x1);

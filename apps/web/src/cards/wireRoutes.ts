import { CARD, meets, type Box } from '@gobrel/core';
import { LineGrid } from './LineGrid';
import { directPath, ROUND_A_CARD, WayFinder, type Led } from './WayFinder';
import type { DrawnWire, Spot, Spots, Wire } from './wire';
import { flattened, turned, type Direction } from './wirePath';

/** Wires up to which it is weighed what each crosses. */
const MOST_WEIGHED = 200;

/** How often those that cross others are led anew once all are led, the longest first. */
const MOST_ROUNDS = 2;

/** A wire as it was led, with what it was led by. */
interface Route extends DrawnWire {
  from: Spot;
  to: Spot;
  /** Corners it goes round. */
  corners: readonly string[];
}

/** Wires led round the cards, with what is needed to lead them anew only where something has changed. */
export interface WireRoutes {
  drawn: readonly DrawnWire[];
  known: ReadonlyMap<string, Route>;
  cards: Spots;
  direction: Direction;
}

/**
 * Leads wires from card to card so that none runs under a card where there is a way round: by one curve where one
 * passes, else along a shortest way over the corners of cards (A* over a visibility graph that is looked at as needed),
 * rounded. Wires of cards that are `moving` go straight until these are put down; what `before` knows and nothing has
 * come near keeps its way.
 */
export function routeWires(
  wires: readonly Wire[],
  spots: Spots,
  direction: Direction,
  before?: WireRoutes,
  moving?: ReadonlySet<string>,
): WireRoutes {
  const isMoving = moving !== undefined && moving.size > 0;
  const kept = before?.direction === direction ? before : undefined;
  const changed = kept && !isMoving ? changesOf(kept.cards, spots) : [];
  const known = new Map<string, Route>();
  const drawn: DrawnWire[] = [];
  const open: { wire: Wire; from: Spot; to: Spot; at: number }[] = [];
  const lanes = new Map<string, number>();
  for (const wire of wires) {
    const [from, to] = [spots.get(wire.from), spots.get(wire.to)];
    if (!from || !to) continue;
    const old = kept?.known.get(wire.id);
    const isInHand = isMoving && (moving.has(wire.from) || moving.has(wire.to));
    if (isInHand) {
      drawn.push({ wire, path: directPath(wire, from, to, direction) });
      if (old) known.set(wire.id, old);
      continue;
    }
    if (old && isSame(old, wire, from, to) && !changed.some((box) => meets(box, old.path.box))) {
      const route = old.wire === wire ? old : { ...old, wire };
      known.set(wire.id, route);
      for (const corner of route.corners) lanes.set(corner, (lanes.get(corner) ?? 0) + 1);
      drawn.push(route);
      continue;
    }
    open.push({ wire, from, to, at: drawn.length });
    drawn.push({ wire, path: directPath(wire, from, to, direction) });
  }
  const cards = isMoving && kept ? kept.cards : spots;
  if (open.length > 0) {
    const lines = wires.length <= MOST_WEIGHED ? new LineGrid() : null;
    for (const { wire, path } of lines ? known.values() : [])
      lines!.put(wire, flattened(turned(path, direction).curve));
    const finder = new WayFinder(spots, direction, lanes, lines);
    // Short ones, which have the least choice, first.
    open.sort((a, b) => lengthOf(a) - lengthOf(b));
    const led = open.map(({ wire, from, to }): Led => finder.lead(wire, from, to));
    for (let round = 0; lines && round < MOST_ROUNDS; round += 1) {
      let isBetter = false;
      for (let index = open.length - 1; index >= 0; index -= 1) {
        const { wire, from, to } = open[index]!;
        const again = finder.leadAgain(wire, from, to, led[index]!);
        if (!again) continue;
        led[index] = again;
        isBetter = true;
      }
      if (!isBetter) break;
    }
    for (const [index, { wire, from, to, at }] of open.entries()) {
      const { path, corners } = led[index]!;
      drawn[at] = { wire, path };
      known.set(wire.id, { wire, path, from: { ...from }, to: { ...to }, corners });
    }
  }
  return { drawn, known, cards, direction };
}

const isSame = (old: Route, wire: Wire, from: Spot, to: Spot): boolean =>
  old.from.x === from.x &&
  old.from.y === from.y &&
  old.to.x === to.x &&
  old.to.y === to.y &&
  old.wire.lane === wire.lane &&
  old.wire.aside === wire.aside;

const lengthOf = ({ from, to }: { from: Spot; to: Spot }): number =>
  Math.abs(from.x - to.x) + Math.abs(from.y - to.y);

/** Where cards have come, gone or lain before, with the paper round them. */
function changesOf(before: Spots, now: Spots): Box[] {
  const changed: Box[] = [];
  const take = ({ x, y }: Spot): void => {
    const twice = 2 * ROUND_A_CARD;
    const [left, top] = [x - ROUND_A_CARD, y - ROUND_A_CARD];
    changed.push({ x: left, y: top, w: CARD.width + twice, h: CARD.height + twice });
  };
  for (const [id, spot] of now) {
    const old = before.get(id);
    if (old && old.x === spot.x && old.y === spot.y) continue;
    take(spot);
    if (old) take(old);
  }
  for (const [id, spot] of before) if (!now.has(id)) take(spot);
  return changed;
}

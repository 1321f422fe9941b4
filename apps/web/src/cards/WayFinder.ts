import { CARD, type Box } from '@gobrel/core';
import { BoxGrid } from './BoxGrid';
import type { LineGrid } from './LineGrid';
import { rounded } from './roundedLine';
import type { Spot, Spots, Wire } from './wire';
import {
  BOW,
  curveBack,
  curveOn,
  flattened,
  leadsBack,
  pathOf,
  turned,
  type Curve,
  type Direction,
  type WirePath,
} from './wirePath';

/** Between the card's edge and the dot where a wire arrives, in map units. */
const DOT_GAP = 4;
/** Paper between a wire and a card it runs past: as it should be, and where cards lie closer. */
const AIRS = [10, 3] as const;
/** The same for a curve, which is looked for first. */
const CURVE_AIR = 5;
/** How far a curve is bent to miss a card, in map units. */
const BOWS = [0, 36, -36, 72, -72, 116, -116];
/** How far below or above the cards a way back is tried. */
const BACKS = [110, 150, 190];
/** How many crossings each way must save against the one before it: of two nearly as good the plainer is taken. */
const PLAINNESS = 0.15;
/** Between wires that go round the same corner, and how many go side by side before the first place is used again. */
const LANE = 5;
const LANES = 4;
/** How far round a card the ways past it lie, in map units. */
export const ROUND_A_CARD = AIRS[0] + LANE * LANES;
/** Corners looked at for one wire, and cards asked from one of them, before it is given up. */
const MOST_CORNERS = 400;
const MOST_CARDS = 20;
/** How much the way that is left counts for more than the way so far: fewer corners are looked at. */
const GREED = 1.15;
/** What a corner costs beside its way, and what it costs to cross a wire, in map units. */
const CORNER = 14;
const CROSSING = 500;

interface Corner extends Spot {
  card: Box;
  /** Which of the card's corners: 1 to the right and below, -1 to the left and above. */
  sideX: 1 | -1;
  sideY: 1 | -1;
}

/** Where a wire leaves and arrives, on a map that grows to the right. */
function endsOf(from: Box, to: Box): [x1: number, y1: number, x2: number, y2: number] {
  return [from.x + from.w, from.y + from.h / 2, to.x - DOT_GAP, to.y + to.h / 2];
}

/** A card's room on a map that grows to the right: one that grows elsewhere is reckoned turned. */
function boxAt({ x, y }: Spot, direction: Direction): Box {
  const { width, height } = CARD;
  if (direction === 'down') return { x: y, y: x, w: height, h: width };
  return { x: direction === 'left' ? -x - width : x, y, w: width, h: height };
}

/** The way that minds no cards. */
export function directPath(wire: Wire, from: Spot, to: Spot, direction: Direction): WirePath {
  const [x1, y1, x2, y2] = endsOf(boxAt(from, direction), boxAt(to, direction));
  const path = leadsBack(x1, x2)
    ? pathOf(curveBack(x1, y1, x2, y2, lowest(wire, y1, y2), wire.lane), true)
    : pathOf(curveOn(x1, y1, x2, y2, wire.aside * BOW), false);
  return turned(path, direction);
}

const lowest = ({ lane }: Wire, y1: number, y2: number): number =>
  Math.max(y1, y2) + BACKS[0]! + (lane % 4) * 22;

export interface Led {
  path: WirePath;
  corners: readonly string[];
  /** How many wires it crosses, of those that were led by then. */
  crosses: number;
}
interface Way {
  curve: Curve;
  /** The same as straight pieces. */
  ends: readonly number[];
  corners: readonly string[];
  cost: number;
}

/** Single curves from card to card, the plainest first. */
function* oneCurves(
  { lane, aside }: Wire,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
): Generator<Curve> {
  if (!leadsBack(x1, x2)) {
    for (const bow of BOWS) yield curveOn(x1, y1, x2, y2, aside * BOW + bow);
    return;
  }
  const apart = (lane % 4) * 22;
  for (const far of BACKS) {
    yield curveBack(x1, y1, x2, y2, Math.max(y1, y2) + far + apart, lane);
    yield curveBack(x1, y1, x2, y2, Math.min(y1, y2) - far - apart, lane);
  }
}

/** Finds wires their ways round the cards of a map, one after another. */
export class WayFinder {
  readonly #grid = new BoxGrid(AIRS[0]);
  readonly #boxes = new Map<Spot, Box>();
  readonly #direction: Direction;
  readonly #lanes: Map<string, number>;
  /** Wires that are led already, on a map that grows to the right; null where it is not weighed what is crossed. */
  readonly #lines: LineGrid | null;
  #wire: Wire | null = null;
  #own: readonly Box[] = [];
  /** Cards that lie on its ends, under which it must begin. */
  #passed: readonly Box[] = [];

  constructor(
    spots: Spots,
    direction: Direction,
    lanes: Map<string, number>,
    lines: LineGrid | null,
  ) {
    this.#direction = direction;
    this.#lanes = lanes;
    this.#lines = lines;
    for (const spot of spots.values()) {
      const box = boxAt(spot, direction);
      this.#boxes.set(spot, box);
      this.#grid.add(box);
    }
  }

  /** Of the ways that pass all cards the one that crosses the fewest wires; of two as good the plainer. */
  lead(wire: Wire, fromSpot: Spot, toSpot: Spot): Led {
    const [from, to] = [this.#boxes.get(fromSpot)!, this.#boxes.get(toSpot)!];
    this.#own = [from, to];
    this.#wire = wire;
    this.#lines?.remove(wire.id);
    let best: (Way & { crosses: number }) | null = null;
    let fewest = Infinity;
    for (const way of this.#ways(wire, from, to)) {
      if (way.cost >= fewest) continue;
      const crosses = this.#lines?.crossedBy(wire, way.ends) ?? 0;
      if (way.cost + crosses < fewest) best = { ...way, crosses };
      fewest = Math.min(fewest, way.cost + crosses);
      if (crosses === 0) break;
    }
    if (!best) {
      return { path: directPath(wire, fromSpot, toSpot, this.#direction), corners: [], crosses: 0 };
    }
    const { curve, corners, ends, crosses } = best;
    const path = pathOf(curve, leadsBack(from.x + from.w, to.x - DOT_GAP));
    this.#keep(wire, corners, ends);
    return { path: turned(path, this.#direction), corners, crosses };
  }

  /** Another way for one that was led before others were, when it crosses fewer than its own; null when there is none. */
  leadAgain(wire: Wire, fromSpot: Spot, toSpot: Spot, old: Led): Led | null {
    const ends = flattened(turned(old.path, this.#direction).curve);
    const crosses = this.#lines?.crossedBy(wire, ends) ?? 0;
    if (crosses === 0) return null;
    this.#leave(old.corners);
    const led = this.lead(wire, fromSpot, toSpot);
    if (led.crosses < crosses) return led;
    this.#leave(led.corners);
    this.#keep(wire, old.corners, ends);
    return null;
  }

  #keep(wire: Wire, corners: readonly string[], ends: readonly number[]): void {
    for (const key of corners) this.#lanes.set(key, (this.#lanes.get(key) ?? 0) + 1);
    this.#lines?.put(wire, ends);
  }

  #leave(corners: readonly string[]): void {
    for (const key of corners) this.#lanes.set(key, (this.#lanes.get(key) ?? 1) - 1);
  }

  /** Ways that pass all cards, the plainest first, each with how many crossings it must save to be taken. */
  *#ways(wire: Wire, from: Box, to: Box): Generator<Way> {
    const [x1, y1, x2, y2] = endsOf(from, to);
    let cost = 0;
    this.#passed = [];
    for (const curve of from === to ? [] : oneCurves(wire, x1, y1, x2, y2)) {
      const ends = flattened(curve);
      if (this.#isFree(ends, CURVE_AIR)) yield { curve, ends, corners: [], cost };
      cost += PLAINNESS;
    }
    const least = AIRS.at(-1)!;
    for (const [air, minds] of [
      ...AIRS.map((one) => [one, true] as const),
      [least, false] as const,
    ]) {
      const [start, end] = [
        { x: x1 + air, y: y1 },
        { x: x2 + DOT_GAP - air, y: y2 },
      ];
      this.#passed = minds
        ? []
        : [...this.#grid.holding(start, air), ...this.#grid.holding(end, air)];
      const way = this.#shortest(start, end, air);
      if (!way) continue;
      const lane = Math.max(0, ...way.map((corner) => this.#lanes.get(keyOf(corner)) ?? 0));
      const curve = this.#along([x1, y1], [x2, y2], way, lane % LANES, air);
      yield { curve, ends: flattened(curve), corners: way.map(keyOf), cost };
      return;
    }
  }

  /** Past all cards by `air`; its own two it may touch, where it begins and ends. */
  #isFree(points: readonly number[], air: number): boolean {
    const airOf = this.#airFor(air, 0);
    for (let at = 2; at < points.length; at += 2) {
      const [x1, y1] = [points[at - 2]!, points[at - 1]!];
      if (this.#grid.firstOn(x1, y1, points[at]!, points[at + 1]!, airOf)) return false;
    }
    return true;
  }

  #airFor(air: number, own = air): (box: Box) => number {
    const [owned, passed] = [this.#own, this.#passed];
    return (box) => (passed.includes(box) ? -Infinity : owned.includes(box) ? own : air);
  }

  /** The corners that a way goes round which is short and crosses little; null when there is none. */
  #shortest(from: Spot, to: Spot, air: number): Corner[] | null {
    interface Step {
      at: Spot | Corner;
      length: number;
      whole: number;
      before: Step | null;
    }
    const left = (at: Spot): number => Math.hypot(to.x - at.x, to.y - at.y);
    const open: Step[] = [{ at: from, length: 0, whole: left(from), before: null }];
    const least = new Map<string, number>();
    for (let looked = 0; open.length > 0 && looked < MOST_CORNERS; looked += 1) {
      let best = 0;
      for (let at = 1; at < open.length; at += 1)
        if (open[at]!.whole < open[best]!.whole) best = at;
      const [step] = open.splice(best, 1) as [Step];
      if (step.at === to) {
        const corners: Corner[] = [];
        for (let one = step.before; one?.before; one = one.before) corners.push(one.at as Corner);
        return corners.reverse();
      }
      for (const next of this.#seenFrom(step.at, to, air)) {
        const { x, y } = step.at;
        const crosses = this.#lines?.crossedBy(this.#wire!, [x, y, next.x, next.y]) ?? 0;
        const length =
          step.length + Math.hypot(next.x - x, next.y - y) + CORNER + CROSSING * crosses;
        const key = `${next.x} ${next.y}`;
        if (length >= (least.get(key) ?? Infinity)) continue;
        least.set(key, length);
        open.push({ at: next, length, whole: length + GREED * left(next), before: step });
      }
    }
    return null;
  }

  /** The end when it is in sight, else corners in sight of the cards that are in the way. */
  #seenFrom(at: Spot, to: Spot, air: number): (Spot | Corner)[] {
    const airOf = this.#airFor(air);
    const asked = new Set<Box>();
    const targets: (Spot | Corner)[] = [to];
    const seen: (Spot | Corner)[] = [];
    for (let next = 0; next < targets.length; next += 1) {
      const target = targets[next]!;
      // A way that is not the shortest may cross fewer wires.
      if (!this.#lines && !isTaut(at, target)) continue;
      const card = this.#grid.firstOn(at.x, at.y, target.x, target.y, airOf);
      if (!card) {
        seen.push(target);
        if (target === to) return seen;
      } else if (!asked.has(card) && asked.size < MOST_CARDS) {
        asked.add(card);
        targets.push(...this.#cornersOf(card, air));
      }
    }
    return seen;
  }

  #cornersOf(card: Box, air: number): Corner[] {
    return SIDES.flatMap(([sideX, sideY]) => {
      const x = sideX > 0 ? card.x + card.w + air : card.x - air;
      const y = sideY > 0 ? card.y + card.h + air : card.y - air;
      return this.#grid.holding({ x, y }, air).length > 0 ? [] : [{ x, y, card, sideX, sideY }];
    });
  }

  /** The way with its corners rounded, moved out by as many lanes as there is room for. */
  #along(
    [x1, y1]: readonly [number, number],
    [x2, y2]: readonly [number, number],
    way: readonly Corner[],
    lane: number,
    air: number,
  ): Curve {
    for (let out = lane; out >= 0; out -= 1) {
      const points: Spot[] = [
        { x: x1, y: y1 },
        { x: x1 + air, y: y1 },
        ...way.map(({ x, y, sideX, sideY }) => ({
          x: x + sideX * out * LANE,
          y: y + sideY * out * LANE,
        })),
        { x: x2 + DOT_GAP - air, y: y2 },
        { x: x2, y: y2 },
      ];
      for (const depth of [0.7 * air, 0.35 * air]) {
        const curve = rounded(points, depth + out * 0.7 * LANE);
        if (this.#isFree(flattened(curve), Math.min(2, air - 1))) return curve;
      }
      if (out === 0) return rounded(points, 0);
    }
    return [];
  }
}

/**
 * Whether a shortest way can go straight from one corner to another: it lies against the cards of both, so that neither
 * is in its way when it is made longer.
 */
function isTaut(from: Spot | Corner, to: Spot | Corner): boolean {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const isPast = ({ sideX, sideY }: Corner, x: number, y: number): boolean =>
    x * sideX >= 0 || y * sideY >= 0;
  return (!('card' in to) || isPast(to, dx, dy)) && (!('card' in from) || isPast(from, -dx, -dy));
}

const SIDES = [
  [-1, -1],
  [1, -1],
  [-1, 1],
  [1, 1],
] as const;

const keyOf = ({ card, sideX, sideY }: Corner): string => `${card.x} ${card.y} ${sideX}${sideY}`;

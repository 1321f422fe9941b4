import { CARD, type Box } from '@gobrel/core';
import { BoxGrid } from './BoxGrid';
import { crossed, lineOf, type Line } from './crossings';
import type { DrawnWire, Spot, Spots, Wire } from './wire';
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
/** Wires up to which it is weighed what each crosses. */
const MOST_WEIGHED = 200;
/** How many crossings each way must save against the one before it: of two nearly as good the plainer is taken. */
const PLAINNESS = 0.15;
/** Between wires that go round the same corner, and how many go side by side before the first place is used again. */
const LANE = 5;
const LANES = 4;
/** Corners looked at for one wire, and cards asked from one of them, before it is given up. */
const MOST_CORNERS = 400;
const MOST_CARDS = 20;
/** How much the way that is left counts for more than the way so far: fewer corners are looked at. */
const GREED = 1.15;
/** What a corner costs beside its way, in map units. */
const CORNER = 14;

interface Corner extends Spot {
  card: Box;
  /** Which of the card's corners: 1 to the right and below, -1 to the left and above. */
  sideX: 1 | -1;
  sideY: 1 | -1;
}

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
    const isWeighed = wires.length <= MOST_WEIGHED;
    const lines = new Map<string, Line>();
    if (isWeighed) {
      for (const { wire, path } of known.values()) lines.set(wire.id, lineOf(wire, path));
    }
    const router = new Router(spots, direction, lanes, lines, isWeighed);
    // Short ones, which have the least choice, first.
    open.sort((a, b) => lengthOf(a) - lengthOf(b));
    for (const { wire, from, to, at } of open) {
      const { path, corners } = router.lead(wire, from, to);
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

const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

const lengthOf = ({ from, to }: { from: Spot; to: Spot }): number =>
  Math.abs(from.x - to.x) + Math.abs(from.y - to.y);

/** Where cards have come, gone or lain before, with the paper round them. */
function changesOf(before: Spots, now: Spots): Box[] {
  const changed: Box[] = [];
  const take = ({ x, y }: Spot): void => {
    const air = AIRS[0] + LANE * LANES;
    changed.push({ x: x - air, y: y - air, w: CARD.width + 2 * air, h: CARD.height + 2 * air });
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

/** Where a wire leaves and arrives, on a map that grows to the right. */
function endsOf(from: Box, to: Box): [x1: number, y1: number, x2: number, y2: number] {
  return [from.x + from.w, from.y + from.h / 2, to.x - DOT_GAP, to.y + to.h / 2];
}

/** A card's room on a map that grows to the right: one that grows downwards is reckoned turned. */
function boxAt({ x, y }: Spot, direction: Direction): Box {
  return direction === 'down'
    ? { x: y, y: x, w: CARD.height, h: CARD.width }
    : { x, y, w: CARD.width, h: CARD.height };
}

/** The way that minds no cards. */
export function directPath(wire: Wire, from: Spot, to: Spot, direction: Direction): WirePath {
  const [x1, y1, x2, y2] = endsOf(boxAt(from, direction), boxAt(to, direction));
  const path = leadsBack(x1, x2)
    ? pathOf(curveBack(x1, y1, x2, y2, lowest(wire, y1, y2), wire.lane), true)
    : pathOf(curveOn(x1, y1, x2, y2, wire.aside * BOW), false);
  return direction === 'down' ? turned(path) : path;
}

const lowest = ({ lane }: Wire, y1: number, y2: number): number =>
  Math.max(y1, y2) + BACKS[0]! + (lane % 4) * 22;

interface Led {
  path: WirePath;
  corners: readonly string[];
}
interface Way {
  curve: Curve;
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

class Router {
  readonly #grid = new BoxGrid(AIRS[0]);
  readonly #boxes = new Map<Spot, Box>();
  readonly #direction: Direction;
  readonly #lanes: Map<string, number>;
  /** Wires that are led already. */
  readonly #lines: Map<string, Line>;
  readonly #isWeighed: boolean;
  #own: readonly Box[] = [];
  /** Cards that lie on its ends, under which it must begin. */
  #passed: readonly Box[] = [];

  constructor(
    spots: Spots,
    direction: Direction,
    lanes: Map<string, number>,
    lines: Map<string, Line>,
    isWeighed: boolean,
  ) {
    this.#direction = direction;
    this.#lanes = lanes;
    this.#lines = lines;
    this.#isWeighed = isWeighed;
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
    let best: Led & { line: Line | null } = {
      path: directPath(wire, fromSpot, toSpot, this.#direction),
      corners: [],
      line: null,
    };
    let fewest = Infinity;
    this.#lines.delete(wire.id);
    const others = [...this.#lines.values()];
    for (const { curve, corners, cost } of this.#ways(wire, from, to)) {
      if (cost >= fewest) continue;
      const path = pathOf(curve, leadsBack(from.x + from.w, to.x - DOT_GAP));
      const led = this.#direction === 'down' ? turned(path) : path;
      const line = lineOf(wire, led);
      const whole = cost + (this.#isWeighed ? crossed(line, others) : 0);
      if (whole < fewest) [best, fewest] = [{ path: led, corners, line }, whole];
      if (whole === cost) break;
    }
    for (const key of best.corners) this.#lanes.set(key, (this.#lanes.get(key) ?? 0) + 1);
    if (best.line) this.#lines.set(wire.id, best.line);
    return best;
  }

  /** Ways that pass all cards, the plainest first, each with how many crossings it must save to be taken. */
  *#ways(wire: Wire, from: Box, to: Box): Generator<Way> {
    const [x1, y1, x2, y2] = endsOf(from, to);
    let cost = 0;
    this.#passed = [];
    for (const curve of from === to ? [] : oneCurves(wire, x1, y1, x2, y2)) {
      if (this.#isFree(curve, CURVE_AIR)) yield { curve, corners: [], cost };
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
      yield { curve, corners: way.map(keyOf), cost };
      return;
    }
  }

  /** Past all cards by `air`; its own two it may touch, where it begins and ends. */
  #isFree(curve: Curve, air: number): boolean {
    const points = flattened(curve);
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

  /** The corners that a shortest way from one point to another goes round; null when there is none. */
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
        const length = step.length + Math.hypot(next.x - step.at.x, next.y - step.at.y) + CORNER;
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
      if (!isTaut(at, target)) continue;
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
        if (this.#isFree(curve, Math.min(2, air - 1))) return curve;
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

/** A line through points with each corner cut by at most `depth`, so that gentle bends are wide and sharp ones narrow. */
function rounded(points: readonly Spot[], depth: number): Curve {
  const curve: number[] = [points[0]!.x, points[0]!.y];
  const line = (x: number, y: number): void => {
    const [fromX, fromY] = [curve.at(-2)!, curve.at(-1)!];
    if (Math.hypot(x - fromX, y - fromY) < 0.01) return;
    const [dx, dy] = [(x - fromX) / 3, (y - fromY) / 3];
    curve.push(fromX + dx, fromY + dy, x - dx, y - dy, x, y);
  };
  for (let at = 1; at < points.length - 1; at += 1) {
    const [before, corner, after] = [points[at - 1]!, points[at]!, points[at + 1]!];
    const [inX, inY, inLength] = unit(before, corner);
    const [outX, outY, outLength] = unit(corner, after);
    const turn = Math.hypot(outX - inX, outY - inY);
    const reach = Math.min((4 * depth) / (turn || 1), inLength / 2, outLength / 2);
    if (turn < 0.02 || reach < 0.5) {
      line(corner.x, corner.y);
      continue;
    }
    line(corner.x - inX * reach, corner.y - inY * reach);
    const end = { x: corner.x + outX * reach, y: corner.y + outY * reach };
    const [fromX, fromY] = [curve.at(-2)!, curve.at(-1)!];
    // A quadratic curve with the corner as its control, as a cubic one.
    curve.push(
      ...[fromX + (2 / 3) * (corner.x - fromX), fromY + (2 / 3) * (corner.y - fromY)],
      ...[end.x + (2 / 3) * (corner.x - end.x), end.y + (2 / 3) * (corner.y - end.y)],
      ...[end.x, end.y],
    );
  }
  const last = points.at(-1)!;
  line(last.x, last.y);
  return curve;
}

function unit(from: Spot, to: Spot): [x: number, y: number, length: number] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  return [(to.x - from.x) / (length || 1), (to.y - from.y) / (length || 1), length];
}

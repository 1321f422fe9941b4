import { CARD, meets, type Box } from '@gobrel/core';
import { labelWidth } from './placeLabels';
import type { DrawnWire, Spot, Wire } from './wire';
import { LABEL } from './wireLabel';
import { flattened } from './wirePath';

/** Numbers below a bound, the same for the same seed (a linear congruence). */
export function numbersFrom(seed: number): (most: number) => number {
  let state = seed;
  return (most) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * most);
  };
}

const WORDS = [
  'Row out',
  'Wait',
  'Call the mainland',
  'Climb the tower',
  'Look at the lamp after all',
];

/** A map of cards in columns, each with one to three ways on and here and there one back. */
export function mapOf(cards: number, seed: number): { spots: Map<string, Spot>; wires: Wire[] } {
  const below = numbersFrom(seed);
  const rows = 3 + below(3);
  const spots = new Map(
    Array.from({ length: cards }, (_, at) => [
      `c${at}`,
      { x: Math.floor(at / rows) * 330, y: (at % rows) * 170 + below(30) },
    ]),
  );
  const wires: Wire[] = [];
  const twins = new Set<string>();
  for (let at = 0; at < cards; at += 1) {
    const onwards = Array.from({ length: 1 + below(3) }, () => at + 1 + below(2 * rows));
    for (const to of below(8) === 0 ? [...onwards, below(at + 1)] : onwards) {
      if (!spots.has(`c${to}`) || to === at || twins.has(`${at} ${to}`)) continue;
      twins.add(`${at} ${to}`);
      wires.push(wireOf(`c${at}`, `c${to}`, WORDS[below(5)]!, wires.length % 4));
    }
  }
  return { spots, wires };
}

export const wireOf = (from: string, to: string, wording: string, lane = 0): Wire => ({
  id: `${from}>${to}`,
  from,
  to,
  wording,
  isGathered: false,
  lane,
  aside: 0,
});

export const cardAt = ({ x, y }: Spot): Box => ({ x, y, w: CARD.width, h: CARD.height });

const labelOf = ({ wire, path }: DrawnWire): Box => {
  const w = Math.min(path.room, labelWidth(wire.wording));
  return { x: path.x - w / 2, y: path.y - LABEL.height / 2, w, h: LABEL.height };
};

/** Points of a wire no further apart than 2 units. */
export function pointsOf({ path }: DrawnWire): Spot[] {
  const ends = flattened(path.curve);
  const points: Spot[] = [];
  for (let at = 2; at < ends.length; at += 2) {
    const [x1, y1, x2, y2] = [ends[at - 2]!, ends[at - 1]!, ends[at]!, ends[at + 1]!];
    const steps = Math.max(1, Math.ceil(Math.hypot(x2 - x1, y2 - y1) / 2));
    for (let step = 0; step < steps; step += 1) {
      points.push({ x: x1 + ((x2 - x1) * step) / steps, y: y1 + ((y2 - y1) * step) / steps });
    }
  }
  return points;
}

/** What lies on what: each a number that ought to be 0. */
export function overlaps(
  spots: ReadonlyMap<string, Spot>,
  drawn: readonly DrawnWire[],
): { labelsOnCards: number; labelsOnLabels: number; wiresUnderCards: number; unsaid: number } {
  const seen = drawn.filter(({ wire, path }) => wire.wording !== '' && path.room > 0);
  const labels = seen.map(labelOf);
  const cards = [...spots.values()].map((spot) => ({ box: cardAt(spot) }));
  const holds = ({ x, y, w, h }: Box, at: Spot): boolean =>
    at.x > x && at.x < x + w && at.y > y && at.y < y + h;
  return {
    labelsOnCards: labels.filter((label) => cards.some(({ box }) => meets(label, box))).length,
    labelsOnLabels: labels.filter((label, at) =>
      labels.slice(at + 1).some((other) => meets(label, other)),
    ).length,
    wiresUnderCards: drawn.filter((one) => {
      const near = cards.filter(({ box }) => meets(box, one.path.box));
      return near.length > 0 && pointsOf(one).some((at) => near.some(({ box }) => holds(box, at)));
    }).length,
    unsaid: drawn.filter(({ wire, path }) => wire.wording !== '' && path.room === 0).length,
  };
}

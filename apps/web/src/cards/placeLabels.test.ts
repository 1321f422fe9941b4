import { CARD, type Box } from '@gobrel/core';
import { labelWidth, placeLabels } from './placeLabels';
import type { DrawnWire, Spot } from './wire';
import { LABEL } from './wireLabel';
import { distanceTo, wirePath } from './wirePath';

interface Ways {
  spots: Map<string, Spot>;
  drawn: DrawnWire[];
}

/** A map of cards in columns, each with two or three ways on and here and there one back. */
function mapOf(cards: number, seed: number): Ways {
  let state = seed;
  const below = (most: number): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * most);
  };
  const rows = 3 + below(3);
  const spots = new Map(
    Array.from({ length: cards }, (_, at) => [
      `c${at}`,
      { x: Math.floor(at / rows) * 330, y: (at % rows) * 170 + below(30) },
    ]),
  );
  const words = [
    'Row out',
    'Wait',
    'Call the mainland',
    'Climb the tower',
    'Look at the lamp after all',
  ];
  const drawn: DrawnWire[] = [];
  for (let at = 0; at < cards; at += 1) {
    const onwards = Array.from({ length: 1 + below(3) }, () => at + 1 + below(2 * rows));
    for (const to of below(8) === 0 ? [...onwards, below(at + 1)] : onwards) {
      const [a, b] = [spots.get(`c${at}`)!, spots.get(`c${to}`)];
      if (!b || to === at) continue;
      const wire = {
        id: `${at}-${to}-${drawn.length}`,
        from: `c${at}`,
        to: `c${to}`,
        wording: words[below(5)]!,
        isGathered: false,
        lane: drawn.length % 4,
        aside: 0,
      };
      const path = wirePath(
        a.x + CARD.width,
        a.y + CARD.height / 2,
        b.x - 4,
        b.y + CARD.height / 2,
        'right',
        wire.lane,
      );
      drawn.push({ wire, path });
    }
  }
  return { spots, drawn };
}

const labelOf = ({ wire, path }: DrawnWire): Box => {
  const w = labelWidth(wire.wording);
  return { x: path.x - w / 2, y: path.y - LABEL.height / 2, w, h: LABEL.height };
};
const meet = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** How many wordings lie on a card, and how many pairs on each other. */
function overlaps({ spots, drawn }: Ways): { onCards: number; onEachOther: number } {
  const labels = drawn.map(labelOf);
  const cards = [...spots.values()].map(({ x, y }) => ({ x, y, w: CARD.width, h: CARD.height }));
  return {
    onCards: labels.filter((label) => cards.some((card) => meet(label, card))).length,
    onEachOther: labels.filter((label, at) =>
      labels.slice(at + 1).some((other) => meet(label, other)),
    ).length,
  };
}

test('on two hundred maps of ten to sixty cards hardly a wording covers a card or another', () => {
  let [before, after, all] = [0, 0, 0];
  for (let seed = 1; seed <= 200; seed += 1) {
    const map = mapOf(10 + (seed % 51), seed * 7919);
    const placed = placeLabels(map.drawn, map.spots);
    const sum = ({ onCards, onEachOther }: ReturnType<typeof overlaps>): number =>
      onCards + onEachOther;
    before += sum(overlaps(map));
    after += sum(overlaps({ ...map, drawn: placed }));
    all += placed.length;
  }
  expect(before).toBeGreaterThan(all / 10);
  expect(after).toBeLessThan(all / 100);
});

test('a wording stays at its wire, in its middle where there is room, and comes to the same place each time', () => {
  const { spots, drawn } = mapOf(40, 4711);
  const placed = placeLabels(drawn, spots);
  for (const { path } of placed) expect(distanceTo(path, path.x, path.y, 60)).toBeLessThan(36);
  expect(placeLabels(drawn, spots)).toEqual(placed);
  const [alone] = placeLabels(drawn.slice(0, 1), new Map());
  expect(alone!.path).toEqual(drawn[0]!.path);
});

test('wires without words are left as they are', () => {
  const { spots, drawn } = mapOf(10, 3);
  const mute = drawn.map((one) => ({ ...one, wire: { ...one.wire, wording: '' } }));
  expect(placeLabels(mute, spots)).toEqual(mute);
});

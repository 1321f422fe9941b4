import { CARD } from '@gobrel/core';
import * as fc from 'fast-check';
import { crossings } from './LineGrid';
import { mapOf, overlaps, wireOf } from './mapOf.testing';
import { placeLabels } from './placeLabels';
import type { DrawnWire, Spot, Wire } from './wire';
import { endOf, startOf } from './wirePath';
import { directPath } from './WayFinder';
import { routeWires } from './wireRoutes';

const straight = (wires: Wire[], spots: Map<string, Spot>): DrawnWire[] =>
  wires.map((wire) => ({
    wire,
    path: directPath(wire, spots.get(wire.from)!, spots.get(wire.to)!, 'right'),
  }));

test('on two hundred maps of ten to sixty cards no wire runs under a card and no wording lies on another or on a card', () => {
  let [all, before, mute] = [0, 0, 0];
  for (let seed = 1; seed <= 200; seed += 1) {
    const { spots, wires } = mapOf(10 + (seed % 51), seed * 7919);
    const placed = placeLabels(routeWires(wires, spots, 'right').drawn, spots);
    const nothing = { labelsOnCards: 0, labelsOnLabels: 0, wiresUnderCards: 0 };
    const { unsaid, ...met } = overlaps(spots, placed);
    expect({ seed, ...met }).toEqual({ seed, ...nothing });
    mute += unsaid;
    all += wires.length;
    if (seed % 10 === 0) before += overlaps(spots, straight(wires, spots)).wiresUnderCards;
  }
  expect(all).toBeGreaterThan(10_000);
  expect(before).toBeGreaterThan(100);
  // Where there is no room for two letters a wording is not said.
  expect(mute).toBeLessThan(all / 5_000);
});

const spot = fc.record({ x: fc.integer({ min: 0, max: 9 }), y: fc.integer({ min: 0, max: 9 }) });

test('wherever cards lie apart from each other, wires go round them, on maps that grow to the right, downwards and to the left', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(spot, { minLength: 2, maxLength: 30, selector: ({ x, y }) => `${x} ${y}` }),
      fc.array(fc.tuple(fc.nat(29), fc.nat(29)), { minLength: 1, maxLength: 12 }),
      fc.constantFrom('right', 'down', 'left'),
      (places, pairs, direction) => {
        // 24 units apart, which is what is left when cards are pushed together.
        const spots = new Map(
          places.map(({ x, y }, at) => [
            `c${at}`,
            { x: x * (CARD.width + 24), y: y * (CARD.height + 24) },
          ]),
        );
        const ends = pairs.map(([from, to]) => [from % places.length, to % places.length]);
        const wires = ends.map(([from, to], at) => wireOf(`c${from}`, `c${to}`, '', at));
        const { drawn } = routeWires(wires, spots, direction);
        expect(overlaps(spots, drawn).wiresUnderCards).toBe(0);
        for (const { wire, path } of drawn) {
          const [from, to] = [spots.get(wire.from)!, spots.get(wire.to)!];
          const [x1, y1] = startOf(path.curve);
          const [x2, y2] = endOf(path.curve);
          const { width, height } = CARD;
          const leaves = { right: from.x + width, left: from.x, down: from.y + height };
          expect([direction === 'down' ? y1 : x1, direction === 'down' ? x2 : y2]).toEqual([
            leaves[direction],
            direction === 'down' ? to.x + width / 2 : to.y + height / 2,
          ]);
        }
      },
    ),
    { numRuns: 200 },
  );
});

test('a free way is one curve; where a card stands in it the wire bends, and no further than it must', () => {
  const spots = new Map([
    ['a', { x: 0, y: 0 }],
    ['b', { x: 600, y: 0 }],
  ]);
  const wires = [wireOf('a', 'b', '')];
  const [free] = routeWires(wires, spots, 'right').drawn;
  expect(free!.path).toEqual(directPath(wires[0]!, spots.get('a')!, spots.get('b')!, 'right'));
  spots.set('between', { x: 300, y: 10 });
  const [round] = routeWires(wires, spots, 'right').drawn;
  expect(overlaps(spots, [round!]).wiresUnderCards).toBe(0);
  expect(round!.path.box.h).toBeLessThan(130);
});

test('wires round the same corner run side by side', () => {
  const spots = new Map([
    ['wall', { x: 300, y: -100 }],
    ['wall 2', { x: 300, y: 20 }],
    ['wall 3', { x: 300, y: 140 }],
    ['wall 4', { x: 300, y: 260 }],
    ...[0, 1, 2].map((at) => [`a${at}`, { x: 0, y: at * 130 }] as const),
    ...[0, 1, 2].map((at) => [`b${at}`, { x: 600, y: at * 130 }] as const),
  ]);
  const wires = [0, 1, 2].map((at) => wireOf(`a${at}`, `b${2 - at}`, ''));
  const { drawn } = routeWires(wires, spots, 'right');
  const heights = drawn.map(({ path }) => Math.round(path.box.y + path.box.h));
  expect(overlaps(spots, drawn).wiresUnderCards).toBe(0);
  expect(new Set(heights).size + new Set(drawn.map(({ path }) => path.box.y)).size).toBeGreaterThan(
    3,
  );
});

test('where a card was put down only the wires near it are led anew; while it is moved the others stay', () => {
  const { spots, wires } = mapOf(60, 4711);
  const before = routeWires(wires, spots, 'right');
  const moved = new Map(spots).set('c0', { x: -900, y: -900 });
  const during = routeWires(wires, moved, 'right', before, new Set(['c0']));
  const isOf = ({ wire }: DrawnWire): boolean => wire.from === 'c0' || wire.to === 'c0';
  const pathsOf = (drawn: readonly DrawnWire[]): unknown[] =>
    drawn.filter((one) => !isOf(one)).map(({ path }) => path);
  expect(pathsOf(during.drawn)).toEqual(pathsOf(before.drawn));
  const after = routeWires(wires, moved, 'right', during);
  expect(overlaps(moved, after.drawn).wiresUnderCards).toBe(0);
  const kept = after.drawn.filter(({ path }, at) => path === before.drawn[at]!.path);
  expect(kept.length).toBeGreaterThan(after.drawn.length / 2);
  expect(after.drawn.length).toBe(wires.length);
});

test('a wire begins under a card that lies on its own, and goes round the others', () => {
  const spots = new Map([
    ['a', { x: 0, y: 0 }],
    ['on it', { x: 80, y: 10 }],
    ['between', { x: 330, y: 10 }],
    ['b', { x: 600, y: 0 }],
  ]);
  const { drawn } = routeWires([wireOf('a', 'b', '')], spots, 'right');
  expect(endOf(drawn[0]!.path.curve)).toEqual([596, 55]);
  spots.delete('on it');
  expect(overlaps(spots, drawn).wiresUnderCards).toBe(0);
});

test('a wire has a way to a card that others hem in: the straight one', () => {
  const spots = new Map([
    ['a', { x: -600, y: 0 }],
    ['b', { x: 0, y: 0 }],
  ]);
  for (let at = 0; at < 9; at += 1) {
    const [x, y] = [(at % 3) - 1, Math.floor(at / 3) - 1];
    if (x !== 0 || y !== 0) spots.set(`round ${at}`, { x: x * 152, y: y * 112 });
  }
  const wire = wireOf('a', 'b', '');
  const [one] = routeWires([wire], spots, 'right').drawn;
  expect(endOf(one!.path.curve)).toEqual([-4, 55]);
});

test('wires are led so that few cross: those led first make room when all are there', () => {
  let [led, straightOnes] = [0, 0];
  for (let seed = 1; seed <= 12; seed += 1) {
    const { spots, wires } = mapOf(30, seed * 4241);
    led += crossings(routeWires(wires, spots, 'right').drawn);
    straightOnes += crossings(straight(wires, spots));
  }
  expect(led / straightOnes).toBeLessThan(0.8);
});

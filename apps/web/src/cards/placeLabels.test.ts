import { mapOf, overlaps, wireOf } from './mapOf.testing';
import { labelWidth, placeLabels } from './placeLabels';
import type { Spot } from './wire';
import { distanceTo } from './wirePath';
import { routeWires } from './wireRoutes';

test('a wording stays at its wire, in its middle where there is room, and comes to the same place each time', () => {
  const { spots, wires } = mapOf(40, 4711);
  const { drawn } = routeWires(wires, spots, 'right');
  const placed = placeLabels(drawn, spots);
  for (const { path } of placed) expect(distanceTo(path, path.x, path.y, 60)).toBeLessThan(49);
  expect(placeLabels(drawn, spots)).toEqual(placed);
  const [alone] = placeLabels(drawn.slice(0, 1), new Map());
  expect(alone!.path).toMatchObject({ x: drawn[0]!.path.x, y: drawn[0]!.path.y });
});

test('where two wires cross, neither wording lies on the other wire', () => {
  const spots = new Map([
    ['a', { x: 0, y: 0 }],
    ['b', { x: 500, y: 400 }],
    ['c', { x: 0, y: 400 }],
    ['d', { x: 500, y: 0 }],
  ]);
  const wires = [wireOf('a', 'b', 'Wait'), wireOf('c', 'd', 'Row out')];
  const { drawn } = routeWires(wires, spots, 'right');
  const [one, other] = placeLabels(drawn, spots);
  expect(distanceTo(drawn[1]!.path, one!.path.x, one!.path.y, 60)).toBeGreaterThan(10);
  expect(distanceTo(drawn[0]!.path, other!.path.x, other!.path.y, 60)).toBeGreaterThan(10);
});

test('a wording gives way where there is little room: it is cut short, and where there is none not said', () => {
  const near = new Map([
    ['a', { x: 0, y: 0 }],
    ['b', { x: 220, y: 0 }],
  ]);
  const wording = 'Look at the lamp after all';
  const labelled = (spots: Map<string, Spot>): ReturnType<typeof placeLabels> =>
    placeLabels(routeWires([wireOf('a', 'b', wording)], spots, 'right').drawn, spots);
  const [short] = labelled(near);
  expect(short!.path.room).toBeLessThan(labelWidth(wording));
  expect(short!.path.room).toBeGreaterThan(0);
  expect(overlaps(near, [short!]).labelsOnCards).toBe(0);
  for (let at = 0; at < 12; at += 1) {
    near.set(`over ${at}`, { x: -300 + (at % 6) * 152, y: at < 6 ? -111 : 111 });
  }
  near.set('b', { x: 160, y: 0 });
  expect(labelled(near)[0]!.path.room).toBe(0);
});

test('wires without words are left as they are', () => {
  const { spots, wires } = mapOf(10, 3);
  const { drawn } = routeWires(
    wires.map((wire) => ({ ...wire, wording: '' })),
    spots,
    'right',
  );
  expect(placeLabels(drawn, spots)).toEqual(drawn);
});

import * as fc from 'fast-check';
import { distanceTo, endOf, pointOn, svgPath, wirePath } from './wirePath';

test.each([
  ['onward', [100, 50, 300, 80], false],
  ['straight on', [100, 50, 300, 50], false],
  ['close by', [100, 50, 110, 200], false],
  ['back', [500, 50, 100, 80], true],
  ['back to the same column', [500, 50, 350, 400], true],
] as const)('a wire %s runs from its card to the other', (_, [x1, y1, x2, y2], isBack) => {
  const wire = wirePath(x1, y1, x2, y2);
  expect(wire.isBack).toBe(isBack);
  expect(wire.curve.slice(0, 2)).toEqual([x1, y1]);
  expect(wire.curve.slice(6)).toEqual([x2, y2]);
  expect(endOf(wire.curve)).toEqual([x2, y2]);
  expect(svgPath(wire.curve)).toMatch(new RegExp(`^M${x1} ${y1} C.* ${x2} ${y2}$`));
  expect(wire.x).toBeCloseTo((x1 + x2) / 2);
  if (isBack) expect(wire.y).toBeGreaterThan(Math.max(y1, y2));
  else expect(wire.y).toBeCloseTo((y1 + y2) / 2);
});

test('a map that grows to the left has the same wires, in a mirror', () => {
  const [right, left] = [wirePath(0, 10, 200, 40), wirePath(0, 10, -200, 40, 'left')];
  expect([left.x, left.y, left.isBack]).toEqual([-right.x, right.y, right.isBack]);
  expect(left.curve.filter((_, at) => at % 2)).toEqual(right.curve.filter((_, at) => at % 2));
  expect(left.box).toEqual({ ...right.box, x: -right.box.x - right.box.w });
  expect(wirePath(-500, 40, -100, 40, 'left').isBack).toBe(true);
});

test('a map that grows downwards has the same wires, turned', () => {
  const [right, down] = [wirePath(0, 10, 200, 40), wirePath(10, 0, 40, 200, 'down')];
  expect([down.x, down.y, down.isBack]).toEqual([right.y, right.x, right.isBack]);
  expect(down.curve).toEqual([10, 0, 10, 100, 40, 100, 40, 200]);
  expect(wirePath(40, 500, 40, 100, 'down').isBack).toBe(true);
});

test('wires back to the same card run in lanes of their own, twins bow apart', () => {
  const lanes = [0, 1, 2, 3].map((lane) => wirePath(500, 50, 100, 50, 'right', lane).y);
  expect(new Set(lanes).size).toBe(4);
  const twins = [-0.5, 0.5].map((aside) => wirePath(100, 50, 300, 50, 'right', 0, aside).y);
  expect(twins[1]! - twins[0]!).toBeGreaterThan(20);
});

test('a wire that leads back is dotted, unless it is so long that its dots would cost more than they tell', () => {
  expect(wirePath(900, 50, 100, 80).isDotted).toBe(true);
  expect(wirePath(9000, 50, 100, 80)).toMatchObject({ isBack: true, isDotted: false });
  expect(wirePath(100, 50, 300, 80).isDotted).toBe(false);
});

const ends = fc.tuple(
  fc.integer({ min: -3000, max: 3000 }),
  fc.integer({ min: -3000, max: 3000 }),
  fc.integer({ min: -3000, max: 3000 }),
  fc.integer({ min: -3000, max: 3000 }),
);

test('every point of a wire lies in its box and on the wire; what lies beside its box does not', () => {
  fc.assert(
    fc.property(ends, fc.integer({ min: 0, max: 100 }), ([x1, y1, x2, y2], percent) => {
      const wire = wirePath(x1, y1, x2, y2);
      const [x, y] = pointOn(wire.curve, percent / 100);
      const { box } = wire;
      expect(x >= box.x - 1e-6 && x <= box.x + box.w + 1e-6).toBe(true);
      expect(y >= box.y - 1e-6 && y <= box.y + box.h + 1e-6).toBe(true);
      expect(distanceTo(wire, x, y, 8)).toBeLessThan(6);
      expect(distanceTo(wire, box.x - 9, y, 8)).toBe(Infinity);
    }),
  );
});

test('how far a point lies beside a straight wire', () => {
  const wire = wirePath(0, 0, 300, 0);
  expect(distanceTo(wire, 150, 7, 10)).toBeCloseTo(7);
  expect(distanceTo(wire, 150, -3, 10)).toBeCloseTo(3);
});

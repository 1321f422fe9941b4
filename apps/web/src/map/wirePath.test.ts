import { wirePath } from './wirePath';

test.each([
  ['onward', [100, 50, 300, 80], false],
  ['straight on', [100, 50, 300, 50], false],
  ['close by', [100, 50, 110, 200], false],
  ['back', [500, 50, 100, 80], true],
  ['back to the same column', [500, 50, 350, 400], true],
] as const)('a wire %s runs from its card to the other', (_, [x1, y1, x2, y2], isBack) => {
  const wire = wirePath(x1, y1, x2, y2);
  expect(wire.isBack).toBe(isBack);
  expect(wire.path.startsWith(`M${x1} ${y1} `)).toBe(true);
  expect(wire.path.endsWith(` ${x2} ${y2}`)).toBe(true);
  expect(wire.x).toBe((x1 + x2) / 2);
  if (isBack) expect(wire.y).toBeGreaterThan(Math.max(y1, y2));
  else expect(wire.y).toBe((y1 + y2) / 2);
});

test('a map that grows downwards has the same wires, turned', () => {
  const [right, down] = [wirePath(0, 10, 200, 40), wirePath(10, 0, 40, 200, 'down')];
  expect([down.x, down.y, down.isBack]).toEqual([right.y, right.x, right.isBack]);
  expect(down.path.startsWith('M10 0 C10 100 ')).toBe(true);
  expect(down.path.endsWith(' 40 200')).toBe(true);
  expect(wirePath(40, 500, 40, 100, 'down').isBack).toBe(true);
});

test('wires back to the same card run in lanes of their own', () => {
  const lanes = [0, 1, 2, 3].map((lane) => wirePath(500, 50, 100, 50, 'right', lane).y);
  expect(new Set(lanes).size).toBe(4);
});

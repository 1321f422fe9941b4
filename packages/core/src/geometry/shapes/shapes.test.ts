import * as fc from 'fast-check';
import {
  isInShape,
  pullShape,
  SHAPE_GROUPS,
  shapeKind,
  shapePath,
  SHAPES,
  shapeValues,
  shapeWordsBox,
} from '../../index.js';
import { polygonsOf } from '../Pen.js';
import { shapeStrokes } from './shapes.js';

test('there are more than thirty, in every group, each with a name of its own', () => {
  expect(SHAPES.length).toBeGreaterThanOrEqual(40);
  const kinds = SHAPES.map(shapeKind);
  expect(new Set(kinds.map(({ label }) => label)).size).toBe(SHAPES.length);
  expect(new Set(kinds.map(({ group }) => group))).toEqual(new Set(SHAPE_GROUPS));
});

describe.each(SHAPES)('%s', (shape) => {
  test('draws a sound outline that keeps to its box, in any size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 900 }), fc.integer({ min: 8, max: 700 }), (w, h) => {
        expect(shapePath(shape, w, h)).toMatch(/^M[-\d. MLCZ]+Z$/);
        // Tips of bubbles lie outside on purpose.
        const reach = shapeKind(shape).group === 'speech' ? 0.3 * h : 0.02 * Math.max(w, h) + 1;
        for (const { x, y } of polygonsOf(shapeStrokes(shape, w, h)).flat()) {
          expect(x >= -reach && x <= w + reach && y >= -reach && y <= h + reach).toBe(true);
        }
      }),
      { numRuns: 20 },
    );
  });

  test('a grip pulled to where it stands changes nothing', () => {
    const size = { w: 300, h: 200 };
    const { adjust } = shapeKind(shape);
    const values = shapeValues(shape, []);
    adjust.forEach(({ grip }, index) => {
      const pulled = pullShape(shape, size, values, index, grip(size.w, size.h, values));
      pulled.forEach((value, at) => expect(value).toBeCloseTo(values[at]!, 4));
    });
  });

  test('values beyond their ends, or none, are kept within', () => {
    const { adjust } = shapeKind(shape);
    for (const given of [adjust.map(() => 1e6), adjust.map(() => -1e6), adjust.map(() => NaN)]) {
      shapeValues(shape, given).forEach((value, index) => {
        expect(value).toBeGreaterThanOrEqual(adjust[index]!.low);
        expect(value).toBeLessThanOrEqual(adjust[index]!.high);
      });
    }
  });

  test('its words stand inside its box', () => {
    const { x, y, w, h } = shapeWordsBox(shape, 300, 200);
    expect(x >= 0 && y >= 0 && x + w <= 300 && y + h <= 200).toBe(true);
  });
});

test.each([
  ['ellipse', [2, 2], false],
  ['ellipse', [150, 100], true],
  ['ring', [150, 100], false],
  ['ring', [10, 100], true],
  ['frame', [150, 100], false],
  ['triangle', [150, 20], true],
  ['triangle', [10, 20], false],
  ['diamond', [290, 10], false],
] as const)('%s at %s: inside is %s', (shape, [x, y], inside) => {
  expect(isInShape(shape, 300, 200, [], { x, y })).toBe(inside);
});

test('the tip of a bubble is pulled in both directions at once', () => {
  const [x, y] = pullShape('speech', { w: 200, h: 100 }, [], 0, { x: 300, y: -50 });
  expect([x, y]).toEqual([1.5, -0.5]);
});

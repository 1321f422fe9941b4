import * as fc from 'fast-check';
import { quantile, spreadOf } from './spread.js';

describe('the spread of numbers', () => {
  const counts = (...values: number[]): Record<string, number> =>
    Object.fromEntries(
      values.map((value) => [String(value), values.filter((other) => other === value).length]),
    );

  test('quantiles by linear interpolation, worked by hand', () => {
    const sorted = [1, 2, 3, 4];
    expect([0, 0.25, 0.5, 0.75, 1].map((share) => quantile(sorted, share))).toEqual([
      1, 1.75, 2.5, 3.25, 4,
    ]);
  });

  test('an outlier is named and still stands in a bin', () => {
    const spread = spreadOf(counts(10, 11, 11, 12, 12, 12, 13, 13, 14, 90))!;
    expect(spread.median).toBe(12);
    expect(spread.outliers).toEqual([90]);
    expect(spread.bins.reduce((sum, { count }) => sum + count, 0)).toBe(10);
    expect(spread.bins.at(-1)!.count).toBe(1);
  });

  test('of none there is nothing, of equal ones there is one bin', () => {
    expect(spreadOf({})).toBeUndefined();
    expect(spreadOf({ '7': 12 })).toMatchObject({ median: 7, bins: [{ from: 7, count: 12 }] });
  });

  test('bins begin at numbers that are read easily; few whole numbers have one each', () => {
    const bins = (...values: number[]): unknown[] =>
      spreadOf(counts(...values))!.bins.map(({ from, to, count }) => [from, to, count]);
    expect(bins(2, 3, 3, 5)).toEqual([
      [2, 3, 1],
      [3, 4, 2],
      [4, 5, 0],
      [5, 6, 1],
    ]);
    expect(bins(0.3, 0.6, 0.6, 0.9)).toEqual([
      [0.2, 0.4, 1],
      [0.4, 0.6, 0],
      [0.6, 0.8, 2],
      [0.8, 1, 1],
    ]);
    expect(bins(-7, 4, 12, 40)).toEqual([
      [-20, 0, 1],
      [0, 20, 2],
      [20, 40, 0],
      [40, 60, 1],
    ]);
    expect(bins(0, ...Array.from({ length: 40 }, () => 500), 10_000)).toHaveLength(6);
  });

  test.each([
    [0, 1e-323],
    [-1e308, 1e308],
    [0, 1e308],
    [1, 1 + Number.EPSILON],
    [1e15, 1e15 + 1],
    [-5e-324, 5e-324],
  ])('numbers that cannot be parted, as %d and %d, are told all the same', (one, other) => {
    const { bins } = spreadOf({ [String(one)]: 1, [String(other)]: 2 })!;
    expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(3);
  });

  test('bins hold every value once, side by side', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 80 }),
        fc.constantFrom(1, 0.1, 0.007),
        (values, unit) => {
          const given = values.map((value) => value * unit);
          const { bins } = spreadOf(counts(...given))!;
          expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(values.length);
          expect(bins.length).toBeLessThanOrEqual(20);
          bins.slice(1).forEach(({ from }, index) => expect(from).toBe(bins[index]!.to));
          expect(bins[0]!.from).toBeLessThanOrEqual(Math.min(...given) + 1e-9);
          expect(bins.at(-1)!.to).toBeGreaterThan(Math.max(...given) - 1e-9);
        },
      ),
    );
  });
});

import type { ValueCounts } from '../questions/values.js';

/** All values from the smallest to the largest, each as often as it was given. */
export function sortedValues(values: ValueCounts): number[] {
  return Object.entries(values)
    .map(([value, count]) => ({ value: Number(value), count }))
    .sort((a, b) => a.value - b.value)
    .flatMap(({ value, count }) => Array.from({ length: Math.max(0, count) }, () => value));
}

/** The quantile of sorted values by linear interpolation (Hyndman and Fan's type 7); NaN of none. */
export function quantile(sorted: readonly number[], share: number): number {
  if (sorted.length === 0) return Number.NaN;
  const at = (sorted.length - 1) * share;
  const below = sorted[Math.floor(at)]!;
  const above = sorted[Math.ceil(at)]!;
  return below + (above - below) * (at - Math.floor(at));
}

export interface Bin {
  from: number;
  to: number;
  count: number;
}
/** Values in short. Outliers lie further than 1.5 interquartile ranges beyond the quartiles (Tukey's fences). */
export interface Spread {
  median: number;
  lower: number;
  upper: number;
  outliers: number[];
  bins: Bin[];
}

const MOST_BINS = 20;
/** Whole numbers that lie no further apart than this have a bin each. */
const FEW_WHOLE = 10;

/**
 * Median, quartiles, outliers and a histogram. Its bins are about as wide as Freedman and Diaconis say (twice the
 * interquartile range over the cube root of the count), and begin and end at numbers that are read easily: multiples of
 * 1, 2 or 5 and a power of ten. Each holds what it begins with and not what it ends with. Undefined of none.
 */
export function spreadOf(values: ValueCounts): Spread | undefined {
  const sorted = sortedValues(values);
  if (sorted.length === 0) return undefined;
  const [lower, upper] = [quantile(sorted, 0.25), quantile(sorted, 0.75)];
  const range = upper - lower;
  const [least, most] = [sorted[0]!, sorted.at(-1)!];
  const bins = canBeParted(least, most)
    ? binsOf(sorted, binWidth(sorted, range))
    : [{ from: least, to: Math.max(most, least + 1), count: sorted.length }];
  return {
    median: quantile(sorted, 0.5),
    lower,
    upper,
    bins,
    outliers: sorted.filter((value) => value < lower - 1.5 * range || value > upper + 1.5 * range),
  };
}

/** Whether two numbers are further apart than their own digits tell, and no further than can be reckoned with. */
function canBeParted(least: number, most: number): boolean {
  const apart = most - least;
  return apart > 1e-9 * Math.max(-least, most) && apart > 1e-100 && apart < 1e300;
}

function binsOf(sorted: readonly number[], width: number): Bin[] {
  // What is a multiple but for the last digit is one.
  const first = Math.floor(sorted[0]! / width + 1e-9);
  const last = Math.floor(sorted.at(-1)! / width - first + 1e-9);
  const at = (index: number): number => Number(((first + index) * width).toPrecision(15));
  return Array.from({ length: last + 1 }, (_, index) => {
    const [from, to] = [at(index), at(index + 1)];
    const isIn = (value: number): boolean =>
      (index === 0 || value >= from) && (index === last || value < to);
    return { from, to, count: sorted.filter(isIn).length };
  });
}

/** How wide the bins of sorted values are that lie apart as `range` says in their middle half. */
function binWidth(sorted: readonly number[], range: number): number {
  const whole = sorted.at(-1)! - sorted[0]!;
  const isWhole = sorted.every(Number.isInteger);
  if (isWhole && whole <= FEW_WHOLE) return 1;
  const wanted = (2 * range) / Math.cbrt(sorted.length) || whole / Math.sqrt(sorted.length);
  // One bin more than there are widths in it: they begin at round numbers.
  let width = roundWidth(Math.max(wanted, whole / (MOST_BINS - 1), isWhole ? 1 : 0));
  while (whole / width > MOST_BINS - 1) width = roundWidth(width * 2);
  return width;
}

/** The nearest of 1, 2 and 5 times a power of ten, as ratios go. */
function roundWidth(width: number): number {
  const power = 10 ** Math.floor(Math.log10(width));
  const share = width / power;
  return (
    (share < Math.SQRT2 ? 1 : share < Math.sqrt(10) ? 2 : share < Math.sqrt(50) ? 5 : 10) * power
  );
}

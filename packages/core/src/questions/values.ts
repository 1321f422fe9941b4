/** How often each value was given, by the value as text: plain data that is counted up and down. */
export type ValueCounts = Record<string, number>;

export function countValue(values: ValueCounts, value: number, by: 1 | -1): ValueCounts {
  const key = String(value);
  const { [key]: before = 0, ...others } = values;
  const now = before + by;
  return now > 0 ? { ...others, [key]: now } : others;
}

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

/**
 * Median, quartiles, outliers and a histogram whose bins are as wide as Freedman and Diaconis say: twice the
 * interquartile range over the cube root of the count. Few or equal values make one bin each. Undefined of none.
 */
export function spreadOf(values: ValueCounts): Spread | undefined {
  const sorted = sortedValues(values);
  if (sorted.length === 0) return undefined;
  const [lower, upper] = [quantile(sorted, 0.25), quantile(sorted, 0.75)];
  const range = upper - lower;
  const [least, most] = [sorted[0]!, sorted.at(-1)!];
  const width = (2 * range) / Math.cbrt(sorted.length);
  const wanted =
    width > 0 ? Math.ceil((most - least) / width) : Math.ceil(Math.sqrt(sorted.length));
  const count = most === least ? 1 : Math.min(MOST_BINS, Math.max(1, wanted));
  const step = (most - least) / count || 1;
  const bins = Array.from({ length: count }, (_, index) => ({
    from: least + index * step,
    to: index === count - 1 ? Math.max(most, least + step) : least + (index + 1) * step,
    count: 0,
  }));
  for (const value of sorted) {
    bins[Math.min(count - 1, Math.floor((value - least) / step))]!.count += 1;
  }
  return {
    median: quantile(sorted, 0.5),
    ...{ lower, upper, bins },
    outliers: sorted.filter((value) => value < lower - 1.5 * range || value > upper + 1.5 * range),
  };
}

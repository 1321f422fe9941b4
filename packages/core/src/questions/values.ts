import { hashOf } from '../parts/hash.js';
/** How often each value was given, by the value as text: plain data that is counted up and down. */
export type ValueCounts = Record<string, number>;

/** Counts one up or down, in place; what comes to nothing is not kept. */
export function bump(counts: Record<string, number>, key: string, by: number): void {
  const now = (Object.hasOwn(counts, key) ? counts[key]! : 0) + by;
  if (now > 0) counts[key] = now;
  else Reflect.deleteProperty(counts, key);
}

/** A number that stays between two others. */
export const clamp = (value: number, low: number, high: number): number =>
  Math.min(high, Math.max(low, value));

/** What right picks earn and wrong ones cost: shares of the right and of the wrong ones, never below nothing. */
export function partialCredit(
  picked: readonly string[],
  right: ReadonlySet<string>,
  offered: number,
): number {
  const hits = picked.filter((id) => right.has(id)).length;
  const wrong = offered - right.size;
  const cost = wrong > 0 ? (picked.length - hits) / wrong : 0;
  return clamp(hits / Math.max(1, right.size) - cost, 0, 1);
}

/** Things in an order that depends on a seed alone (Fisher and Yates, with a hash for chance). */
export function shuffled<T>(things: readonly T[], seed: string): T[] {
  let state = hashOf(seed);
  const next = (below: number): number => {
    state = Math.imul(state ^ (state >>> 15), 2246822519);
    state = Math.imul(state ^ (state >>> 13), 3266489917);
    state ^= state >>> 16;
    return (state >>> 0) % below;
  };
  const all = [...things];
  for (let last = all.length - 1; last > 0; last--) {
    const other = next(last + 1);
    [all[last], all[other]] = [all[other]!, all[last]!];
  }
  return all;
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
    lower,
    upper,
    bins,
    outliers: sorted.filter((value) => value < lower - 1.5 * range || value > upper + 1.5 * range),
  };
}

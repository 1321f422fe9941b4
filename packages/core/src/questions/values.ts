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

import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** @param {number[]} values @param {number} share from 0 to 1 */
export function percentile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN;
}

/** @param {number[]} values */
export const median = (values) => percentile(values, 0.5);

/** Milliseconds that a piece of work takes. @param {() => unknown} work */
export function timed(work) {
  const from = performance.now();
  work();
  return performance.now() - from;
}

/**
 * Measures two pieces of work in pairs, the one first and then the other, in turn, until their ratios agree: what else a
 * machine does then falls on both. `make` is called for each piece of work of each round, and not measured.
 * @template T
 * @param {{ make: () => T, baseline: (made: T) => unknown, product: (made: T) => unknown, warm?: number,
 *   least?: number, most?: number }} of
 * @returns {{ ratio: number, baseline: number[], product: number[], scatter: number }} the median of the ratios, and
 *   how far the middle half of them lies apart, as a share of it
 */
export function paired({ make, baseline, product, warm = 8, least = 15, most = 80 }) {
  for (let round = 0; round < warm; round += 1) {
    baseline(make());
    product(make());
  }
  const [base, made, ratios] = /** @type {[number[], number[], number[]]} */ ([[], [], []]);
  let scatter = Infinity;
  while (ratios.length < least || (scatter > 0.15 && ratios.length < most)) {
    const isFirst = ratios.length % 2 === 0;
    const [one, other] = [make(), make()];
    const early = timed(() => (isFirst ? baseline : product)(one));
    const late = timed(() => (isFirst ? product : baseline)(other));
    base.push(isFirst ? early : late);
    made.push(isFirst ? late : early);
    ratios.push((made.at(-1) ?? Number.NaN) / (base.at(-1) ?? Number.NaN));
    scatter = (percentile(ratios, 0.75) - percentile(ratios, 0.25)) / median(ratios);
  }
  return { ratio: median(ratios), baseline: base, product: made, scatter };
}

/** @param {number[]} values milliseconds */
export function describe(values) {
  const round = (/** @type {number} */ value) => Math.round(value * 100) / 100;
  return {
    samples: values.length,
    p50: round(percentile(values, 0.5)),
    p95: round(percentile(values, 0.95)),
    p99: round(percentile(values, 0.99)),
  };
}

/**
 * Prints a ratio against its bar and keeps the whole result as JSON.
 * @param {{ name: string, bar: number, ratio: number, baseline: object, product: object, note?: string }} result
 */
export function report(result) {
  const folder = join(import.meta.dirname, 'results');
  mkdirSync(folder, { recursive: true });
  const kept = { ...result, at: new Date().toISOString(), node: process.version };
  writeFileSync(join(folder, `${result.name}.json`), `${JSON.stringify(kept, null, 2)}\n`);
  const verdict = result.ratio <= result.bar ? 'within' : 'OVER';
  process.stdout.write(
    `${result.name}: ratio ${result.ratio.toFixed(2)} (bar ${result.bar}, ${verdict})\n` +
      `  baseline ${JSON.stringify(result.baseline)}\n  product  ${JSON.stringify(result.product)}\n` +
      (result.note ? `  ${result.note}\n` : ''),
  );
}

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

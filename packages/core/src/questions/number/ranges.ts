import { asList, asRecord } from '../../parts/decode.js';
import { readNumber, type Decimal } from './readNumber.js';

/** From one number to another, both included. */
export interface Range {
  low: number;
  high: number;
}

const PARTS = /^(.+?) ?(?:±|\+\/?-) ?(.+?) ?(%?)$/u;
const SPAN = /^(.+?) ?(?:…|\.\.\.?| to ) ?(.+)$/u;

/**
 * What numbers are right, as a teacher writes it: `12` · `12 ± 0.5` · `12 ± 5 %` · `10 … 20`, several parted by
 * semicolons. A tolerance in per cent is one of the number itself. Undefined for what cannot be read; none for ''.
 */
export function readRanges(
  written: string,
  unit = '',
  decimal: Decimal = '.',
): Range[] | undefined {
  const parts = written.split(';').map((part) => part.trim());
  const ranges: Range[] = [];
  for (const part of parts.filter((text) => text !== '')) {
    const range = readRange(part, unit, decimal);
    if (!range) return undefined;
    ranges.push(range);
  }
  return ranges;
}

function readRange(text: string, unit: string, decimal: Decimal): Range | undefined {
  const read = (part: string): number | undefined => readNumber(part, unit, decimal);
  const about = PARTS.exec(text);
  if (about) {
    const [value, by] = [read(about[1]!), read(about[2]!)];
    if (value === undefined || by === undefined || by < 0) return undefined;
    const reach = about[3] ? (Math.abs(value) * by) / 100 : by;
    return { low: value - reach, high: value + reach };
  }
  const span = SPAN.exec(text);
  const [low, high] = span ? [read(span[1]!), read(span[2]!)] : [read(text), read(text)];
  return low === undefined || high === undefined || low > high ? undefined : { low, high };
}

const MOST_RANGES = 40;

/** Ranges as a document keeps them; what is none is left out. */
export const readKeptRanges = (value: unknown): Range[] =>
  asList(value, MOST_RANGES).flatMap((entry) => {
    const { low, high } = asRecord(entry);
    const isRange =
      typeof low === 'number' &&
      typeof high === 'number' &&
      Number.isFinite(low) &&
      Number.isFinite(high) &&
      low <= high;
    return isRange ? [{ low, high }] : [];
  });

/** Whether a number lies in one of the ranges, give or take what is lost in computing with binary fractions. */
export const isWithin = (ranges: readonly Range[], value: number): boolean =>
  ranges.some(({ low, high }) => {
    const slack = 1e-12 * Math.max(Math.abs(low), Math.abs(high));
    return value >= low - slack && value <= high + slack;
  });

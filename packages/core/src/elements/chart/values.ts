import type { RichNode, RichText } from '../../parts/richText.js';
import { wordsOf } from '../../parts/richText.js';
import { readingsOf, type Decimal } from '../../questions/number/readNumber.js';

/** One row of numbers that belong together; null where a cell holds none. */
export interface Series {
  name: string;
  values: (number | null)[];
}

/** What a chart shows: as many values in each series as there are labels. */
export interface ChartData {
  labels: string[];
  series: Series[];
}

/** More than these nobody can tell apart. */
export const MOST_LABELS = 40;
export const MOST_SERIES = 6;

/**
 * The values in a table: its first row names the series, its first column the labels. Numbers are read as people write
 * them, 1,5 as well as 1.5; `decimal` parts the decimals where both would do. A cell that holds none is empty. Rows and
 * columns that say nothing are left out.
 */
export function chartData(text: RichText, decimal: Decimal = '.'): ChartData {
  const table = text.content.find(({ type }) => type === 'table');
  const cells = (table?.content ?? []).map((row) => (row.content ?? []).map(wordsIn));
  const [head = [], ...rows] = cells;
  const said = rows.filter((row) => row.some((words) => words !== '')).slice(0, MOST_LABELS);
  const width = Math.max(0, ...cells.map((row) => row.length));
  const columns = Array.from({ length: Math.max(0, width - 1) }, (_, index) => index + 1);
  return {
    labels: said.map(([label = '']) => label),
    series: columns
      .map((column) => ({
        name: head[column] ?? '',
        values: said.map((row) => readCell(row[column] ?? '', decimal)),
      }))
      .filter(({ values }) => values.some((value) => value !== null))
      .slice(0, MOST_SERIES),
  };
}

const wordsIn = (cell: RichNode): string =>
  wordsOf({ type: 'doc', content: cell.content ?? [] }).replace(/\s+/g, ' ');

/**
 * A number as it is written in a cell; `decimal` parts the decimals where either sign would do. Null for none, and for
 * what is beyond all that is drawn. What is next to nothing is nothing.
 */
export function readCell(words: string, decimal: Decimal = '.'): number | null {
  const [number] = readingsOf(words, '', decimal);
  if (number === undefined || !(Math.abs(number) <= 1e12)) return null;
  return Math.abs(number) < 1e-9 ? 0 : number;
}

/** A value as it is told; at most so many digits after the sign that parts them. */
export const numberWords = (value: number, decimal: Decimal, digits = 3): string =>
  value.toLocaleString(decimal === ',' ? 'de' : 'en', { maximumFractionDigits: digits });

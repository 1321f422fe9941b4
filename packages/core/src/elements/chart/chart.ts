import type { Fill } from '../../parts/fill.js';
import { DECIMALS, type Decimal } from '../../questions/number/readNumber.js';
import type { RichText } from '../../parts/richText.js';
import type { ElementBase } from '../base.js';
import { fill, flag, numbers, oneOf, richText } from '../fields.js';
import type { ElementKindOf } from '../kind.js';
import { chartData, numberWords, type ChartData, type Series } from './values.js';

export const CHART_FORMS = ['bars', 'line', 'pie', 'points'] as const;
export type ChartForm = (typeof CHART_FORMS)[number];

/** A small table of values, drawn. */
export interface ChartElement extends ElementBase {
  kind: 'chart';
  form: ChartForm;
  /** One table node: series in its first row, labels in its first column. */
  text: RichText;
  /** Widths of the columns while the values are typed, in shares of the box. */
  columns: number[];
  /** The numbers stand at what is drawn. */
  showsValues: boolean;
  /** The sign that parts decimals in its cells, where one may be read in two ways, and in what it tells. */
  decimal: Decimal;
  /** What it is drawn on; '' is the theme's paper. */
  fill: Fill;
}

export const chart: ElementKindOf<ChartElement> = {
  kind: 'chart',
  label: 'Chart',
  labelOf: ({ form }) => FORM_WORDS[form],
  fields: {
    form: oneOf(CHART_FORMS, 'bars'),
    text: richText(),
    columns: numbers(20),
    showsValues: flag(),
    decimal: oneOf(DECIMALS, '.'),
    fill: fill(),
  },
  needs: [],
  may: { bePiece: true, carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  look: ['form', 'showsValues', 'fill', 'opacity'],
  isInTheWay: () => true,
  says: valuesInWords,
  withDecimal: (_fields, decimal) => ({ decimal }),
};

const FORM_WORDS: Record<ChartForm, string> = {
  bars: 'Bar chart',
  line: 'Line chart',
  pie: 'Pie chart',
  points: 'Points',
};
/** Values that are told one by one; of more only the ends and the extremes. */
const TOLD = 12;

/** What a chart says, for those who do not see it. */
export const chartWords = (element: ChartElement): string =>
  `${FORM_WORDS[element.form]}. ${valuesInWords(element)}`;

function valuesInWords({ form, name, text, decimal }: ChartElement): string {
  const data = chartData(text, decimal);
  const title = name ? `${name}. ` : '';
  if (data.series.length === 0) return `${title}No values yet.`;
  const told = form === 'pie' ? data.series.slice(0, 1) : data.series;
  return title + told.map((series) => seriesWords(series, data, decimal)).join(' ');
}

function seriesWords(
  { name, values }: Series,
  { labels, series }: ChartData,
  decimal: Decimal,
): string {
  const known = values.flatMap((value, index) =>
    value === null ? [] : [{ label: labels[index] || String(index + 1), value }],
  );
  const head = series.length > 1 || name ? `${name || 'Without a name'}: ` : '';
  const one = ({ label, value }: { label: string; value: number }): string =>
    `${label} ${numberWords(value, decimal)}`;
  const sorted = [...known].sort((a, b) => a.value - b.value);
  const ends = `Least ${one(sorted[0]!)}, most ${one(sorted.at(-1)!)}.`;
  if (known.length <= TOLD) {
    return `${head}${known.map(one).join(', ')}.${known.length > 2 ? ` ${ends}` : ''}`;
  }
  return `${head}${known.length} values from ${one(known[0]!)} to ${one(known.at(-1)!)}. ${ends}`;
}

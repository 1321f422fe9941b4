import { swatchesOf } from '../../themes/scenes.js';
import type { Theme } from '../../themes/theme.js';
import { Pen, svgOf } from '../../geometry/Pen.js';
import type { Decimal } from '../../questions/number/readNumber.js';
import { contrast, luminanceOf } from '../../parts/luminance.js';
import type { ChartElement, ChartForm } from './chart.js';
import { chartData, numberWords, readCell, type ChartData } from './values.js';

/** What a chart is drawn with, in slide units from the upper left of its box. */
export type ChartMark =
  | { kind: 'area'; path: string; colour: string }
  | { kind: 'stroke'; path: string; colour: string; weight: number; dashes: number[] }
  | {
      kind: 'words';
      words: string;
      x: number;
      /** The base line. */
      y: number;
      size: number;
      colour: string;
      align: 'left' | 'center' | 'right';
    };

interface Plot {
  data: ChartData;
  decimal: Decimal;
  /** Where the values are drawn. */
  left: number;
  top: number;
  right: number;
  bottom: number;
  size: number;
  palette: readonly string[];
  ink: string;
  line: string;
  marks: ChartMark[];
}

/** A letter is about as wide as this share of its size. */
const LETTER = 0.54;
const widthOf = (words: string, size: number): number => words.length * size * LETTER;

function cut(words: string, room: number, size: number): string {
  const most = Math.floor(room / (size * LETTER));
  return words.length <= most ? words : most < 2 ? '' : `${words.slice(0, most - 1)}…`;
}

/** Series are told apart by colour, and by dashes and the form of their points as well. */
const DASHES = [[], [10, 6], [2, 6], [14, 5, 3, 5], [5, 5], [18, 6]];

/** Everything that a chart is drawn with, from back to front; only a sentence while there are no values. */
export function chartMarks(element: ChartElement, theme: Theme): ChartMark[] {
  const { box, form, text, showsValues, decimal } = element;
  const data = chartData(text, decimal);
  const { ink, line } = theme.colours;
  const size = Math.min(28, Math.max(11, Math.min(box.w / 22, box.h / 14)));
  const marks: ChartMark[] = [];
  const margin = size * 0.9;
  const plot: Plot = {
    data,
    decimal,
    left: margin,
    top: margin,
    right: box.w - margin,
    bottom: box.h - margin,
    size,
    palette: paletteOf(theme),
    ink,
    line,
    marks,
  };
  if (data.series.length === 0) {
    write(plot, 'No values yet', box.w / 2, box.h / 2 + size / 3, 'center');
  } else if (form === 'pie') drawPie(plot);
  else {
    if (data.series.length > 1) legend(plot, form);
    drawValues(plot, form, showsValues);
  }
  return marks;
}

/** The theme's colours that stand out from its paper, its ink last. */
function paletteOf(theme: Theme): string[] {
  const { paper } = theme.colours;
  // WCAG 1.4.11 for what is no text.
  const seen = swatchesOf(theme).filter(
    (one) => contrast(luminanceOf(one), luminanceOf(paper)) >= 3,
  );
  const [first, ...rest] = seen;
  return [...rest, first ?? '#1E2B32'];
}

function write(
  { marks, ink, size }: Plot,
  words: string,
  x: number,
  y: number,
  align: 'left' | 'center' | 'right',
  scale = 1,
): void {
  if (words === '') return;
  marks.push({ kind: 'words', words, x, y, size: size * scale, colour: ink, align });
}

const rectangle = (x: number, y: number, w: number, h: number): string =>
  svgOf(new Pen().polygon([x, y], [x + w, y], [x + w, y + h], [x, y + h]).strokes);

/** The names of the series in a line above, or in as many as they need. */
function legend(plot: Plot, form: ChartForm): void {
  const { data, size, palette, left, right, marks } = plot;
  let [x, y] = [left, plot.top];
  data.series.forEach(({ name }, index) => {
    const words = cut(name || `Series ${index + 1}`, (right - left) * 0.6, size);
    const width = size * 1.4 + widthOf(words, size) + size;
    if (x > left && x + width > right) [x, y] = [left, y + size * 1.4];
    marks.push({
      kind: 'area',
      // Bars have no form of their own to be known by.
      path: pointPath(form === 'bars' ? 1 : index, x + size * 0.5, y + size * 0.5, size * 0.42),
      colour: palette[index % palette.length]!,
    });
    write(plot, words, x + size * 1.3, y + size * 0.85, 'left');
    x += width;
  });
  plot.top = y + size * 1.9;
}

/** Points of series have forms of their own. */
function pointPath(index: number, x: number, y: number, r: number): string {
  const pen = new Pen();
  switch (index % 4) {
    case 0:
      return svgOf(pen.ellipse(x, y, r, r).strokes);
    case 1:
      return rectangle(x - r * 0.9, y - r * 0.9, r * 1.8, r * 1.8);
    case 2:
      return svgOf(
        pen.polygon([x, y - r * 1.15], [x + r * 1.1, y + r], [x - r * 1.1, y + r]).strokes,
      );
    default:
      return svgOf(
        pen.polygon([x, y - r * 1.2], [x + r * 1.2, y], [x, y + r * 1.2], [x - r * 1.2, y]).strokes,
      );
  }
}

/** About as many steps of 1, 2 or 5 times a power of ten as are wanted, around all values. */
export function niceTicks(least: number, most: number, wanted = 5): number[] {
  // Of values that are as good as equal the scale has some room all the same.
  const span = most - least > 1e-9 ? most - least : Math.abs(most) || 1;
  const rough = span / wanted;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 5, 10].find((times) => times * power >= rough * 0.999) ?? 10) * power;
  const [from, to] = [Math.floor(least / step + 1e-9), Math.ceil(most / step - 1e-9)];
  return Array.from({ length: Math.max(1, to - from) + 1 }, (_, index) =>
    Number(((from + index) * step).toPrecision(12)),
  );
}

/** Values from a base line, with as much of the scale as they need. */
function rangeOf(values: readonly number[], isFromNought: boolean): number[] {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  // Without nought small differences look large: it is left out only where it lies far off.
  const isNear = isFromNought || (least >= 0 ? least <= most - least : -most <= most - least);
  return isNear ? niceTicks(Math.min(0, least), Math.max(0, most)) : niceTicks(least, most);
}

const short = (value: number, { decimal }: Plot): string =>
  numberWords(value, decimal, Math.abs(value) < 1 ? 3 : 2);

function drawValues(plot: Plot, form: 'bars' | 'line' | 'points', showsValues: boolean): void {
  const { data, size, marks, line, ink } = plot;
  const known = data.series.flatMap(({ values }) => values.filter((value) => value !== null));
  const ticks = rangeOf(known, form === 'bars');
  const [low, high] = [ticks[0]!, ticks.at(-1)!];
  plot.left +=
    Math.max(...ticks.map((tick) => widthOf(short(tick, plot), size * 0.85))) + size * 0.4;
  plot.bottom -= size * 1.5;
  const { left, right, top, bottom } = plot;
  const up = (value: number): number => bottom - ((value - low) / (high - low)) * (bottom - top);
  for (const tick of ticks) {
    const y = up(tick);
    const path = svgOf(new Pen().move(left, y).line(right, y).strokes);
    const isBase = tick === 0;
    marks.push({
      kind: 'stroke',
      path,
      colour: isBase ? ink : line,
      weight: isBase ? 2 : 1,
      dashes: [],
    });
    write(plot, short(tick, plot), left - size * 0.35, y + size * 0.3, 'right', 0.85);
  }
  const xs = form === 'points' ? numericLabels(plot) : null;
  const across = xs ? scaleAcross(plot, xs) : bands(plot);
  if (form === 'bars') drawBars(plot, up, showsValues);
  else drawSeries(plot, form, across, up, showsValues);
}

/** Labels that are all numbers, as places on a scale; null otherwise. */
function numericLabels({ data: { labels }, decimal }: Plot): number[] | null {
  const numbers = labels.flatMap((label) => readCell(label, decimal) ?? []);
  return numbers.length === labels.length && new Set(numbers).size > 1 ? numbers : null;
}

function scaleAcross(plot: Plot, xs: readonly number[]): (index: number) => number {
  const { left, right, bottom, size } = plot;
  const ticks = rangeOf(xs, false);
  const [low, high] = [ticks[0]!, ticks.at(-1)!];
  const room = right - left - size;
  const at = (value: number): number => left + size / 2 + ((value - low) / (high - low)) * room;
  for (const tick of ticks)
    write(plot, short(tick, plot), at(tick), bottom + size * 1.15, 'center', 0.85);
  return (index) => at(xs[index]!);
}

/** Labels side by side; where they have no room every second, third … one is written. */
function bands(plot: Plot): (index: number) => number {
  const { data, left, right, bottom, size } = plot;
  const width = (right - left) / data.labels.length;
  const at = (index: number): number => left + (index + 0.5) * width;
  const longest = Math.min(10, Math.max(1, ...data.labels.map((label) => label.length)));
  const every = Math.max(1, Math.ceil((longest * size * 0.9 * LETTER) / width));
  data.labels.forEach((label, index) => {
    if (index % every > 0) return;
    write(
      plot,
      cut(label, width * every, size * 0.9),
      at(index),
      bottom + size * 1.2,
      'center',
      0.9,
    );
  });
  return at;
}

function drawBars(plot: Plot, up: (value: number) => number, showsValues: boolean): void {
  const { data, left, right, palette, marks, size } = plot;
  const band = (right - left) / data.labels.length;
  const width = (band * 0.72) / data.series.length;
  data.series.forEach(({ values }, at) => {
    values.forEach((value, index) => {
      if (value === null) return;
      const x = left + band * (index + 0.14) + at * width;
      const [from, to] = [up(Math.max(0, value)), up(Math.min(0, value))];
      marks.push({
        kind: 'area',
        path: rectangle(x + width * 0.04, from, width * 0.92, Math.max(1, to - from)),
        colour: palette[at % palette.length]!,
      });
      if (showsValues) {
        const y = value < 0 ? to + size * 0.95 : from - size * 0.3;
        write(plot, short(value, plot), x + width / 2, y, 'center', 0.8);
      }
    });
  });
}

function drawSeries(
  plot: Plot,
  form: 'line' | 'points',
  across: (index: number) => number,
  up: (value: number) => number,
  showsValues: boolean,
): void {
  const { data, palette, marks, size } = plot;
  data.series.forEach(({ values }, at) => {
    const colour = palette[at % palette.length]!;
    const pen = new Pen();
    let isDown = false;
    values.forEach((value, index) => {
      // A gap in the values is a gap in the line.
      if (value !== null) {
        if (isDown) pen.line(across(index), up(value));
        else pen.move(across(index), up(value));
      }
      isDown = value !== null;
    });
    if (form === 'line') {
      const dashes = DASHES[at % DASHES.length]!;
      marks.push({ kind: 'stroke', path: svgOf(pen.strokes), colour, weight: size * 0.16, dashes });
    }
    values.forEach((value, index) => {
      if (value === null) return;
      const [x, y] = [across(index), up(value)];
      marks.push({ kind: 'area', path: pointPath(at, x, y, size * 0.34), colour });
      if (showsValues) write(plot, short(value, plot), x, y - size * 0.55, 'center', 0.8);
    });
  });
}

/** The first series as shares of a whole, with what each is and how much beside it. */
function drawPie(plot: Plot): void {
  const { data, left, top, right, bottom, size, palette, marks } = plot;
  const values = data.series[0]!.values.map((value) => Math.max(0, value ?? 0));
  const whole = values.reduce((sum, value) => sum + value, 0);
  if (whole === 0) {
    write(plot, 'No shares of more than nought', (left + right) / 2, (top + bottom) / 2, 'center');
    return;
  }
  const r = Math.min((bottom - top) / 2, (right - left) * 0.25);
  const [x, y] = [left + r, (top + bottom) / 2];
  const lines = Math.max(1, Math.floor((bottom - top) / (size * 1.45)));
  const shown = values.flatMap((value, index) => (value > 0 ? [index] : []));
  const first = y - ((Math.min(lines, shown.length) - 1) * size * 1.45) / 2;
  let angle = -90;
  shown.forEach((index, place) => {
    const share = values[index]! / whole;
    const colour = palette[place % palette.length]!;
    marks.push({ kind: 'area', path: wedge(x, y, r, angle, share * 360), colour });
    angle += share * 360;
    if (place >= lines) return;
    const down = first + place * size * 1.45;
    const beside = x + r + size * 1.2;
    const much = ` ${Math.round(share * 100)} %`;
    const room = right - beside - size * 1.3 - widthOf(much, size);
    marks.push({
      kind: 'area',
      path: rectangle(beside, down - size * 0.4, size * 0.8, size * 0.8),
      colour,
    });
    const words = cut(data.labels[index] || String(index + 1), room, size) + much;
    write(plot, words.trim(), beside + size * 1.2, down + size * 0.33, 'left');
  });
}

/** A piece of a pie, with a gap as wide as a hair at its sides; a whole one is a disc. */
function wedge(x: number, y: number, r: number, from: number, sweep: number): string {
  if (sweep > 359.9) return svgOf(new Pen().ellipse(x, y, r, r).strokes);
  const gap = Math.min(0.6, sweep / 4);
  const pen = new Pen().move(x, y).arc(x, y, r, r, from + gap, from + sweep - gap);
  return svgOf(pen.close().strokes);
}

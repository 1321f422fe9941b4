import * as fc from 'fast-check';
import {
  addElement,
  CHART_FORMS,
  chartData,
  chartMarks,
  chartWords,
  fillCells,
  niceTicks,
  plain,
  readDeck,
  setLanguage,
  tableText,
  type ChartElement,
  type ChartForm,
  PAPER,
  themeNamed,
  THEMES,
} from '../../index.js';
import { deck, slide } from '../../testing/builder.js';

const CELLS = [
  ['', 'Gulls', 'Petrels'],
  ['Monday', '12', '7,5'],
  ['Tuesday', '9', '1 000'],
  ['Wednesday', '', '-3'],
];

function chartOf(cells: string[][], form: ChartForm = 'bars', more: object = {}): ChartElement {
  const doc = deck(slide('s'));
  addElement(doc, 's', {
    kind: 'chart',
    layer: 'content',
    box: { x: 0, y: 0, w: 520, h: 340 },
    id: 'c',
    text: tableText(cells),
    form,
    ...more,
  });
  return readDeck(doc).slides.s!.elements.find((one) => one.kind === 'chart')!;
}

test('values are read out of cells as people write them', () => {
  expect(chartData(tableText(CELLS))).toEqual({
    labels: ['Monday', 'Tuesday', 'Wednesday'],
    series: [
      { name: 'Gulls', values: [12, 9, null] },
      { name: 'Petrels', values: [7.5, 1000, -3] },
    ],
  });
});

test('rows and columns that say nothing are left out; what is no table has no values', () => {
  const gaps = [
    ['', 'a', ''],
    ['', '', ''],
    ['x', '1', 'many'],
  ];
  expect(chartData(tableText(gaps))).toEqual({
    labels: ['x'],
    series: [{ name: 'a', values: [1] }],
  });
  expect(chartData(plain('Gulls 12'))).toEqual({ labels: [], series: [] });
});

test('it says itself what it shows', () => {
  expect(chartWords(chartOf(CELLS, 'line', { name: 'Birds at the pier' }))).toBe(
    'Line chart. Birds at the pier. Gulls: Monday 12, Tuesday 9. ' +
      'Petrels: Monday 7.5, Tuesday 1,000, Wednesday -3. Least Wednesday -3, most Tuesday 1,000.',
  );
  expect(chartWords(chartOf([['', '']]))).toBe('Bar chart. No values yet.');
  const many = [['', 'h'], ...Array.from({ length: 30 }, (_, at) => [`d${at}`, String(at)])];
  expect(chartWords(chartOf(many))).toBe(
    'Bar chart. h: 30 values from d0 0 to d29 29. Least d0 0, most d29 29.',
  );
});

test('marks of a scale are 1, 2 or 5 times a power of ten, hold all values, and are few', () => {
  const value = fc.double({ min: -1e9, max: 1e9, noNaN: true });
  fc.assert(
    fc.property(value, value, (a, b) => {
      const [least, most] = [Math.min(a, b), Math.max(a, b)];
      fc.pre(most - least > Math.max(1e-6, Math.abs(most) * 1e-6));
      const ticks = niceTicks(least, most);
      const step = ticks[1]! - ticks[0]!;
      expect(ticks[0]! - step * 1e-6).toBeLessThanOrEqual(least);
      expect(ticks.at(-1)! + step * 1e-6).toBeGreaterThanOrEqual(most);
      expect(ticks.length).toBeLessThanOrEqual(8);
      const lead = step / 10 ** Math.floor(Math.log10(step) + 1e-9);
      expect([1, 2, 5, 10].some((one) => Math.abs(one - lead) < 0.01)).toBe(true);
    }),
  );
});

test('bars are as high as their values say', () => {
  const marks = chartMarks(
    chartOf([
      ['', 'n'],
      ['a', '2'],
      ['b', '4'],
    ]),
    PAPER,
  );
  const heights = marks.flatMap((mark) => {
    if (mark.kind !== 'area') return [];
    const ys = [...mark.path.matchAll(/[ML]\s*-?[\d.]+[ ,](-?[\d.]+)/g)].map(([, y]) => Number(y));
    return [Math.max(...ys) - Math.min(...ys)];
  });
  expect(heights).toHaveLength(2);
  expect(heights[1]! / heights[0]!).toBeCloseTo(2, 1);
});

test('whatever is in the cells, it is drawn within its box and with finite numbers', () => {
  const cell = fc.oneof(
    fc.double({ noNaN: true }).map(String),
    fc.integer({ min: -1000, max: 1000 }).map(String),
    fc.string({ maxLength: 12 }),
    fc.constant(''),
  );
  const cells = fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), {
    minLength: 1,
    maxLength: 9,
  });
  fc.assert(
    fc.property(
      cells,
      fc.constantFrom(...CHART_FORMS),
      fc.constantFrom(...THEMES),
      (rows, form, theme) => {
        const element = { ...chartOf([['']], form, { showsValues: true }), text: tableText(rows) };
        for (const mark of chartMarks(element, themeNamed(theme))) {
          if (mark.kind === 'words') {
            expect(mark.x).toBeGreaterThanOrEqual(-1);
            expect(mark.x).toBeLessThanOrEqual(521);
          } else expect(mark.path).not.toMatch(/NaN|Infinity/);
        }
      },
    ),
    { numRuns: 150 },
  );
});

test.each([
  [0.12345, '0.123'],
  [1.2345, '1.23'],
  [-1.2345, '-1.23'],
  [1234.5, '1,234.5'],
])('the value %d is written as %s above its bar', (value, written) => {
  const chart = chartOf(
    [
      ['', 'n'],
      ['a', String(value)],
    ],
    'bars',
    { showsValues: true },
  );
  const words = chartMarks(chart, PAPER).flatMap((mark) =>
    mark.kind === 'words' ? [mark.words] : [],
  );
  expect(words).toContain(written);
});

test('cells pasted into it become its values and leave its box as it is', () => {
  const doc = deck(slide('s'));
  const box = { x: 0, y: 0, w: 500, h: 300 };
  addElement(doc, 's', {
    kind: 'chart',
    layer: 'content',
    id: 'c',
    box,
    text: tableText([
      ['', 'n'],
      ['a', '1'],
    ]),
    columns: [1, 1],
  });
  expect(fillCells(doc, 's', 'c', CELLS).ok).toBe(true);
  const chart = readDeck(doc).slides.s!.elements.find((one) => one.kind === 'chart')!;
  expect(chartData(chart.text).series.map(({ name }) => name)).toEqual(['Gulls', 'Petrels']);
  expect([chart.box, chart.columns]).toEqual([box, [1, 1, 1]]);
});

describe('in a deck whose language parts decimals by a comma', () => {
  const CELLS_OF_ONE = [
    ['', 'Metres'],
    ['low', '1.250'],
    ['high', '3,5'],
  ];
  const inGerman = (): { doc: ReturnType<typeof deck>; chart: () => ChartElement } => {
    const doc = deck(slide('s'));
    setLanguage(doc, 'de');
    addElement(doc, 's', {
      kind: 'chart',
      layer: 'content',
      box: { x: 0, y: 0, w: 520, h: 340 },
      text: tableText(CELLS_OF_ONE),
      showsValues: true,
    });
    return {
      doc,
      chart: () => readDeck(doc).slides.s!.elements.find((one) => one.kind === 'chart')!,
    };
  };

  it('reads what could be read in two ways as that language does, and tells it so', () => {
    const { chart } = inGerman();
    expect(chartData(chart().text, chart().decimal).series[0]!.values).toEqual([1250, 3.5]);
    expect(chartWords(chart())).toContain('low 1.250, high 3,5');
    const drawn = chartMarks(chart(), PAPER).flatMap((mark) =>
      mark.kind === 'words' ? [mark.words] : [],
    );
    expect(drawn).toEqual(expect.arrayContaining(['1.250', '3,5']));
  });

  it('follows when the deck is said to be in another language', () => {
    const { doc, chart } = inGerman();
    setLanguage(doc, 'en');
    expect(chartData(chart().text, chart().decimal).series[0]!.values).toEqual([1.25, 3.5]);
    expect(chartWords(chart())).toContain('low 1.25, high 3.5');
  });
});

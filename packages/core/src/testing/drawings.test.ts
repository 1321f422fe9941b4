import * as Y from 'yjs';
import {
  addElement,
  addStarter,
  BEGINNINGS_OF_OURS,
  CHART_FORMS,
  chartMarks,
  PAPER,
  plant,
  readDeck,
  refOf,
  SHAPES,
  SLIDE_ROLES,
  STARTERS,
  tableText,
  themeNamed,
  THEMES,
  type Slide,
} from '../index.js';
import { shapeStrokes } from '../geometry/shapes/shapes.js';
import { hashOf } from '../parts/hash.js';
import { drawScenery } from '../scenery/draw.js';
import { deck, slide } from './builder.js';

/*
 * Pictures that are drawn by code have been looked at, and are the same on every device and in every version: what has
 * been drawn anew is looked at again before it is kept (`npx jest drawings -u`).
 */

const ID = /\b[a-z0-9]{14}\b/g;

/** Things that are told apart by their ids alone, in an order that these do not decide. */
function inOwnOrder(things: readonly unknown[]): readonly unknown[] {
  const isNamed = things.every((one) => typeof one === 'object' && one !== null && 'id' in one);
  if (!isNamed) return things;
  const said = (one: unknown): string => JSON.stringify(one).replace(ID, '');
  return things.toSorted((one, other) => (said(one) < said(other) ? -1 : 1));
}

/** A number that stands for a drawing: a tenth of a unit more or less is nothing, and ids are counted as they come. */
function fingerprint(drawn: unknown): string {
  const ids = new Map<string, number>();
  const said = JSON.stringify(drawn, (key, value: unknown) => {
    if (typeof value === 'number') return Math.round(value * 10) / 10 + 0;
    // What is right is not drawn.
    if (key === 'key') return null;
    if (Array.isArray(value)) return inOwnOrder(value);
    if (typeof value !== 'string') return value;
    const counted = (id: string): string => {
      if (!ids.has(id)) ids.set(id, ids.size);
      return `#${ids.get(id)}`;
    };
    return value
      .replace(ID, counted)
      .replace(/-?\d+\.\d+/g, (number) => String(Math.round(Number(number) * 10) / 10 + 0));
  });
  return (hashOf(said) >>> 0).toString(36);
}

/** Slides without the names of their things, which are others each time, in the order of the map. */
const drawnOn = (slides: readonly Slide[]): unknown =>
  slides
    .toSorted((one, other) => one.x - other.x || one.y - other.y)
    .map(({ title, ground, elements, notes }) => ({ title, ground, elements, notes }));

test.each(THEMES)('the scenery of %s', (name) => {
  const theme = themeNamed(refOf(name, 'light'), 'full');
  const drawings = SLIDE_ROLES.map((role) => [
    role,
    ...[1, 2, 3].map((seed) =>
      fingerprint(drawScenery({ name: theme.scenery, role, seed, isQuiet: seed === 3, theme })),
    ),
  ]);
  expect(drawings.map((row) => row.join(' '))).toMatchSnapshot();
});

test('shapes', () => {
  const drawings = SHAPES.map(
    (shape) =>
      `${shape} ${fingerprint(shapeStrokes(shape, 240, 150))} ${fingerprint(shapeStrokes(shape, 90, 310))}`,
  );
  expect(drawings).toMatchSnapshot();
});

test.each(CHART_FORMS)('a chart as %s', (form) => {
  const doc = deck(slide('s'));
  const series = ['Terns', 'Gulls', 'Petrels', 'Auks', 'Skuas', 'Ravens'];
  addElement(doc, 's', {
    kind: 'chart',
    layer: 'content',
    form,
    box: { x: 0, y: 0, w: 520, h: 340 },
    showsValues: true,
    text: tableText([
      ['', ...series],
      ...['1', '2', '4', '7'].map((label, row) => [
        label,
        ...series.map((_, column) => String(3 * row + 2 * column - 4)),
      ]),
    ]),
  });
  const chart = readDeck(doc).slides.s!.elements.find((one) => one.kind === 'chart')!;
  expect(fingerprint(chartMarks(chart, PAPER))).toMatchSnapshot();
});

test.each(STARTERS)('the starter $id', (starter) => {
  const picture = { hash: 'a'.repeat(64), width: 600, height: 500, isAnimated: false };
  const doc = deck();
  addStarter(doc, starter, { picture });
  expect(fingerprint(drawnOn(Object.values(readDeck(doc).slides)))).toMatchSnapshot();
});

test.each(BEGINNINGS_OF_OURS)('the beginning $id', (beginning) => {
  const doc = new Y.Doc();
  plant(doc, beginning);
  expect(fingerprint(drawnOn(Object.values(readDeck(doc).slides)))).toMatchSnapshot();
});

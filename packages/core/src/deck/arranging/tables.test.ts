import type * as Y from 'yjs';
import {
  addElement,
  createHistory,
  fillCells,
  LIMITS,
  readDeck,
  setElement,
  tableText,
  type TableElement,
} from '../../index.js';
import { deck, slide } from '../../testing/builder.js';
import { told } from '../../parts/told.js';

const SLIDE = 's';
function tableOf(rows: string[][]): { doc: Y.Doc; id: string; read: () => TableElement } {
  const doc = deck(slide(`${SLIDE}: Tides`));
  const added = addElement(doc, SLIDE, {
    kind: 'table',
    layer: 'content',
    text: tableText(rows),
    columns: rows[0]!.map(() => 1),
    box: { x: 0, y: 0, w: 400, h: 50 * rows.length },
  });
  if (!added.ok) throw new Error(told(added));
  const id = added.elementId;
  return {
    doc,
    id,
    read: () =>
      readDeck(doc).slides[SLIDE]!.elements.find((element) => element.id === id) as TableElement,
  };
}
const cellsOf = ({ text }: TableElement): string[][] =>
  text.content[0]!.content!.map((row) =>
    row.content!.map((cell) =>
      (cell.content ?? [])
        .map((line) => (line.content ?? []).map((run) => run.text).join(''))
        .join('/'),
    ),
  );

test('cells are written from one cell on; the others keep what they had', () => {
  const { doc, id, read } = tableOf([
    ['Port', 'High', 'Low'],
    ['Lamp Bay', '5.1', '0.8'],
    ['Reef', '', ''],
  ]);
  expect(fillCells(doc, SLIDE, id, [['4.9', '0.7\nat six']], { row: 2, column: 1 }).ok).toBe(true);
  expect(cellsOf(read())).toEqual([
    ['Port', 'High', 'Low'],
    ['Lamp Bay', '5.1', '0.8'],
    ['Reef', '4.9', '0.7/at six'],
  ]);
});

test('a table grows by the rows and columns it lacks, and one step takes all of it back', () => {
  const { doc, id, read } = tableOf([
    ['a', 'b'],
    ['c', 'd'],
  ]);
  const history = createHistory(doc);
  const cells = [
    ['1', '2', '3'],
    ['4', '5', '6'],
    ['7', '8', '9'],
  ];
  expect(fillCells(doc, SLIDE, id, cells, { row: 1, column: 1 }).ok).toBe(true);
  const grown = read();
  expect(cellsOf(grown)).toEqual([
    ['a', 'b', '', ''],
    ['c', '1', '2', '3'],
    ['', '4', '5', '6'],
    ['', '7', '8', '9'],
  ]);
  expect(grown.columns).toEqual([1, 1, 1, 1]);
  expect(grown.box.h).toBe(200);
  // New cells are of the kind of their row: heads stay in the first.
  const kinds = grown.text.content[0]!.content!.map(({ content }) => content!.at(-1)!.type);
  expect(kinds).toEqual(['tableHeader', 'tableCell', 'tableCell', 'tableCell']);
  history.undo();
  expect(cellsOf(read())).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ]);
  expect(read().box.h).toBe(100);
});

test('too many cells, a locked table and what is no table are refused and nothing changes', () => {
  const { doc, id, read } = tableOf([['a', 'b']]);
  const many = Array.from({ length: LIMITS.tableRows }, () => ['x']);
  const refused = fillCells(doc, SLIDE, id, many, { row: 1, column: 0 });
  expect(refused).toEqual({
    ok: false,
    code: 'table.cells',
    parameters: expect.objectContaining({ rows: 31 }) as object,
  });
  expect(cellsOf(read())).toEqual([['a', 'b']]);
  setElement(doc, SLIDE, id, { isLocked: true });
  expect(fillCells(doc, SLIDE, id, [['x']]).ok).toBe(false);
  const words = addElement(doc, SLIDE, {
    kind: 'text',
    layer: 'content',
    style: 'body',
    box: { x: 0, y: 0, w: 9, h: 9 },
  });
  expect(words.ok && fillCells(doc, SLIDE, words.elementId, [['x']]).ok).toBe(false);
  expect(cellsOf(read())).toEqual([['a', 'b']]);
});

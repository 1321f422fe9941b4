import { STAGE, type Box } from '../parts/place.js';
import type { Upright } from '../parts/typography.js';
import { formOf, unreckoned, type Cell } from './cells.js';
import { lettersIn, type Block, type Content, type Part } from './content.js';
import type { Look } from './look.js';
import type { PictureElement } from '../elements/picture/picture.js';
import type { TextElement } from '../elements/text/text.js';

/** A cell, and the region of the slide that it is laid into. */
export interface Region {
  cell: Cell;
  box: Box;
}
/** One way to lay a content out; several where it may be tried in several proportions. */
export type Setting = Region[];

/** The regions of a slide: the room within the margins, or what is left of it beside things put by hand. */
export interface Room {
  box: Box;
  /** The whole stage is free: pictures may run to its edges. */
  isWhole: boolean;
}
export const MARGIN = { x: 72, y: 56 };
export const WHOLE_ROOM: Room = {
  box: {
    x: MARGIN.x,
    y: MARGIN.y,
    w: STAGE.width - 2 * MARGIN.x,
    h: STAGE.height - 2 * MARGIN.y,
  },
  isWhole: true,
};
export const GAP = 20;
export const GUTTER = 48;

export const part = (one: Part, look: Look = {}): Cell => ({ is: 'part', part: one, look });
export const rows = (
  cells: readonly Cell[],
  upright: Upright | 'foot' = 'top',
  gap = GAP,
): Cell => ({
  is: 'rows',
  least: unreckoned(),
  cells,
  gap,
  upright,
});
export const columns = (cells: readonly Cell[], shares: readonly number[], gap = GUTTER): Cell => ({
  is: 'columns',
  hasSides: false,
  least: unreckoned(),
  cells,
  gap,
  shares,
});
/** Two columns that may change sides; the share of the first is one of twelve. */
export const sides = (first: Cell, second: Cell, share: number): Cell => ({
  is: 'columns',
  hasSides: true,
  least: unreckoned(),
  cells: [first, second],
  gap: GUTTER,
  shares: [share, 12 - share],
});
/** A setting with its sides changed; it needs the same heights. */
export const turned = (setting: Setting, { box: room }: Room): Setting =>
  setting.map(({ cell, box }) => ({
    cell: turnedCell(cell),
    box: { ...box, x: 2 * room.x + room.w - box.x - box.w },
  }));

function turnedCell(cell: Cell): Cell {
  if (cell.is === 'rows') return { ...cell, cells: cell.cells.map(turnedCell) };
  if (cell.is !== 'columns' || !cell.hasSides) return cell;
  return { ...cell, cells: [...cell.cells].reverse(), shares: [...cell.shares].reverse() };
}

export const tiles = (cells: readonly Cell[], inRow: number, most: number, gap = GAP): Cell => ({
  is: 'tiles',
  least: unreckoned(),
  cells,
  gap,
  columns: Math.min(inRow, cells.length),
  most,
});

export const all = (parts: readonly Part[], look: Look = {}): Cell[] =>
  parts.map((one) => part(one, look));
export const head = ({ title }: Content, look: Look = {}): Cell[] =>
  title ? [part(title, look)] : [];
export const words = (content: Content, look: Look = {}): Cell[] => [
  ...head(content, look),
  ...all(content.texts, look),
];
export const solids = ({ pictures, blocks }: Content): (PictureElement | Block)[] => [
  ...pictures,
  ...blocks,
];

export const CENTRED: Look = { align: 'center' };
/** Choices one below the other; in two columns where there are many. Each is a way to show them. */
export function lists(choices: readonly TextElement[]): Cell[][] {
  const known = LISTS.get(choices);
  if (known) return known;
  const fresh = listsOf(choices);
  LISTS.set(choices, fresh);
  return fresh;
}
/** They are the same in every arrangement of a content. */
const LISTS = new WeakMap<readonly TextElement[], Cell[][]>();

function listsOf(choices: readonly TextElement[]): Cell[][] {
  if (choices.length === 0) return [[]];
  const cells = all(choices);
  const one = [rows(cells, 'middle', 14)];
  if (choices.length <= 4) return [one];
  if (areAlike(choices)) return [one, [tiles(cells, 2, 110, 14)]];
  // Long ones and short ones: each pair as high as it needs.
  const pairs = Array.from({ length: Math.ceil(cells.length / 2) }, (_, at) =>
    columns([cells[2 * at]!, cells[2 * at + 1] ?? rows([])], [1, 1], 14),
  );
  return [one, [rows(pairs, 'middle', 14)]];
}

/** Whether words are about as long. */
function areAlike(choices: readonly TextElement[]): boolean {
  const letters = choices.map(lettersIn);
  return Math.max(...letters) <= 1.5 * Math.min(...letters) + 8;
}
/** Choices side by side: in one row as far as they go. */
export function tickets(choices: readonly Part[], inRow = 4, look: Look = CENTRED): Cell[] {
  if (choices.length === 0) return [];
  const perRow = choices.length <= inRow ? choices.length : Math.ceil(choices.length / 2);
  return [tiles(all(choices, look), Math.min(perRow, inRow), 104, 16)];
}
/** Whether tiles in rows of so many stand in full rows; of many, the last one may be short. */
export const leavesNoHole = (count: number, inRow: number): boolean =>
  count <= inRow || count % inRow === 0 || count > 4;

/** What is read, and the choices below it, a little apart. */
export const above = (cells: readonly Cell[], choices: readonly Cell[], upright: Upright): Cell =>
  choices.length === 0
    ? rows(cells, upright)
    : rows([...(cells.length > 0 ? [rows(cells)] : []), ...choices], upright, 32);

export const inside = ({ x, y, w, h }: Box, left: number, right: number): Box => ({
  x: x + left,
  y,
  w: w - left - right,
  h,
});

export const narrow = (box: Box, width: number): Box =>
  box.w <= width ? box : { ...box, x: box.x + (box.w - width) / 2, w: width };

/** Pictures and blocks in one region: as many ways as look different. */
export function group(parts: readonly Part[], wants: 'tall' | 'wide'): Cell[] {
  const cells = all(parts);
  if (cells.length === 0) return [];
  if (cells.length === 1) return cells;
  const isEven = parts.every(({ kind }) => kind === 'picture');
  if (wants === 'wide') {
    return [isEven ? tiles(cells, cells.length, 480) : columns(cells, sharesOf(parts), GAP)];
  }
  if (isEven && cells.length >= 3) {
    const [first, ...more] = cells as [Cell, ...Cell[]];
    const below = tiles(more, Math.min(more.length, 3), 400);
    return [rows([first, below]), tiles(cells, 2, 400)];
  }
  return [rows(cells, 'middle')];
}

/** Wide pictures get more of a row than narrow ones, so that all are as high. */
const sharesOf = (parts: readonly Part[]): number[] =>
  parts.map((one) => (one.kind === 'picture' ? Math.min(2, Math.max(0.6, formOf(one))) : 1.4));

/** Words on the colour of titles. */
export const BAND: Look = { stands: 'band' };

/** What is read, on plates edge to edge; what nobody has written in yet has none. */
export function plates({ title, texts }: Content, look: Look = {}): Cell[] {
  const read = [...(title ? [title] : []), ...texts];
  const written = read.filter((one) => lettersIn(one) > 0);
  const blank = read.filter((one) => lettersIn(one) === 0);
  const panel = rows(all(written, { stands: 'plate', ...look }), 'top', 0);
  return [...(written.length > 0 ? [panel] : []), ...all(blank)];
}

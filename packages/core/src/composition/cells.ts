import type { ElementId } from '../parts/ids.js';
import type { Box } from '../parts/place.js';
import { isSolid, type Upright } from '../parts/typography.js';
import type { Part } from './content.js';
import type { Look } from './look.js';
import { LEAST_PICTURE, type Measures } from './Measures.js';
import type { PictureElement } from '../elements/picture/picture.js';
import { mattersAt } from '../stage/pictureFit.js';
import { hasSurface } from '../stage/wordsHeight.js';
import { BLURRED, SCREEN_PIXELS } from '../stage/legible.js';

/** A region cut into parts: one, one above the other, side by side, or on equal tiles. */
export type Cell =
  | { is: 'part'; part: Part; look: Look }
  | ({ is: 'rows'; upright: Upright | 'foot' } & Cut)
  | ({ is: 'columns'; shares: readonly number[]; hasSides: boolean } & Cut)
  | ({ is: 'tiles'; columns: number; most: number } & Cut);

interface Cut {
  cells: readonly Cell[];
  gap: number;
  /** The least height that was reckoned last: who lays a cell asks for it again and again. */
  least: { of: Measures | null; width: number; height: number };
}
export const unreckoned = (): Cut['least'] => ({ of: null, width: 0, height: 0 });

/** Where a part lies and how it is set. Boxes in slide units; a size of 0 is that of its style. */
export interface Place {
  box: Box;
  size: number;
  look: Look;
}
export type Places = Map<ElementId, Place>;

/** Parts that are as high as they are given room. */
const grows = (part: Part): boolean =>
  part.kind === 'chart' || (part.kind === 'question' && hasSurface(part));
/** More of the room than it needs, that a part takes without looking lost. */
const MOST_OF_QUESTION = 1.15;
const MOST_OF_CHOICE = 1.35;

/** The least height in slide units that a cell can do with in a width; Infinity where it cannot be set so narrow. */
export function leastHeight(cell: Cell, width: number, measures: Measures): number {
  if (cell.is === 'part') return measures.height(cell.part, width, cell.look);
  const { least } = cell;
  if (least.of === measures && least.width === width) return least.height;
  const height = heightOfCut(cell, width, measures);
  least.of = measures;
  least.width = width;
  least.height = height;
  return height;
}

function heightOfCut(
  cell: Exclude<Cell, { is: 'part' }>,
  width: number,
  measures: Measures,
): number {
  switch (cell.is) {
    case 'rows': {
      let height = cell.gap * Math.max(0, cell.cells.length - 1);
      for (const one of cell.cells) {
        height += leastHeight(one, width, measures);
        if (height === Infinity) break;
      }
      return height;
    }
    case 'columns': {
      let height = -Infinity;
      const widths = widthsOf(cell, width);
      for (let at = 0; at < widths.length && height < Infinity; at += 1) {
        height = Math.max(height, leastHeight(cell.cells[at]!, widths[at]!, measures));
      }
      return height;
    }
    case 'tiles': {
      const rows = Math.ceil(cell.cells.length / cell.columns);
      return rows * tileHeight(cell, width, measures) + cell.gap * (rows - 1);
    }
  }
}

/** The most height that it fills, of which the least is known. */
function mostHeight(cell: Cell, width: number, measures: Measures, least: number): number {
  const mostOf = (one: Cell, w: number): number =>
    mostHeight(one, w, measures, leastHeight(one, w, measures));
  switch (cell.is) {
    case 'part': {
      const { part } = cell;
      if (part.kind === 'picture') {
        const cut = isFittedByHand(part) ? 0 : Math.min(mostCut(part), MOST_CUT_AROUND_GUESS);
        return Math.max(least, Math.min(width, finest(part)) / (formOf(part) * (1 - cut)));
      }
      if (grows(part)) return Math.max(least, width * 0.75);
      if (part.kind === 'question') return least * MOST_OF_QUESTION;
      const isChoice = part.kind === 'text' && part.style === 'choice';
      return isChoice ? least * MOST_OF_CHOICE : least;
    }
    case 'rows': {
      let height = cell.gap * Math.max(0, cell.cells.length - 1);
      for (const one of cell.cells) height += mostOf(one, width);
      return height;
    }
    case 'columns': {
      let height = -Infinity;
      const widths = widthsOf(cell, width);
      for (let at = 0; at < widths.length; at += 1) {
        height = Math.max(height, mostOf(cell.cells[at]!, widths[at]!));
      }
      return height;
    }
    case 'tiles':
      return Math.max(least, cell.most * Math.ceil(cell.cells.length / cell.columns));
  }
}

/** Lays a cell into a box that it fits into. */
export function lay(cell: Cell, box: Box, measures: Measures, places: Places): void {
  switch (cell.is) {
    case 'part':
      places.set(cell.part.id, placeOf(cell.part, cell.look, box, measures));
      return;
    case 'rows':
      layRows(cell, box, measures, places);
      return;
    case 'columns': {
      const widths = widthsOf(cell, box.w);
      let x = box.x;
      cell.cells.forEach((one, at) => {
        lay(one, { ...box, x, w: widths[at]! }, measures, places);
        x += widths[at]! + cell.gap;
      });
      return;
    }
    case 'tiles': {
      const rows = Math.ceil(cell.cells.length / cell.columns);
      const w = (box.w - cell.gap * (cell.columns - 1)) / cell.columns;
      const room = (box.h - cell.gap * (rows - 1)) / rows;
      const h = Math.max(tileHeight(cell, box.w, measures), Math.min(room, cell.most));
      cell.cells.forEach((one, at) => {
        const [row, column] = [Math.floor(at / cell.columns), at % cell.columns];
        const x = box.x + column * (w + cell.gap);
        const y = box.y + row * (h + cell.gap);
        lay(one, { x, y, w, h }, measures, places);
      });
    }
  }
}

type Rows = Extract<Cell, { is: 'rows' }>;

/**
 * What is left of the height goes to what can use it, evenly; the rest stays free below, around or between. The heights are
 * numbers of one kind from the beginning: lists that turn into others under way are compiled anew each time.
 */
function layRows(cell: Rows, box: Box, measures: Measures, places: Places): void {
  const { cells, gap } = cell;
  const heights = new Float64Array(cells.length);
  const most = new Float64Array(cells.length);
  let spare = box.h - gap * Math.max(0, cells.length - 1);
  for (let at = 0; at < cells.length; at += 1) {
    heights[at] = leastHeight(cells[at]!, box.w, measures);
    most[at] = mostHeight(cells[at]!, box.w, measures, heights[at]!);
    spare -= heights[at]!;
  }
  const isHungry = (at: number): boolean => most[at]! > heights[at]! + 0.5;
  for (let round = 0; round < 3 && spare > 1; round += 1) {
    let hungry = 0;
    for (let at = 0; at < cells.length; at += 1) if (isHungry(at)) hungry += 1;
    if (hungry === 0) break;
    const each = spare / hungry;
    for (let at = 0; at < cells.length; at += 1) {
      if (!isHungry(at)) continue;
      const more = Math.min(each, most[at]! - heights[at]!);
      heights[at]! += more;
      spare -= more;
    }
  }
  const over = Math.max(0, spare);
  let y = box.y + (cell.upright === 'middle' ? over / 2 : cell.upright === 'bottom' ? over : 0);
  cell.cells.forEach((one, at) => {
    // The last one stands at the foot, whatever is above it.
    if (cell.upright === 'foot' && at === heights.length - 1) y += over;
    lay(one, { ...box, y, h: heights[at]! }, measures, places);
    y += heights[at]! + cell.gap;
  });
}

type Columns = Extract<Cell, { is: 'columns' }>;
function widthsOf({ cells, gap, shares }: Columns, width: number): Float64Array {
  const room = width - gap * (cells.length - 1);
  let all = 0;
  for (const share of shares) all += share;
  const widths = new Float64Array(shares.length);
  for (let at = 0; at < widths.length; at += 1) widths[at] = (room * shares[at]!) / all;
  return widths;
}

type Tiles = Extract<Cell, { is: 'tiles' }>;
function tileHeight({ cells, columns, gap }: Tiles, width: number, measures: Measures): number {
  const w = (width - gap * (columns - 1)) / columns;
  let height = -Infinity;
  for (let at = 0; at < cells.length && height < Infinity; at += 1) {
    height = Math.max(height, leastHeight(cells[at]!, w, measures));
  }
  return height;
}

/** How wide the shown part of a picture is for its height. */
export const formOf = (part: PictureElement): number =>
  (part.asset.width * part.crop.w) / Math.max(1, part.asset.height * part.crop.h);

/** At most this share of a picture's width or height may be cut off: what matters is not looked for at the very edge. */
const MOST_CUT = 0.1;
/** And where it is said what matters, so that the picture is still one; a guess may be wrong. */
const MOST_CUT_AROUND = 0.5;
const MOST_CUT_AROUND_GUESS = 0.3;

/** The share of a picture's width or height that may be cut off so that it fills its place. */
const mostCut = (part: PictureElement): number =>
  part.matters ? MOST_CUT_AROUND : part.asset.seems ? MOST_CUT_AROUND_GUESS : MOST_CUT;

/** Whether a picture that fills a box keeps in view what matters in it. */
export function keepsInView(part: PictureElement, box: Box): boolean {
  const ratio = formOf(part) / (box.w / box.h);
  const cut = 1 - Math.min(ratio, 1 / ratio);
  const seen = mattersAt({ ...part, box, fit: 'cover' });
  return cut <= mostCut(part) + 0.01 && (!seen || isWithin(seen, box));
}

/** How a picture was laid into its box by hand stays; so does its form. */
export const isFittedByHand = (part: PictureElement): boolean =>
  part.fit !== (part.setOut?.fit ?? part.fit);

const isWithin = (inner: Box, outer: Box): boolean =>
  inner.x >= outer.x - 1 &&
  inner.y >= outer.y - 1 &&
  inner.x + inner.w <= outer.x + outer.w + 1 &&
  inner.y + inner.h <= outer.y + outer.h + 1;

function placeOf(part: Part, look: Look, box: Box, measures: Measures): Place {
  const { x, y, w, h } = box;
  if (part.kind === 'picture') return pictureIn(part, look, box);
  if (part.kind === 'formula' || part.kind === 'media') {
    const form = part.box.w / part.box.h;
    return { box: whole(within(box, form)), size: 0, look };
  }
  if (part.kind === 'text') {
    const size = measures.sizeOf(part, look);
    const needed = part.style === 'choice' ? h : Math.min(h, measures.height(part, w, look));
    if (!isSolid(look.stands ?? 'bare')) return { box: whole({ x, y, w, h: needed }), size, look };
    // Plates stand edge to edge, as one panel.
    const foot = Math.floor(y + needed + 0.001);
    return { box: { ...whole({ x, y, w, h: 0 }), h: foot - Math.floor(y + 0.001) }, size, look };
  }
  if (part.kind === 'table') {
    return { box: whole({ x, y, w, h: measures.height(part, w, look) }), size: 0, look };
  }
  return { box: whole(box), size: 0, look };
}

function pictureIn(part: PictureElement, look: Look, box: Box): Place {
  const form = formOf(part);
  if (look.isUnder) return { box, size: 0, look: { ...look, isFilled: true } };
  const most = finest(part);
  const room = inMiddle(box, { w: Math.min(box.w, most), h: Math.min(box.h, most / form) });
  const kept = 1 - mostCut(part);
  // As much of the room as it may fill when no more of it is cut off than may be.
  const filled = within(room, Math.max(form * kept, Math.min(form / kept, room.w / room.h)));
  if (!isFittedByHand(part) && keepsInView(part, filled)) {
    return { box: whole(filled), size: 0, look: { ...look, isFilled: true } };
  }
  return { box: whole(within(room, form)), size: 0, look };
}

/** How wide a picture may be laid before it looks blurred, in slide units; drawings that are small get a little more. */
export const finest = ({ asset, crop }: PictureElement): number =>
  Math.max(1.6 * LEAST_PICTURE, (asset.width * crop.w) / (SCREEN_PIXELS * BLURRED));

const inMiddle = ({ x, y, w, h }: Box, size: { w: number; h: number }): Box => ({
  x: x + (w - size.w) / 2,
  y: y + (h - size.h) / 2,
  ...size,
});

/** The largest box of a form within another one, in its middle. */
function within(box: Box, form: number): Box {
  const width = Math.min(box.w, box.h * form);
  return inMiddle(box, { w: width, h: width / form });
}

/** In whole units, and never beyond; things of one size stay of one size. */
const whole = ({ x, y, w, h }: Box): Box => ({
  x: Math.floor(x + 0.001),
  y: Math.floor(y + 0.001),
  w: Math.floor(w + 0.001),
  h: Math.floor(h + 0.001),
});

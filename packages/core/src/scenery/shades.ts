import { luminanceOf } from '../parts/luminance.js';
import { STAGE } from '../parts/place.js';
import type { Mark } from './Brush.js';
import { drawScenery } from './draw.js';
import { sceneryOf } from './scenery.js';
import type { Theme } from '../themes/theme.js';
import type { Slide } from '../deck/types.js';

const CELL = 16;
const [COLUMNS, ROWS] = [STAGE.width / CELL, STAGE.height / CELL];

/** How light a picture is, cell by cell: relative luminance from 0 to 1. */
export class Shades {
  readonly #cells = new Float64Array(COLUMNS * ROWS);
  readonly #covered = new Uint8Array(COLUMNS * ROWS);

  constructor(marks: readonly Mark[]) {
    for (const mark of marks) this.#paint(mark);
  }

  /** At a place in slide units; outside of the slide, at its nearest edge. */
  at(x: number, y: number): number {
    const column = Math.min(COLUMNS - 1, Math.max(0, Math.floor(x / CELL)));
    const row = Math.min(ROWS - 1, Math.max(0, Math.floor(y / CELL)));
    return this.#cells[row * COLUMNS + column]!;
  }

  #paint({ shapes, paint, width, alpha }: Mark): void {
    this.#covered.fill(0);
    let [top, foot] = [Infinity, -Infinity];
    for (const shape of shapes) {
      for (let at = 1; at < shape.length; at += 2) {
        top = Math.min(top, shape[at]!);
        foot = Math.max(foot, shape[at]!);
      }
      if (width > 0) this.#coverLine(shape);
      else this.#coverShape(shape);
    }
    // A line that is thinner than a cell makes it only a little lighter or darker.
    const share = width > 0 ? alpha * Math.min(1, width / CELL) : alpha;
    const [from, to] =
      typeof paint === 'string'
        ? [luminanceOf(paint), luminanceOf(paint)]
        : [luminanceOf(paint.from), luminanceOf(paint.to)];
    for (let row = 0; row < ROWS; row += 1) {
      const along = Math.min(1, Math.max(0, ((row + 0.5) * CELL - top) / Math.max(1, foot - top)));
      const own = from + (to - from) * along;
      for (let at = row * COLUMNS; at < (row + 1) * COLUMNS; at += 1) {
        if (this.#covered[at]) this.#cells[at] = this.#cells[at]! * (1 - share) + own * share;
      }
    }
  }

  /** Cells whose middle lies in a shape. */
  #coverShape(shape: readonly number[]): void {
    for (let row = 0; row < ROWS; row += 1) {
      const y = (row + 0.5) * CELL;
      const cuts: number[] = [];
      for (let at = 0; at + 1 < shape.length; at += 2) {
        const [x1, y1] = [shape[at]!, shape[at + 1]!];
        const next = at + 2 < shape.length ? at + 2 : 0;
        const [x2, y2] = [shape[next]!, shape[next + 1]!];
        if (y1 > y !== y2 > y) cuts.push(x1 + ((y - y1) / (y2 - y1)) * (x2 - x1));
      }
      cuts.sort((a, b) => a - b);
      for (let cut = 0; cut + 1 < cuts.length; cut += 2) {
        const first = Math.max(0, Math.ceil(cuts[cut]! / CELL - 0.5));
        const last = Math.min(COLUMNS - 1, Math.floor(cuts[cut + 1]! / CELL - 0.5));
        for (let column = first; column <= last; column += 1) {
          this.#covered[row * COLUMNS + column] = 1;
        }
      }
    }
  }

  #coverLine(shape: readonly number[]): void {
    for (let at = 0; at + 3 < shape.length; at += 2) {
      const [x, y] = [shape[at]!, shape[at + 1]!];
      const [dx, dy] = [shape[at + 2]! - x, shape[at + 3]! - y];
      const steps = Math.max(1, Math.ceil(Math.hypot(dx, dy) / (CELL / 2)));
      for (let step = 0; step <= steps; step += 1) {
        const column = Math.floor((x + (dx * step) / steps) / CELL);
        const row = Math.floor((y + (dy * step) / steps) / CELL);
        const isInside = column >= 0 && row >= 0 && column < COLUMNS && row < ROWS;
        if (isInside) this.#covered[row * COLUMNS + column] = 1;
      }
    }
  }
}

/** What was asked for last: words of one slide are looked at one after the other. */
let last: { slide: Slide; theme: Theme; shades: Shades | null } | null = null;

/** The shades of a slide's scenery; null where it has none. */
export function shadesOn(slide: Slide, theme: Theme): Shades | null {
  if (last?.slide !== slide || last.theme !== theme) {
    const scenery = sceneryOf(slide, theme);
    last = { slide, theme, shades: scenery && new Shades(drawScenery(scenery)) };
  }
  return last.shades;
}

import type { Box } from '../parts/place.js';

interface Lying {
  box: Box;
}

/**
 * Things in the order in which they are read: what lies above before what lies below, what lies on the left before what
 * lies on the right. Again and again they are parted where the widest straight gap runs through all of them (the
 * recursive XY-cut of page analysis: Nagy and Seth, 1984), so that a column is read to its end. Things that no straight
 * gap parts are read by lines: two share one when their middles lie within half the smaller one's height.
 */
export function inReadingOrder<T extends Lying>(
  elements: readonly T[],
  /** A grid is read row by row, however far apart its columns are. */
  isGrid = false,
): T[] {
  if (elements.length < 2) return [...elements];
  const [rows, columns] = [widestGap(elements, 'y'), widestGap(elements, 'x')];
  const isInColumns =
    columns &&
    !(rows && isGrid) &&
    // A thing that has the left side to itself goes before all that is beside it.
    (!rows || columns.before.length === 1 || columns.width > COLUMNS_FROM * rows.width);
  const cut = isInColumns ? columns : rows;
  if (!cut) return byLines(elements);
  return [...inReadingOrder(cut.before, isGrid), ...inReadingOrder(cut.after, isGrid)];
}

/** How much wider than the gap between rows one between columns is: in a grid rows go first. */
const COLUMNS_FROM = 1.5;
/** Slide units by which two things may lie over each other and are still one after the other. */
export const TOUCHING = 4;

interface Cut<T> {
  before: T[];
  after: T[];
  width: number;
}

/** The widest straight gap through all things, from the top or from the left. */
function widestGap<T extends Lying>(elements: readonly T[], axis: 'x' | 'y'): Cut<T> | null {
  const long = axis === 'x' ? 'w' : 'h';
  const sorted = [...elements].sort((a, b) => a.box[axis] - b.box[axis]);
  let widest = -TOUCHING;
  let at = 0;
  let end = -Infinity;
  sorted.forEach(({ box }, index) => {
    const width = box[axis] - end;
    if (index > 0 && width > widest) [widest, at] = [width, index];
    end = Math.max(end, box[axis] + box[long]);
  });
  if (at === 0) return null;
  return { before: sorted.slice(0, at), after: sorted.slice(at), width: widest };
}

function byLines<T extends Lying>(elements: readonly T[]): T[] {
  const byTop = [...elements].sort((a, b) => middle(a) - middle(b) || a.box.x - b.box.x);
  const lines: T[][] = [];
  for (const element of byTop) {
    const line = lines.at(-1);
    const last = line?.at(-1);
    const isSameLine =
      last && Math.abs(middle(last) - middle(element)) < Math.min(last.box.h, element.box.h) / 2;
    if (line && isSameLine) line.push(element);
    else lines.push([element]);
  }
  return lines.flatMap((line) => line.sort((a, b) => a.box.x - b.box.x));
}

const middle = (element: Lying): number => element.box.y + element.box.h / 2;

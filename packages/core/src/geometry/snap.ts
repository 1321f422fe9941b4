import { STAGE, type Box } from '../parts/place.js';
import type { Handle } from './resize.js';

/** A line to be drawn while something is moved: what it has snapped to. */
export interface Guide {
  axis: 'x' | 'y';
  at: number;
  /** Where the line begins and ends along the other axis. */
  from: number;
  to: number;
  /** `gap`: the distance to the next thing is the same on both sides. */
  is: 'edge' | 'middle' | 'gap';
}

const WHOLE: Box = { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
const OTHER = { x: 'y', y: 'x' } as const;
const SIZE = { x: 'w', y: 'h' } as const;

interface Line {
  at: number;
  box: Box;
  is: 'edge' | 'middle';
}

function linesOf(box: Box, axis: 'x' | 'y'): Line[] {
  const [start, size] = [box[axis], box[SIZE[axis]]];
  return [
    { at: start, box, is: 'edge' },
    { at: start + size / 2, box, is: 'middle' },
    { at: start + size, box, is: 'edge' },
  ];
}

interface Best {
  by: number;
  guides: Guide[];
}

/**
 * Moves a box onto the nearest lines of the stage or of other boxes (edges and middles), or to where its distances to
 * its neighbours are the same as theirs, within `reach` units. Returns the box and the guides to be drawn.
 */
export function snap(
  box: Box,
  others: readonly Box[],
  reach: number,
): { box: Box; guides: Guide[] } {
  const moved = { ...box };
  const guides: Guide[] = [];
  for (const axis of ['x', 'y'] as const) {
    const best = nearest(onLines(box, others, axis, linesOf(box, axis), reach), () =>
      inGaps(box, others, axis, reach),
    );
    if (!best) continue;
    moved[axis] += best.by;
    guides.push(...best.guides);
  }
  return { box: moved, guides: guides.map((guide) => spanning(guide, moved)) };
}

/** The same for one or two sides that are pulled by a handle; the other sides stay. */
export function snapSides(
  box: Box,
  handle: Handle,
  others: readonly Box[],
  reach: number,
): { box: Box; guides: Guide[] } {
  const moved = { ...box };
  const guides: Guide[] = [];
  for (const axis of ['x', 'y'] as const) {
    const isStart = handle.includes(axis === 'x' ? 'w' : 'n');
    const isEnd = handle.includes(axis === 'x' ? 'e' : 's');
    if (!isStart && !isEnd) continue;
    const side = linesOf(box, axis)[isStart ? 0 : 2]!;
    const best = onLines(box, others, axis, [side], reach);
    if (!best) continue;
    if (isStart) moved[axis] += best.by;
    moved[SIZE[axis]] += isStart ? -best.by : best.by;
    guides.push(...best.guides);
  }
  return { box: moved, guides: guides.map((guide) => spanning(guide, moved)) };
}

/** A line to another box wins over a gap that is not nearer. */
function nearest(line: Best | null, gap: () => Best | null): Best | null {
  if (line && Math.abs(line.by) < 0.5) return line;
  const other = gap();
  if (!line || !other) return line ?? other;
  return Math.abs(other.by) < Math.abs(line.by) ? other : line;
}

function onLines(
  box: Box,
  others: readonly Box[],
  axis: 'x' | 'y',
  own: readonly Line[],
  reach: number,
): Best | null {
  let best: Best | null = null;
  for (const other of [WHOLE, ...others]) {
    for (const line of linesOf(other, axis)) {
      for (const mine of own) {
        const by = line.at - mine.at;
        if (Math.abs(by) > reach || (best && Math.abs(by) >= Math.abs(best.by))) continue;
        const across = OTHER[axis];
        const from = Math.min(box[across], other[across]);
        const to = Math.max(box[across] + box[SIZE[across]], other[across] + other[SIZE[across]]);
        best = { by, guides: [{ axis, at: line.at, from, to, is: line.is }] };
      }
    }
  }
  return best;
}

/** Boxes that lie beside another on the same level, so that a gap between them is one that is seen. */
const isBeside = (box: Box, other: Box, axis: 'x' | 'y'): boolean => {
  const across = OTHER[axis];
  return (
    other[across] < box[across] + box[SIZE[across]] &&
    box[across] < other[across] + other[SIZE[across]]
  );
};

/** Equal gaps: in the middle between two neighbours, or as far from the next as that is from the one after it. */
function inGaps(box: Box, others: readonly Box[], axis: 'x' | 'y', reach: number): Best | null {
  const size = SIZE[axis];
  const row = others
    .filter((other) => isBeside(box, other, axis))
    .sort((a, b) => a[axis] - b[axis]);
  const end = (one: Box): number => one[axis] + one[size];
  const before = row.filter((other) => end(other) <= box[axis] + reach);
  const after = row.filter((other) => other[axis] >= end(box) - reach);
  const [last, secondLast] = [before.at(-1), before.at(-2)];
  const [next, second] = [after[0], after[1]];
  const wanted: { at: number; gaps: [number, number][] }[] = [];
  if (last && next && next[axis] - end(last) >= box[size]) {
    const gap = (next[axis] - end(last) - box[size]) / 2;
    const at = end(last) + gap;
    wanted.push({
      at,
      gaps: [
        [end(last), at],
        [at + box[size], next[axis]],
      ],
    });
  }
  if (last && secondLast && last[axis] > end(secondLast)) {
    const gap = last[axis] - end(secondLast);
    const at = end(last) + gap;
    wanted.push({
      at,
      gaps: [
        [end(secondLast), last[axis]],
        [end(last), at],
      ],
    });
  }
  if (next && second && second[axis] > end(next)) {
    const gap = second[axis] - end(next);
    const at = next[axis] - gap - box[size];
    wanted.push({
      at,
      gaps: [
        [at + box[size], next[axis]],
        [end(next), second[axis]],
      ],
    });
  }
  let best: Best | null = null;
  for (const { at, gaps } of wanted) {
    const by = at - box[axis];
    if (Math.abs(by) > reach || (best && Math.abs(by) >= Math.abs(best.by))) continue;
    const across = OTHER[axis];
    const level = box[across] + box[SIZE[across]] / 2;
    best = {
      by,
      // Drawn along the gap, so across the axis of the move.
      guides: gaps.map(([from, to]) => ({ axis: across, at: level, from, to, is: 'gap' })),
    };
  }
  return best;
}

/** A line reaches over the box as it is now; gaps are as long as they are. */
function spanning(guide: Guide, box: Box): Guide {
  if (guide.is === 'gap') return guide;
  const across = OTHER[guide.axis];
  return {
    ...guide,
    from: Math.min(guide.from, box[across]),
    to: Math.max(guide.to, box[across] + box[SIZE[across]]),
  };
}

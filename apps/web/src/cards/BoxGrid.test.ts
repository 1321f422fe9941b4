import type { Box } from '@gobrel/core';
import * as fc from 'fast-check';
import { BoxGrid } from './BoxGrid';

const at = fc.integer({ min: -2000, max: 2000 });
const size = fc.integer({ min: 1, max: 500 });
const anyBox = fc.record({ x: at, y: at, w: size, h: size }, { noNullPrototype: true });
const boxes = fc.array(anyBox, { minLength: 1, maxLength: 30 });

function gridOf(all: readonly Box[], reach = 0): BoxGrid {
  const grid = new BoxGrid(reach);
  for (const box of all) grid.add(box);
  return grid;
}

/** Whether a point lies within a box grown by so much. */
const holds = ({ x, y, w, h }: Box, px: number, py: number, air: number): boolean =>
  px > x - air && px < x + w + air && py > y - air && py < y + h + air;

test('the boxes that a point lies in are those that one finds by looking at all', () => {
  fc.assert(
    fc.property(boxes, at, at, fc.constantFrom(0, 8, 24), (all, x, y, air) => {
      const found = gridOf(all, 24).holding({ x, y }, air);
      expect(new Set(found)).toEqual(new Set(all.filter((box) => holds(box, x, y, air))));
    }),
  );
});

test('a box that touches nothing covers nothing; any other covers at least what lies on it', () => {
  fc.assert(
    fc.property(boxes, anyBox, (all, { x, y, w, h }) => {
      const shared = all
        .map((one) => {
          const across = Math.min(x + w, one.x + one.w) - Math.max(x, one.x);
          const down = Math.min(y + h, one.y + one.h) - Math.max(y, one.y);
          return across > 0 && down > 0 ? across * down : 0;
        })
        .reduce((sum, area) => sum + area, 0);
      const over = gridOf(all).over(x, y, w, h, Infinity);
      if (shared === 0) expect(over).toBe(0);
      else expect(over).toBeGreaterThanOrEqual(shared);
    }),
  );
});

test('a line meets first what one meets who walks along it', () => {
  fc.assert(
    fc.property(boxes, at, at, at, at, (all, x1, y1, x2, y2) => {
      const met = gridOf(all, 10).firstOn(x1, y1, x2, y2, () => 10);
      const steps = 4000;
      let walked: Box[] = [];
      let share = 0;
      for (let step = 0; step <= steps && walked.length === 0; step += 1) {
        share = step / steps;
        const [px, py] = [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share];
        walked = all.filter((box) => holds(box, px, py, 10));
      }
      if (walked.length === 0) {
        // At most a corner is cut, between two steps.
        if (met) expect(isGrazed(met, x1, y1, x2, y2)).toBe(true);
        return;
      }
      expect(met).not.toBeNull();
      const early = !walked.includes(met!) && isGrazed(met!, x1, y1, x2, y2);
      expect(early || walked.includes(met!)).toBe(true);
    }),
    { numRuns: 60 },
  );
});

/** Whether a line is in a box for less than two steps of the walk: a corner. */
function isGrazed(box: Box, x1: number, y1: number, x2: number, y2: number): boolean {
  let inside = 0;
  for (let step = 0; step <= 40_000; step += 1) {
    const share = step / 40_000;
    if (holds(box, x1 + (x2 - x1) * share, y1 + (y2 - y1) * share, 10)) inside += 1;
  }
  return inside <= 20;
}

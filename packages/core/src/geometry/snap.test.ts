import * as fc from 'fast-check';
import { snap, snapSides, type Box } from '../index.js';

const aBox = fc.record({
  x: fc.integer({ min: -500, max: 1500 }),
  y: fc.integer({ min: -500, max: 1000 }),
  w: fc.integer({ min: 8, max: 900 }),
  h: fc.integer({ min: 8, max: 700 }),
});
const box = (x: number, y: number, w = 100, h = 60): Box => ({ x, y, w, h });

test('moves by no more than the reach, and lands on the line it shows', () => {
  fc.assert(
    fc.property(aBox, fc.array(aBox, { maxLength: 5 }), (b, others) => {
      const { box: moved, guides } = snap(b, others, 6);
      expect(Math.abs(moved.x - b.x)).toBeLessThanOrEqual(6);
      expect(Math.abs(moved.y - b.y)).toBeLessThanOrEqual(6);
      expect([moved.w, moved.h]).toEqual([b.w, b.h]);
      for (const { axis, at, is } of guides) {
        if (is === 'gap') continue;
        const size = axis === 'x' ? moved.w : moved.h;
        const own = [moved[axis], moved[axis] + size / 2, moved[axis] + size];
        expect(own.some((line) => Math.abs(line - at) < 1e-9)).toBe(true);
      }
    }),
  );
});

test.each([
  ['the left edge of another', box(203, 400), [box(200, 100)], { x: 200 }],
  ['the right edge', box(98, 400), [box(100, 100)], { x: 100 }],
  ['the middle of the stage', box(592, 101), [], { x: 590 }],
  ['the stage’s upper edge', box(300, -4), [], { y: 0 }],
] as const)('snaps to %s', (_, moving, others, wanted) => {
  expect(snap(moving, others, 6).box).toMatchObject(wanted);
});

test('snaps to the middle between two neighbours and shows both gaps', () => {
  const { box: moved, guides } = snap(box(347, 103), [box(100, 100), box(600, 100)], 6);
  expect(moved.x).toBe(350);
  expect(guides.filter(({ is }) => is === 'gap')).toEqual([
    expect.objectContaining({ axis: 'y', from: 200, to: 350 }),
    expect.objectContaining({ axis: 'y', from: 450, to: 600 }),
  ]);
});

test('snaps to the gap that its neighbours have', () => {
  expect(snap(box(383, 103), [box(100, 100), box(240, 100)], 6).box.x).toBe(380);
  expect(snap(box(137, 103), [box(280, 100), box(420, 100)], 6).box.x).toBe(140);
});

test('a side that is pulled snaps, the others stay', () => {
  const { box: pulled } = snapSides(box(100, 100, 197, 60), 'e', [box(300, 300)], 6);
  expect(pulled).toEqual(box(100, 100, 200, 60));
  expect(snapSides(box(103, 100), 'w', [box(100, 300)], 6).box).toEqual(box(100, 100, 103, 60));
  expect(snapSides(box(103, 100), 'n', [box(100, 300)], 6).box).toEqual(box(103, 100));
});

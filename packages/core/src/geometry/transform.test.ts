import * as fc from 'fast-check';
import {
  boundsOf,
  cornersOf,
  fromShares,
  HANDLES,
  inShares,
  isInBox,
  resize,
  SMALLEST,
  snapTurn,
  turn,
  type Box,
  type Handle,
  type Point,
} from '../index.js';

const aBox = fc.record({
  x: fc.integer({ min: -500, max: 1500 }),
  y: fc.integer({ min: -500, max: 1000 }),
  w: fc.integer({ min: 8, max: 900 }),
  h: fc.integer({ min: 8, max: 700 }),
});
const anAngle = fc.integer({ min: 0, max: 359 });
const close = (a: Point, b: Point): void => {
  expect(a.x).toBeCloseTo(b.x, 4);
  expect(a.y).toBeCloseTo(b.y, 4);
};

test('a quarter turn goes clockwise', () => {
  close(turn({ x: 10, y: 0 }, { x: 0, y: 0 }, 90), { x: 0, y: 10 });
  const [upperLeft] = cornersOf({ x: 0, y: 0, w: 20, h: 10 }, 90);
  close(upperLeft, { x: 15, y: -5 });
  expect(boundsOf({ x: 0, y: 0, w: 20, h: 10 }, 90).w).toBeCloseTo(10);
});

test('a place in shares of a turned box and back is the same place', () => {
  fc.assert(
    fc.property(aBox, anAngle, fc.integer(), fc.integer(), (box, rotation, x, y) => {
      const at = { x: x % 2000, y: y % 2000 };
      close(fromShares(box, rotation, inShares(box, rotation, at)), at);
    }),
  );
});

test('the middle lies in every turned box, and so do its corners', () => {
  fc.assert(
    fc.property(aBox, anAngle, (box, rotation) => {
      expect(isInBox(box, rotation, { x: box.x + box.w / 2, y: box.y + box.h / 2 })).toBe(true);
      const bounds = boundsOf(box, rotation);
      for (const { x, y } of cornersOf(box, rotation)) {
        expect(x >= bounds.x - 1e-6 && x <= bounds.x + bounds.w + 1e-6).toBe(true);
        expect(y >= bounds.y - 1e-6 && y <= bounds.y + bounds.h + 1e-6).toBe(true);
      }
    }),
  );
});

/** What a pull on a handle leaves where it is: the opposite corner, or the middle of the opposite side. */
function opposite(box: Box, rotation: number, handle: Handle): Point {
  const across = handle.includes('w') ? 1 : handle.includes('e') ? 0 : 0.5;
  const down = handle.includes('n') ? 1 : handle.includes('s') ? 0 : 0.5;
  return fromShares(box, rotation, { x: across, y: down });
}

describe('resizing', () => {
  test('keeps the opposite corner of a turned box, and never gets too small', () => {
    fc.assert(
      fc.property(
        ...([aBox, anAngle, fc.constantFrom(...HANDLES)] as const),
        ...([
          fc.integer({ min: -2000, max: 2000 }),
          fc.integer({ min: -2000, max: 2000 }),
        ] as const),
        fc.boolean(),
        (box, rotation, handle, dx, dy, keep) => {
          const pulled = resize(box, handle, dx, dy, { keep, rotation });
          expect(pulled.w).toBeGreaterThanOrEqual(SMALLEST - 1e-6);
          expect(pulled.h).toBeGreaterThanOrEqual(SMALLEST - 1e-6);
          close(opposite(pulled, rotation, handle), opposite(box, rotation, handle));
          if (keep) expect(pulled.w / pulled.h).toBeCloseTo(box.w / box.h, 3);
        },
      ),
    );
  });

  test('from the middle the middle stays', () => {
    fc.assert(
      fc.property(aBox, anAngle, fc.constantFrom(...HANDLES), (box, rotation, handle) => {
        const pulled = resize(box, handle, 40, 30, { fromMiddle: true, rotation });
        close(
          { x: pulled.x + pulled.w / 2, y: pulled.y + pulled.h / 2 },
          { x: box.x + box.w / 2, y: box.y + box.h / 2 },
        );
      }),
    );
  });

  test.each([
    ['e', 50, 20, { x: 0, y: 0, w: 150, h: 60 }],
    ['nw', -10, 10, { x: -10, y: 10, w: 110, h: 50 }],
    ['s', 5, -20, { x: 0, y: 0, w: 100, h: 40 }],
  ] as const)('pulled by %s', (handle, dx, dy, wanted) => {
    expect(resize({ x: 0, y: 0, w: 100, h: 60 }, handle, dx, dy)).toEqual(wanted);
  });
});

test.each([
  [13, false, 15],
  [20, false, 20],
  [20, true, 15],
  [-3, false, 0],
  [358, false, 0],
  [740, true, 15],
])('an angle of %s degrees snaps (forced: %s) to %s', (degrees, isForced, wanted) =>
  expect(snapTurn(degrees, isForced)).toBe(wanted),
);

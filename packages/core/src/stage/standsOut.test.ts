import * as fc from 'fast-check';
import { standsOut, type SmallPicture } from './standsOut.js';

type Colour = readonly [r: number, g: number, b: number, opacity?: number];

/** A picture of which each pixel is asked for, in shares of it. */
function drawn(width: number, height: number, at: (x: number, y: number) => Colour): SmallPicture {
  const data: number[] = [];
  for (let row = 0; row < height; row += 1) {
    for (let column = 0; column < width; column += 1) {
      const [r, g, b, opacity = 255] = at((column + 0.5) / width, (row + 0.5) / height);
      data.push(r, g, b, opacity);
    }
  }
  return { data, width, height };
}

const SAND: Colour = [236, 214, 170];
const CRAB: Colour = [200, 70, 40];
const CLEAR: Colour = [0, 0, 0, 0];

/** Sky above, water below, light on both. */
const sea = (x: number, y: number): Colour =>
  y < 0.45 ? [150 + 60 * x, 190 + 30 * y, 225] : [30, 90 + 40 * x, 120 + 30 * y];

test('a thing before an even ground is framed whole, wherever it lies and whatever the ground is of', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 16, max: 84 }),
      fc.integer({ min: 16, max: 84 }),
      fc.integer({ min: 5, max: 12 }),
      fc.constantFrom(SAND, CLEAR),
      (left, top, radius, ground) => {
        const [x, y, r] = [left / 100, top / 100, radius / 100];
        const box = standsOut(
          drawn(64, 48, (u, v) => (Math.hypot(u - x, v - y) < r ? CRAB : ground)),
        )!;
        const pixel = 1 / 48;
        expect(box.x).toBeLessThanOrEqual(Math.max(0, x - r + pixel));
        expect(box.y).toBeLessThanOrEqual(Math.max(0, y - r + pixel));
        expect(box.x + box.w).toBeGreaterThanOrEqual(x + r - pixel);
        expect(box.y + box.h).toBeGreaterThanOrEqual(y + r - pixel);
        // And hardly more than it.
        expect(Math.max(box.w, box.h)).toBeLessThan(2 * r + 0.14);
      },
    ),
    { numRuns: 60 },
  );
});

test('before sky and water, what is of neither is framed', () => {
  for (const x of [0.25, 0.5, 0.75]) {
    const box = standsOut(
      drawn(64, 48, (u, v) => (Math.abs(u - x) < 0.05 && v > 0.25 && v < 0.7 ? CRAB : sea(u, v))),
    )!;
    expect(box.x).toBeLessThanOrEqual(x - 0.04);
    expect(box.x + box.w).toBeGreaterThanOrEqual(x + 0.04);
    expect(box.w).toBeLessThan(0.45);
    expect(box.y).toBeLessThanOrEqual(0.27);
    expect(box.y + box.h).toBeGreaterThanOrEqual(0.68);
  }
});

test('where nothing stands out nothing is guessed', () => {
  expect(standsOut(drawn(40, 30, () => SAND))).toBeNull();
  expect(standsOut(drawn(40, 30, () => CLEAR))).toBeNull();
  expect(standsOut(drawn(2, 60, (_, y) => (y < 0.5 ? SAND : CRAB)))).toBeNull();
  expect(standsOut(drawn(1, 1, () => CRAB))).toBeNull();
});

test('whatever the pixels are, what is guessed lies in the picture, and the same is guessed again', () => {
  const picture = fc
    .record({ width: fc.integer({ min: 1, max: 24 }), height: fc.integer({ min: 1, max: 24 }) })
    .chain(({ width, height }) =>
      fc
        .uint8Array({ minLength: 4 * width * height, maxLength: 4 * width * height })
        .map((data) => ({ data, width, height })),
    );
  fc.assert(
    fc.property(picture, (one) => {
      const box = standsOut(one);
      expect(standsOut(one)).toEqual(box);
      if (!box) return;
      expect(Math.min(box.x, box.y)).toBeGreaterThanOrEqual(0);
      expect(Math.min(box.w, box.h)).toBeGreaterThan(0);
      expect(Math.max(box.x + box.w, box.y + box.h)).toBeLessThanOrEqual(1 + 1e-9);
    }),
    { numRuns: 200 },
  );
});

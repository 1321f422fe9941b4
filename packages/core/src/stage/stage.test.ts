import * as fc from 'fast-check';
import {
  clampToStage,
  HANDLES,
  newElementBox,
  phoneReading,
  piecesIn,
  readDeck,
  readingOrder,
  resize,
  snap,
  spotInZone,
  STAGE,
  zoneUnder,
  type ZoneElement,
} from '../index.js';
import { choice, choiceQuestion, deck, piece, slide, text, zone } from '../testing/builder.js';

const aBox = fc.record({
  x: fc.integer({ min: -500, max: 1500 }),
  y: fc.integer({ min: -500, max: 1000 }),
  w: fc.integer({ min: 8, max: 900 }),
  h: fc.integer({ min: 8, max: 700 }),
});
const scene = readDeck(
  deck(
    slide(
      's: Pool',
      text('Sort them', { id: 'say', box: { x: 96, y: 156, w: 500, h: 60 } }),
      piece('crab', 'crab', { x: 100, y: 600, w: 120, h: 50 }),
      piece('weed', 'weed', { x: 260, y: 600, w: 120, h: 50 }),
      zone('pool', 'pool', { x: 100, y: 300, w: 400, h: 200 }),
      zone('deep', 'deep', { x: 150, y: 350, w: 200, h: 100 }),
      choiceQuestion('q', 'Why?', ['a', 'b'], { box: { x: 700, y: 156, w: 400, h: 300 } }),
      choice('On', 's'),
    ),
  ),
).slides.s!;
const pool = scene.elements.find((e) => e.id === 'pool') as ZoneElement;

describe('zones', () => {
  test('the smallest zone under the middle of a piece holds it', () => {
    expect(zoneUnder(scene, { x: 160, y: 360, w: 120, h: 50 })?.id).toBe('deep');
    expect(zoneUnder(scene, { x: 390, y: 320, w: 100, h: 50 })?.id).toBe('pool');
    expect(zoneUnder(scene, { x: 900, y: 320, w: 100, h: 50 })).toBeNull();
  });
  test('pieces put in by name come to lie inside, side by side', () => {
    const first = spotInZone(scene, {}, 'crab', pool);
    const second = spotInZone(scene, { crab: first }, 'weed', pool);
    expect(zoneUnder({ ...scene, elements: [pool] }, { ...first, w: 120, h: 50 })?.id).toBe('pool');
    expect(zoneUnder({ ...scene, elements: [pool] }, { ...second, w: 120, h: 50 })?.id).toBe(
      'pool',
    );
    expect(second.x >= first.x + 120 || second.y !== first.y).toBe(true);
    expect(
      piecesIn(
        { ...scene, elements: scene.elements.filter((e) => e.id !== 'deep') },
        { crab: first, weed: second },
        pool,
      ),
    ).toEqual(['crab', 'weed']);
  });
  test('a piece never leaves the stage', () => {
    fc.assert(
      fc.property(aBox, (b) => {
        const { x, y } = clampToStage(b);
        expect(
          x >= 0 &&
            y >= 0 &&
            x <= Math.max(0, STAGE.width - b.w) &&
            y <= Math.max(0, STAGE.height - b.h),
        ).toBe(true);
      }),
    );
  });
});

describe('resizing', () => {
  test('keeps the opposite side and never gets too small', () => {
    fc.assert(
      fc.property(
        aBox,
        fc.constantFrom(...HANDLES),
        fc.integer({ min: -2000, max: 2000 }),
        fc.integer({ min: -2000, max: 2000 }),
        fc.boolean(),
        (b, handle, dx, dy, keep) => {
          const r = resize(b, handle, dx, dy, keep);
          expect(r.w).toBeGreaterThanOrEqual(7.999);
          expect(r.h).toBeGreaterThanOrEqual(7.999);
          if (handle.includes('w')) expect(r.x + r.w).toBeCloseTo(b.x + b.w);
          else expect(r.x).toBe(b.x);
          if (handle.includes('n')) expect(r.y + r.h).toBeCloseTo(b.y + b.h);
          else expect(r.y).toBe(b.y);
          if (keep && handle.length === 2) expect(r.w / r.h).toBeCloseTo(b.w / b.h, 3);
        },
      ),
    );
  });
});

describe('snapping', () => {
  test('moves by no more than the reach, and lands on the line it shows', () => {
    fc.assert(
      fc.property(aBox, fc.array(aBox, { maxLength: 5 }), (b, others) => {
        const { box, guides } = snap(b, others, 6);
        expect(Math.abs(box.x - b.x)).toBeLessThanOrEqual(6);
        expect(Math.abs(box.y - b.y)).toBeLessThanOrEqual(6);
        for (const { axis, at } of guides) {
          const size = axis === 'x' ? box.w : box.h;
          expect(
            [box[axis], box[axis] + size / 2, box[axis] + size].some(
              (line) => Math.abs(line - at) < 1e-9,
            ),
          ).toBe(true);
        }
      }),
    );
  });
});

describe('reading order', () => {
  test('top to bottom, left to right, and every thing once', () => {
    expect(readingOrder(scene.elements.filter((e) => e.kind === 'text')).map((e) => e.id)).toEqual([
      's-title',
      'say',
      's-s-on-choice',
      'crab',
      'weed',
    ]);
  });
  test('a phone reads words, pieces and questions below the picture', () => {
    const reading = phoneReading(scene);
    expect(reading.title?.id).toBe('s-title');
    expect(reading.texts.map((e) => e.id)).toEqual(['say']);
    expect(reading.pieces.map((e) => e.id)).toEqual(['crab', 'weed']);
    expect(reading.questions.map((e) => e.id)).toEqual(['q']);
  });
});

test('a new thing goes where nothing lies yet, as near the middle as it can', () => {
  expect(newElementBox({ ...scene, elements: [] }, { w: 280, h: 120 })).toEqual({
    x: 500,
    y: 300,
    w: 280,
    h: 120,
  });
  const spot = newElementBox(scene, { w: 200, h: 80 });
  for (const { box } of scene.elements) {
    const isApart =
      spot.x >= box.x + box.w ||
      box.x >= spot.x + spot.w ||
      spot.y >= box.y + box.h ||
      box.y >= spot.y + spot.h;
    expect(isApart).toBe(true);
  }
});

import * as fc from 'fast-check';
import { addElement, elementOf, mattersAt, pictureFrame, readDeck } from '../../index.js';
import { deck, slide } from '../../testing/builder.js';
import type { PictureElement } from './picture.js';

const asset = { hash: 'a'.repeat(64), width: 40, height: 30, isAnimated: false };

/** A picture of which something has been written by some other program. */
function readWith(fields: Record<string, unknown>): PictureElement {
  const doc = deck(slide('s'));
  addElement(doc, 's', {
    kind: 'picture',
    layer: 'content',
    box: { x: 0, y: 0, w: 400, h: 300 },
    id: 'p',
    asset,
  });
  const map = elementOf(doc, 's', 'p')!;
  for (const [key, value] of Object.entries(fields)) map.set(key, value);
  return readDeck(doc).slides.s!.elements.find((one) => one.kind === 'picture')!;
}

test('a picture of which nothing is said is shown whole and as it is', () => {
  const { crop, adjust } = readWith({});
  expect(crop).toEqual({ x: 0, y: 0, w: 1, h: 1 });
  expect(Object.values(adjust).every((value) => value === 0)).toBe(true);
});

test('what is cut out of a picture lies in it, and adjustments keep to their scale, whatever is written there', () => {
  const anything = fc.oneof(
    fc.double({ min: -3, max: 3 }),
    fc.constantFrom(null, 'x', Number.NaN, Infinity, {}),
  );
  fc.assert(
    fc.property(
      fc.record({ x: anything, y: anything, w: anything, h: anything }),
      fc.record({ brightness: anything, contrast: anything, colour: anything, warmth: anything }),
      (crop, adjust) => {
        const read = readWith({ crop: { ...crop }, adjust: { ...adjust } });
        const { x, y, w, h } = read.crop;
        for (const [from, size] of [
          [x, w],
          [y, h],
        ] as const) {
          expect(from >= 0 && size >= 0.01 && from + size <= 1 + 1e-9).toBe(true);
        }
        for (const value of Object.values(read.adjust)) {
          expect(Math.abs(value)).toBeLessThanOrEqual(1);
        }
      },
    ),
    { numRuns: 300 },
  );
});

test('what is said of it within its bounds is what is read', () => {
  const crop = { x: 0.25, y: 0.5, w: 0.5, h: 0.25 };
  expect(readWith({ crop }).crop).toEqual(crop);
  expect(readWith({ adjust: { warmth: -0.5 } }).adjust).toMatchObject({ warmth: -0.5 });
  // Only one side is said: the other is whole.
  expect(readWith({ crop: { w: 0.5, x: 0.5 } }).crop).toEqual({ x: 0.5, y: 0, w: 0.5, h: 1 });
});

test('what seems to matter in a picture stays in view until somebody says what does', () => {
  const seems = { x: 0.7, y: 0.1, w: 0.2, h: 0.2 };
  const asked = { ...asset, width: 400, height: 100, seems };
  const box = { x: 0, y: 0, w: 100, h: 100 };
  const guessed = readWith({ asset: asked, fit: 'cover', box });
  expect(guessed.asset.seems).toEqual(seems);
  // The middle of the guess, 0.8 of 400 units, is in the middle of the box, as near as it stays full.
  expect(pictureFrame(guessed).whole.x).toBe(50 - 0.8 * 400);
  expect(mattersAt(guessed)).toMatchObject({ x: 10, w: 80 });
  const said = readWith({
    asset: asked,
    fit: 'cover',
    box,
    matters: { x: 0, y: 0, w: 0.1, h: 1 },
  });
  expect(pictureFrame(said).whole.x).toBe(0);
  // A forged guess is none that lies outside.
  const forged = readWith({ asset: { ...asset, seems: { x: 9, y: -3, w: 'x', h: 0 } } });
  expect(forged.asset.seems).toEqual({ x: 0, y: 0, w: 1, h: 0.01 });
});

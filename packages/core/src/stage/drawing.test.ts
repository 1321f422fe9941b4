import fc from 'fast-check';
import type { InkElement } from '../elements/ink/ink.js';
import type { LineElement } from '../elements/line/line.js';
import type { PictureElement } from '../elements/picture/picture.js';
import type { SlideElement } from '../elements/registry.js';
import { element, slide, deckNamed } from '../testing/builder.js';
import { readDeck } from '../deck/readDeck.js';
import { inkFrame, strokeFrom, strokesAt } from '../elements/ink/strokes.js';
import { anchorAt } from '../elements/anchors.js';
import { linePoints, lineThrough } from '../elements/line/line.js';
import { pictureFrame } from './pictureFrame.js';
import { fitPicture } from './pictureFit.js';
import { cropBy, cropMoved, wholeOf } from './cropping.js';
import { HANDLES } from '../geometry/resize.js';
import { cornersOf, liesIn, middleOf, turn as turnPoint } from '../geometry/transform.js';

const LOOK = { colour: '', weight: 6, isMarker: false };
const box = { x: 100, y: 100, w: 400, h: 300 };
const asset = { hash: 'a'.repeat(64), width: 800, height: 600, isAnimated: false };

const read = <T extends SlideElement>(
  made: Parameters<typeof element>[0],
  change: Partial<T> = {},
): T => ({
  ...(readDeck(deckNamed('d', slide('s', element(made)))).slides.s!.elements.find(
    ({ id }) => id === made.id,
  ) as T),
  ...change,
});
const picture = (change: Partial<PictureElement> = {}): PictureElement =>
  read<PictureElement>({ id: 'p', kind: 'picture', layer: 'content', asset, box }, change);

describe('ink', () => {
  const stroke = strokeFrom(
    [
      { x: 100, y: 100, pressure: 0.5 },
      { x: 200, y: 100, pressure: 0.5 },
    ],
    LOOK,
  );
  const drawing = (change: Partial<InkElement> = {}): InkElement => {
    const frame = inkFrame([stroke]);
    return read<InkElement>(
      { id: 'i', kind: 'ink', layer: 'content', box: frame, frame, strokes: [stroke] },
      change,
    );
  };

  test('the frame holds the mark, not only its middle line', () => {
    expect(inkFrame([stroke])).toEqual({ x: 94, y: 94, w: 112, h: 12 });
  });

  test.each([
    ['on the stroke', { x: 150, y: 100 }, [0]],
    ['beside it, within reach', { x: 150, y: 110 }, [0]],
    ['out of reach', { x: 150, y: 130 }, []],
    ['beyond its end', { x: 260, y: 100 }, []],
  ])('a stroke is met %s', (_name, at, met) => {
    expect(strokesAt(drawing(), at, 8)).toEqual(met);
  });

  test('it is met where it is seen after it was moved and turned', () => {
    const moved = drawing({ box: { x: 500, y: 300, w: 112, h: 12 }, rotation: 90 });
    expect(strokesAt(moved, { x: 556, y: 270 }, 6)).toEqual([0]);
    expect(strokesAt(moved, { x: 510, y: 306 }, 6)).toEqual([]);
  });
});

describe('the ends of lines', () => {
  const square = read({ id: 'q', kind: 'shape', layer: 'content', shape: 'rectangle', box });

  test.each([
    ['near the middle of a side', { x: 104, y: 255 }, { x: 0, y: 0.5 }],
    ['near the middle', { x: 305, y: 248 }, { x: 0.5, y: 0.5 }],
    ['anywhere else', { x: 200, y: 175 }, { x: 0.25, y: 0.25 }],
  ])('stick %s', (_name, at, share) => {
    expect(anchorAt([square], at, 20)).toEqual({ elementId: 'q', ...share });
  });

  test('stick to nothing over nothing, and to no other line', () => {
    const line = read<LineElement>({ id: 'l', kind: 'line', layer: 'content', box });
    expect(anchorAt([square], { x: 20, y: 20 }, 20)).toBeNull();
    expect(anchorAt([line], { x: 300, y: 250 }, 20)).toBeNull();
  });

  test('a line through points goes through these points', () => {
    const place = fc.record({
      x: fc.integer({ min: -500, max: 1500 }),
      y: fc.integer({ min: -500, max: 1500 }),
    });
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 8 }), (points) => {
        linePoints(lineThrough(points)).forEach((point, index) => {
          expect(point.x).toBeCloseTo(points[index]!.x, 6);
          expect(point.y).toBeCloseTo(points[index]!.y, 6);
        });
      }),
    );
  });
});

describe('cropping', () => {
  const pull = fc.record({
    x: fc.integer({ min: -300, max: 300 }),
    y: fc.integer({ min: -300, max: 300 }),
  });
  const turn = fc.constantFrom(0, 30, 90, 215);

  test('by a handle the picture stays where it is and the window stays on it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...HANDLES), pull, (handle, by) => {
        const before = picture({ fit: 'cover' });
        const after = { ...before, ...cropBy(before, handle, by) };
        const [was, now] = [wholeOf(before), wholeOf(after)];
        for (const side of ['x', 'y', 'w', 'h'] as const) {
          expect(now[side]).toBeCloseTo(was[side], 4);
        }
        const slack = { x: was.x - 0.01, y: was.y - 0.01, w: was.w + 0.02, h: was.h + 0.02 };
        expect(liesIn(after.box, slack)).toBe(true);
      }),
    );
  });

  test('the opposite corner of a turned picture stays where it is seen', () => {
    fc.assert(
      fc.property(turn, pull, (rotation, by) => {
        const before = picture({ rotation, fit: 'cover' });
        const after = cropBy(before, 'se', by);
        const [was] = cornersOf(before.box, rotation);
        const [now] = cornersOf(after.box, rotation);
        expect(now.x).toBeCloseTo(was.x, 4);
        expect(now.y).toBeCloseTo(was.y, 4);
      }),
    );
  });

  test('a picture moved behind its window always fills it', () => {
    fc.assert(
      fc.property(turn, pull, (rotation, by) => {
        const crop = { x: 0.25, y: 0.25, w: 0.5, h: 0.5 };
        const before = picture({ rotation, crop, fit: 'cover' });
        const after = { ...before, ...cropMoved(before, by) };
        const { seen } = pictureFrame(after);
        expect(seen.w).toBeCloseTo(after.box.w, 4);
        expect(seen.h).toBeCloseTo(after.box.h, 4);
        expect(after.crop.x).toBeGreaterThanOrEqual(-1e-9);
        expect(after.crop.x + after.crop.w).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });

  test('a flipped picture is cropped at the side that is pulled, and keeps its other edge', () => {
    const flips = fc.record({ isFlippedAcross: fc.boolean(), isFlippedDown: fc.boolean() });
    fc.assert(
      fc.property(fc.constantFrom(...HANDLES), flips, turn, pull, (handle, flip, rotation, by) => {
        const before = picture({ rotation, fit: 'cover', ...flip });
        const after = { ...before, ...cropBy(before, handle, by) };
        // A point of the picture is seen where it was: flipped about the middle of the window, then turned.
        const seenAt = (one: PictureElement, share: { x: number; y: number }) => {
          const whole = wholeOf(one);
          const middle = middleOf(one.box);
          const at = { x: whole.x + share.x * whole.w, y: whole.y + share.y * whole.h };
          const flipped = {
            x: one.isFlippedAcross ? 2 * middle.x - at.x : at.x,
            y: one.isFlippedDown ? 2 * middle.y - at.y : at.y,
          };
          return turnPoint(flipped, middle, rotation);
        };
        for (const share of [
          { x: 0, y: 0 },
          { x: 0.3, y: 0.8 },
        ]) {
          const [was, now] = [seenAt(before, share), seenAt(after, share)];
          expect(now.x).toBeCloseTo(was.x, 4);
          expect(now.y).toBeCloseTo(was.y, 4);
        }
      }),
    );
  });

  test.each([
    [{ w: 400, h: 300 }, 'cover'],
    [{ w: 500, h: 300 }, 'cover'],
    [{ w: 900, h: 200 }, 'contain'],
  ])('a place of %j is %sed', (place, fit) => {
    expect(fitPicture(asset, place)).toBe(fit);
  });
});

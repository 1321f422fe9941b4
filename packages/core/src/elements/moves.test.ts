import * as fc from 'fast-check';
import {
  boundsOf,
  keptOnTrack,
  linePoints,
  lineThrough,
  middleOf,
  movedBy,
  readDeck,
  stretched,
  turnedBy,
  type Box,
  type LineElement,
  type PieceRules,
  type Place,
  type Point,
  type SlideElement,
} from '../index.js';
import { STAGE } from '../parts/place.js';
import { deck, element, slide } from '../testing/builder.js';

const read = readDeck(
  deck(
    slide(
      's',
      element({ kind: 'shape', shape: 'ellipse', layer: 'content', id: 'shape' } as never),
      element({ kind: 'line', layer: 'content', id: 'line' } as never),
      element({ kind: 'closeup', layer: 'content', id: 'closeup' } as never),
    ),
  ),
).slides.s!.elements;
const sample = (id: string): SlideElement => read.find((one) => one.id === id)!;

const aBox = fc.record({
  x: fc.integer({ min: -300, max: 1400 }),
  y: fc.integer({ min: -300, max: 900 }),
  w: fc.integer({ min: 8, max: 600 }),
  h: fc.integer({ min: 8, max: 500 }),
});
const points = fc.array(
  fc.record({ x: fc.integer({ min: 0, max: 1280 }), y: fc.integer({ min: 0, max: 720 }) }),
  { minLength: 2, maxLength: 5 },
);
const shapes = fc
  .array(fc.record({ box: aBox, rotation: fc.integer({ min: 0, max: 359 }) }), {
    minLength: 1,
    maxLength: 5,
  })
  .map((all) => all.map((one, at) => ({ ...sample('shape'), ...one, id: `t${at}` })));
const aLine = points.map(
  (through) => ({ ...sample('line'), ...lineThrough(through) }) as LineElement,
);
const idsOf = (all: readonly SlideElement[]): string[] => all.map(({ id }) => id);

function after<T extends SlideElement>(all: readonly T[], places: readonly Place[]): T[] {
  return all.map((one) => {
    const place = places.find(({ elementId }) => elementId === one.id);
    if (!place) return one;
    const { box, rotation, points: shares } = place;
    return { ...one, box, rotation, ...(shares && { points: shares }) };
  });
}
const near = (a: Point | Box, b: Point | Box, digits = 4): void => {
  for (const [key, value] of Object.entries(b)) {
    expect((a as unknown as Record<string, number>)[key]).toBeCloseTo(value as number, digits);
  }
};

test('a line through points goes through them', () => {
  fc.assert(
    fc.property(points, (through) => {
      linePoints(lineThrough(through) as LineElement).forEach((at, n) => near(at, through[n]!));
    }),
  );
});

test('what is moved there and back lies where it lay', () => {
  fc.assert(
    fc.property(shapes, fc.integer({ min: -900, max: 900 }), fc.integer(), (all, dx, y) => {
      const there = after(all, movedBy(all, idsOf(all), dx, y % 700));
      there.forEach((one, n) => {
        expect(one.box.x - all[n]!.box.x).toBe(dx);
        expect([one.box.w, one.box.h, one.rotation]).toEqual([
          all[n]!.box.w,
          all[n]!.box.h,
          all[n]!.rotation,
        ]);
      });
      const back = after(there, movedBy(there, idsOf(there), -dx, -(y % 700)));
      expect(back).toEqual(all);
    }),
  );
});

test('a line whose two ends stick to something is not moved, one with a free end is', () => {
  const to = { elementId: 't', x: 0.5, y: 0.5 };
  const line = {
    ...sample('line'),
    ...lineThrough([
      { x: 0, y: 0 },
      { x: 640, y: 360 },
    ]),
  };
  const held = { ...line, from: to, to } as LineElement;
  expect(movedBy([held], ['line'], 9, 9)).toEqual([]);
  expect(movedBy([{ ...held, to: null }], ['line'], 9, 9)).toHaveLength(1);
});

test('a close-up takes along what lies in it, but not what is locked, scenery, or reaches out of it', () => {
  const closeUp = { ...sample('closeup'), box: { x: 100, y: 100, w: 400, h: 300 } };
  const at = (id: string, x: number, more: object = {}): SlideElement =>
    ({ ...sample('shape'), id, box: { x, y: 200, w: 80, h: 60 }, ...more }) as SlideElement;
  const all = [
    closeUp,
    at('inside', 200),
    at('locked', 200, { isLocked: true }),
    at('scenery', 200, { layer: 'background' }),
    at('across', 460),
    at('outside', 700),
  ];
  const moved = movedBy(all, ['closeup'], 10, 0).map(({ elementId }) => elementId);
  expect(moved.sort()).toEqual(['closeup', 'inside']);
  expect(movedBy(all, ['inside'], 10, 0)).toHaveLength(1);
});

test('turned as one, everything keeps its distance, and a whole turn brings it back', () => {
  fc.assert(
    fc.property(shapes, fc.integer({ min: 1, max: 359 }), points, (all, degrees, [about]) => {
      const turned = after(all, turnedBy(all, idsOf(all), about!, degrees));
      turned.forEach((one, n) => {
        const was = all[n]!;
        const far = (box: Box): number =>
          Math.hypot(middleOf(box).x - about!.x, middleOf(box).y - about!.y);
        expect(far(one.box)).toBeCloseTo(far(was.box), 4);
        expect(one.rotation).toBe((was.rotation + degrees) % 360);
      });
      const round = after(turned, turnedBy(turned, idsOf(turned), about!, 360 - degrees));
      round.forEach((one, n) => {
        near(one.box, all[n]!.box);
        expect(one.rotation).toBe(all[n]!.rotation);
      });
    }),
  );
});

test('a line is turned by its points and stays as long as it was', () => {
  fc.assert(
    fc.property(aLine, fc.integer({ min: 1, max: 359 }), points, (line, degrees, [about]) => {
      const [turned] = after([line], turnedBy([line], ['line'], about!, degrees));
      expect(turned!.rotation).toBe(0);
      const lengths = (of: LineElement): number[] => {
        const at = linePoints(of);
        return at.slice(1).map(({ x, y }, n) => Math.hypot(x - at[n]!.x, y - at[n]!.y));
      };
      lengths(turned!).forEach((length, n) => expect(length).toBeCloseTo(lengths(line)[n]!, 3));
    }),
  );
});

test('stretched as one, what is not turned keeps its share of the whole; what is turned keeps its shape', () => {
  fc.assert(
    fc.property(shapes, aBox, aBox, (drawn, from, to) => {
      const all = drawn.map((one, at) => (at % 2 ? one : { ...one, rotation: 0 }));
      const now = after(all, stretched(all, idsOf(all), from, to));
      now.forEach((one, n) => {
        const was = all[n]!;
        const share = (box: Box, whole: Box): Point => {
          const { x, y } = was.rotation === 0 ? box : middleOf(box);
          return { x: (x - whole.x) / whole.w, y: (y - whole.y) / whole.h };
        };
        near(share(one.box, to), share(was.box, from));
        if (was.rotation !== 0 && Math.min(one.box.w, one.box.h) > 1) {
          expect(one.box.w / one.box.h).toBeCloseTo(was.box.w / was.box.h, 4);
        }
        expect(boundsOf(one.box, one.rotation).w).toBeGreaterThan(0);
      });
    }),
  );
});

describe('a piece that is pulled goes along its track', () => {
  const rules = (track: string, range: Box | null, isRising = false): PieceRules =>
    ({ track, range, isRising }) as PieceRules;
  const start = { x: 300, y: 200, w: 60, h: 40 };
  const anywhere = fc.record({
    x: fc.integer({ min: -900, max: 2200 }),
    y: fc.integer({ min: -900, max: 1600 }),
    w: fc.constant(60),
    h: fc.constant(40),
  });
  const range = { x: 200, y: 150, w: 500, h: 300 };

  test.each(['free', 'across', 'down', 'area', 'line'])('%s: never off the stage', (track) => {
    fc.assert(
      fc.property(anywhere, fc.option(aBox), (box, room) => {
        const { x, y } = keptOnTrack(rules(track, room), start, box);
        expect(x >= 0 && x <= STAGE.width - box.w).toBe(true);
        expect(y >= 0 && y <= STAGE.height - box.h).toBe(true);
      }),
    );
  });

  test('across and down it moves one way only, within its range', () => {
    fc.assert(
      fc.property(anywhere, (box) => {
        const across = keptOnTrack(rules('across', range), start, box);
        expect(across.y).toBe(start.y);
        expect(across.x).toBe(Math.min(640, Math.max(200, box.x)));
        const down = keptOnTrack(rules('down', range), start, box);
        expect(down.x).toBe(start.x);
        expect(down.y).toBe(Math.min(410, Math.max(150, box.y)));
        const area = keptOnTrack(rules('area', range), start, box);
        expect(area).toEqual({ x: across.x, y: down.y });
      }),
    );
  });

  test.each([false, true])(
    'on a line its middle is nearest to where it is pulled (rising: %s)',
    (up) => {
      fc.assert(
        fc.property(anywhere, (box) => {
          const at = middleOf({ ...box, ...keptOnTrack(rules('line', range, up), start, box) });
          const on = (share: number): Point => ({
            x: range.x + share * range.w,
            y: up ? range.y + range.h - share * range.h : range.y + share * range.h,
          });
          const far = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
          const shares = Array.from({ length: 201 }, (_, n) => on(n / 200));
          const best = Math.min(...shares.map((one) => far(one, middleOf(box))));
          expect(far(at, middleOf(box))).toBeLessThan(best + 3);
          expect(Math.min(...shares.map((one) => far(one, at)))).toBeLessThan(3);
        }),
      );
    },
  );
});

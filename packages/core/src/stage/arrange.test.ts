import * as fc from 'fast-check';
import {
  align,
  ALIGNINGS,
  boundsOf,
  readDeck,
  sameSize,
  spread,
  type Place,
  type Box,
  type SlideElement,
} from '../index.js';
import { deck, element, slide } from '../testing/builder.js';

const shape = Object.values(
  readDeck(deck(slide('s', element({ kind: 'shape', shape: 'ellipse' } as never)))).slides,
)[0]!.elements.find(({ kind }) => kind === 'shape')!;

const things = fc
  .array(
    fc.record({
      box: fc.record({
        x: fc.integer({ min: -300, max: 1500 }),
        y: fc.integer({ min: -300, max: 900 }),
        w: fc.integer({ min: 8, max: 600 }),
        h: fc.integer({ min: 8, max: 500 }),
      }),
      rotation: fc.constantFrom(0, 0, 90, 33, 271),
      isLocked: fc.boolean(),
    }),
    { minLength: 1, maxLength: 7 },
  )
  .map((all) => all.map((one, at) => ({ ...shape, ...one, id: `t${at}` }) as SlideElement));
const idsOf = (all: readonly SlideElement[]): string[] => all.map(({ id }) => id);
const free = (all: readonly SlideElement[]): SlideElement[] => all.filter((one) => !one.isLocked);

/** How far things reach once they lie in their places. */
function after(all: readonly SlideElement[], places: readonly Place[]): Box[] {
  const moved = new Map(places.map((place) => [place.elementId, place]));
  return all.map(({ id, box, rotation }) => {
    const place = moved.get(id);
    return boundsOf(place?.box ?? box, place?.rotation ?? rotation);
  });
}
const EDGES: Record<(typeof ALIGNINGS)[number], (box: Box) => number> = {
  left: ({ x }) => x,
  middle: ({ x, w }) => x + w / 2,
  right: ({ x, w }) => x + w,
  top: ({ y }) => y,
  centre: ({ y, h }) => y + h / 2,
  bottom: ({ y, h }) => y + h,
};

describe.each(ALIGNINGS)('aligned %s', (how) => {
  test('what is free has that edge in common, inside of what it took up', () => {
    fc.assert(
      fc.property(things, (all) => {
        const can = free(all);
        if (can.length < 2) return;
        const before = can.map(({ box, rotation }) => EDGES[how](boundsOf(box, rotation)));
        const edges = after(can, align(all, idsOf(all), how)).map(EDGES[how]);
        for (const edge of edges) expect(edge).toBeCloseTo(edges[0]!, 6);
        if (how === 'left' || how === 'top') expect(edges[0]).toBeCloseTo(Math.min(...before), 6);
        if (how === 'right' || how === 'bottom')
          expect(edges[0]).toBeCloseTo(Math.max(...before), 6);
      }),
    );
  });

  test('locked things stay, and where they lie makes no difference', () => {
    fc.assert(
      fc.property(things, fc.integer({ min: -900, max: 900 }), (all, away) => {
        const elsewhere = all.map((one) =>
          one.isLocked ? { ...one, box: { ...one.box, x: one.box.x + away, y: away } } : one,
        );
        const places = align(all, idsOf(all), how);
        expect(places).toEqual(align(elsewhere, idsOf(all), how));
        expect(places.map(({ elementId }) => elementId).sort()).toEqual(idsOf(free(all)).sort());
      }),
    );
  });
});

describe.each([
  ['across', 'x', 'w'],
  ['down', 'y', 'h'],
] as const)('spread %s', (axis, at, size) => {
  test('every gap is the same, the outer two and all that is locked stay', () => {
    fc.assert(
      fc.property(things, (all) => {
        const can = free(all);
        const places = spread(all, idsOf(all), axis);
        if (can.length < 3) return void expect(places).toEqual([]);
        const middle = (box: Box): number => box[at] + box[size] / 2;
        const before = can
          .map((one, index) => ({ index, box: boundsOf(one.box, one.rotation) }))
          .sort((a, b) => middle(a.box) - middle(b.box));
        const boxes = after(can, places);
        const inOrder = before.map(({ index }) => boxes[index]!);
        const gaps = inOrder
          .slice(1)
          .map((box, i) => box[at] - inOrder[i]![at] - inOrder[i]![size]);
        for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0]!, 6);
        expect(inOrder[0]![at]).toBeCloseTo(before[0]!.box[at], 6);
        expect(inOrder.at(-1)![at]).toBeCloseTo(before.at(-1)!.box[at], 6);
        expect(places.some(({ elementId }) => !idsOf(can).includes(elementId))).toBe(false);
      }),
    );
  });
});

test('all become as large as the first one named, also one that is locked; those that are locked do not', () => {
  fc.assert(
    fc.property(things, fc.constantFrom('width', 'height', 'both'), (drawn, what) => {
      const all = drawn.map((one) => ({ ...one, rotation: 0 }));
      const [model, ...others] = all;
      const places = sameSize(all, idsOf(all), what);
      expect(idsOf(free(others)).sort()).toEqual(places.map((one) => one.elementId).sort());
      for (const { elementId, box } of places) {
        const was = all.find(({ id }) => id === elementId)!.box;
        expect(box.w).toBeCloseTo(what === 'height' ? was.w : model!.box.w, 6);
        expect(box.h).toBeCloseTo(what === 'width' ? was.h : model!.box.h, 6);
        expect([box.x, box.y]).toEqual([was.x, was.y]);
      }
    }),
  );
});

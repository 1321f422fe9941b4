import { idOf, meets, union, type SectionId, type SlideId } from '@gobrel/core';
import ELK, { type ElkNode } from 'elkjs/lib/elk.bundled.js';
import { cardAt, mapOf, wireOf } from '../cards/mapOf.testing';
import {
  crossingsOf,
  graphOf,
  layeredLayout,
  roundFixed,
  type CardSpot,
  type ToLayOut,
} from './layeredLayout';

const elk = new ELK();
const layOut = (graph: ElkNode): Promise<ElkNode> => elk.layout(graph);
const section = (id: string, parentId: string | null = null): ToLayOut['sections'][number] => ({
  id: idOf<SectionId>(id),
  parentId: parentId === null ? null : idOf<SectionId>(parentId),
});

/** A generated map to lay out; every third card in one of three sections, the last of them in another. */
function given(cards: number, seed: number, hasSections = false): ToLayOut {
  const { spots, wires } = mapOf(cards, seed);
  const sectionOf = (at: number): SectionId | null =>
    hasSections && at % 3 > 0 ? idOf<SectionId>(`s${at % 4}`) : null;
  return {
    slides: [...spots.keys()].map((id, at) => ({ id: idOf(id), sectionId: sectionOf(at) })),
    sections: hasSections ? [section('s0'), section('s1'), section('s2'), section('s3', 's2')] : [],
    wires,
    direction: 'right',
  };
}

test('of several layouts the one is taken whose wires cross the least', async () => {
  let [taken, first] = [0, 0];
  for (const seed of [21, 81]) {
    const map = given(10 + (seed % 31), seed * 7919);
    const laid: CardSpot[][] = [];
    const spots = await layeredLayout(
      async (graph) => {
        const done = await layOut(graph);
        laid.push(done.children!.map(({ id, x, y }) => ({ slideId: idOf(id), x: x!, y: y! })));
        return done;
      },
      map,
      Infinity,
    );
    const counts = laid.map((one) => crossingsOf(one, map));
    expect(crossingsOf(spots, map)).toBe(Math.min(...counts));
    taken += Math.min(...counts);
    first += counts[0]!;
  }
  expect(taken).toBeLessThan(first);
});

test('what lies in a section lies together: no other card comes into its room', async () => {
  const map = given(24, 99, true);
  const spots = await layeredLayout(layOut, map);
  const within = (id: string): string[] => (id === 's2' ? ['s2', 's3'] : [id]);
  for (const { id } of map.sections) {
    const isIn = ({ slideId }: CardSpot): boolean =>
      within(id).includes(map.slides.find((slide) => slide.id === slideId)!.sectionId ?? '');
    const room = union(spots.filter(isIn).map(cardAt))!;
    const strangers = spots.filter((spot) => !isIn(spot) && meets(cardAt(spot), room));
    expect(strangers).toEqual([]);
  }
  const boxes = spots.map(cardAt);
  expect(boxes.filter((box, at) => boxes.slice(at + 1).some((other) => meets(box, other)))).toEqual(
    [],
  );
});

test.each(['right', 'down'] as const)(
  'walks begin at the first slide and go %s, whatever leads back',
  async (direction) => {
    const map: ToLayOut = {
      slides: ['start', 'b', 'c', 'end'].map((id) => ({ id: idOf(id), sectionId: null })),
      sections: [],
      wires: [
        ...[wireOf('start', 'b', ''), wireOf('b', 'c', ''), wireOf('start', 'c', '')],
        ...[wireOf('c', 'end', ''), wireOf('end', 'start', ''), wireOf('c', 'b', '')],
      ],
      direction,
    };
    const spots = await layeredLayout(layOut, map);
    const order = spots.toSorted((a, b) => (direction === 'right' ? a.x - b.x : a.y - b.y));
    expect(order.map(({ slideId }) => slideId)).toEqual(['start', 'b', 'c', 'end']);
  },
);

test('where a layout takes long no other is begun', async () => {
  let times = 0;
  const map = given(12, 21);
  const spots = await layeredLayout(
    async (graph) => {
      times += 1;
      return layOut(graph);
    },
    map,
    -1,
  );
  expect([times, spots.length]).toEqual([1, 12]);
});

test('a large map is laid out once, and an empty section asks for no room', async () => {
  let times = 0;
  const map = { ...given(130, 5), sections: [section('empty'), section('in it', 'empty')] };
  const spots = await layeredLayout(async (graph) => {
    times += 1;
    return layOut(graph);
  }, map);
  expect([times, spots.length]).toEqual([1, 130]);
  expect(graphOf(map, {}).children).toHaveLength(130);
});

test('cards placed by hand stay; the others are laid round them and touch none', () => {
  const spots = ['a', 'b', 'c'].map((id, at) => ({
    slideId: idOf<SlideId>(id),
    x: at * 270,
    y: 0,
  }));
  const fixed = new Map([[idOf<SlideId>('b'), { x: 300, y: 400 }]]);
  const laid = roundFixed(spots, fixed, 'right');
  expect(laid.map(({ slideId }) => slideId)).toEqual(['a', 'c']);
  expect(laid[0]).toMatchObject({ x: 30, y: 400 });
  const near = roundFixed(
    spots,
    new Map([...fixed, [idOf<SlideId>('a'), { x: 560, y: 410 }]]),
    'down',
  );
  for (const spot of near) expect(meets(cardAt(spot), cardAt({ x: 560, y: 410 }))).toBe(false);
  expect(roundFixed(spots, new Map(), 'right')).toEqual(spots);
});

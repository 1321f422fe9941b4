import * as fc from 'fast-check';
import {
  idOf,
  onlyWayOut,
  reachableFrom,
  readDeck,
  routeGraph,
  setBox,
  waitsForChoice,
  waysOn,
  whatStudentsMeet,
} from '../index.js';
import { choice, deck, ending, leftOut, slide } from '../testing/builder.js';

test('reachability agrees with brute force on random graphs', () => {
  const wires = fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 14 });
  fc.assert(
    fc.property(wires, (pairs) => {
      const ids = ['n0', 'n1', 'n2', 'n3', 'n4', 'n5', 'n6'];
      const read = readDeck(
        deck(
          ...ids.map((id, i) =>
            slide(
              id,
              ...pairs.flatMap(([from, to], k) =>
                from === i ? [choice(`w${k}`, ids[to]!, `l${k}`)] : [],
              ),
            ),
          ),
        ),
      );
      const graph = routeGraph(read);
      let brute = new Set(['n0']);
      for (let round = 0; round < ids.length; round++) {
        brute = new Set([
          ...brute,
          ...pairs.filter(([from]) => brute.has(ids[from]!)).map(([, to]) => ids[to]!),
        ]);
      }
      expect(reachableFrom(graph, 'n0')).toEqual(brute);
      expect([...graph.waysOut.values()].flat()).toHaveLength(pairs.length);
    }),
    { numRuns: 60 },
  );
});

test('arrows go on along an only way and stop at choices', () => {
  const graph = routeGraph(
    readDeck(
      deck(
        slide('a', choice('go', 'b')),
        slide('b', choice('left', 'c'), choice('right', 'a')),
        slide('c', ending()),
      ),
    ),
  );
  expect(onlyWayOut(graph, 'a')?.target).toEqual({ kind: 'slide', slideId: 'b' });
  expect(onlyWayOut(graph, 'b')).toBeNull();
  expect(waitsForChoice(graph, 'b')).toBe(true);
  expect(onlyWayOut(graph, 'c')).toBeNull();
});

test('a class goes on, and votes, in reading order and only to where students can go', () => {
  const read = readDeck(
    deck(
      slide(
        'a',
        choice('Second', 'c', 'two'),
        choice('Hidden', 'h', 'no'),
        choice('Third', 'b', 'three'),
      ),
      slide('b', ending()),
      slide('c', ending()),
      slide('h', leftOut()),
    ),
  );
  const graph = routeGraph(whatStudentsMeet(read).deck);
  expect(waysOn(graph, 'a').map(({ id }) => id)).toEqual(['two', 'three']);
  expect(waysOn(graph, 'gone')).toEqual([]);
});

test.each([
  ['a row that is not quite straight', ['A', 'B', 'C'], [0, 3, -2], [0, 300, 600]],
  ['steps that reach into each other', ['A', 'B', 'C'], [0, 40, 0], [0, 220, 440]],
  ['a grid, row by row', ['A', 'B', 'C', 'D'], [0, 0, 90, 90], [0, 500, 0, 500]],
  ['one below the other', ['A', 'B', 'C'], [0, 90, 180], [40, 0, 20]],
])('choices are read as they are seen: %s', (_, words, downs, acrosses) => {
  const doc = deck(slide('a', ...words.map((word) => choice(word, 'z'))), slide('z'));
  const linked = (): string[] => {
    const { waysOut } = routeGraph(readDeck(doc));
    return waysOut.get(idOf('a'))!.map(({ wording }) => wording);
  };
  const carriers = readDeck(doc).slides.a!.elements.filter(
    (one) => one.kind === 'text' && one.style === 'choice',
  );
  const placed = (order: readonly number[]): string[] => {
    order.forEach((at, index) => {
      const spot = { x: 100 + acrosses[at]!, y: 200 + downs[at]!, w: 200, h: 60 };
      setBox(doc, idOf('a'), carriers[index]!.id, spot);
    });
    return linked();
  };
  const same = words.map((_word, at) => at);
  expect(placed(same)).toEqual(words);
  // Whatever came first: what counts is where they lie.
  expect(placed([...same].reverse())).toEqual([...words].reverse());
});

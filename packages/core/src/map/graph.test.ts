import * as fc from 'fast-check';
import {
  onlyWayOut,
  reachableFrom,
  readDeck,
  routeGraph,
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

import fc from 'fast-check';
import * as Y from 'yjs';
import {
  addSection,
  addTrail,
  Checker,
  createHistory,
  DeckReader,
  planOf,
  readDeck,
  readFolio,
  readLessonState,
  routeGraph,
  studentView,
} from '../index.js';
import {
  choice,
  choiceQuestion,
  deck,
  ending,
  piece,
  slide,
  text,
  zone,
} from '../testing/builder.js';

const box = { x: 10, y: 10, w: 100, h: 100 };

/** Whatever a program that is not ours may write where something else is expected. */
const junk = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    -1,
    NaN,
    Infinity,
    1e300,
    '',
    '__proto__',
    'constructor',
    'x'.repeat(30_000),
    [],
    [[[]]],
    {},
    { toString: 1 },
    { valueOf: null, toString: { toString: 1 } },
    { kind: { toString: 1 } },
    { kind: '__proto__' },
    { type: 'doc', content: 'none' },
    { elementId: { toString: 1 }, kind: 'element' },
    { slideId: [{}], kind: 'slide' },
    new Uint8Array([1, 2, 3]),
  ),
  fc.jsonValue(),
);
const types = fc.constantFrom(
  () => new Y.Map(),
  () => new Y.Array(),
  () => new Y.Text('x'),
  () => new Y.XmlFragment(),
);

/** All shared maps in a document, however deep, each with its keys. */
function mapsIn(doc: Y.Doc): Y.Map<unknown>[] {
  const found: Y.Map<unknown>[] = [];
  const look = (type: unknown): void => {
    if (type instanceof Y.Map) {
      found.push(type as Y.Map<unknown>);
      for (const value of type.values()) look(value);
    } else if (type instanceof Y.Array) for (const value of type) look(value);
  };
  for (const name of [...doc.share.keys()]) look(doc.share.get(name));
  return found;
}

const sample = (): Y.Doc => {
  const doc = deck(
    slide('a', choice('go', 'b'), text('Words', { id: 't' }), piece('p', 'oar', box)),
    slide('b', ending(), choiceQuestion('q', 'Which?', ['*x', 'y']), zone('z', 'boat', box, ['p'])),
  );
  addSection(doc, { id: 's', name: 'One', slideIds: ['a'] });
  addTrail(doc, { id: 'r', name: 'Short', slideIds: ['a', 'b'] });
  return doc;
};

test('whatever is written into a deck, it is read, checked, planned and sent without a throw', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(), fc.nat(), fc.oneof(junk, types)), { minLength: 1, maxLength: 6 }),
      (writings) => {
        const doc = sample();
        const follower = new DeckReader(doc);
        createHistory(doc);
        follower.read();
        for (const [which, key, value] of writings) {
          const maps = mapsIn(doc);
          const map = maps[which % maps.length]!;
          const keys = [...map.keys(), 'new'];
          const written: unknown = typeof value === 'function' ? (value as () => unknown)() : value;
          map.set(keys[key % keys.length]!, written);
        }
        const read = readDeck(doc);
        expect(follower.read()).toEqual(read);
        new Checker().check(read);
        planOf(read, routeGraph(read));
        studentView(read);
      },
    ),
    { numRuns: 1500 },
  );
});

test('whatever is written into a folio or a lesson’s state, it is read without a throw', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.constantFrom('answers', 'drafts', 'placements', 'votes', 'slides', 'lesson'),
          fc.string(),
          fc.oneof(junk, types),
        ),
        { maxLength: 8 },
      ),
      fc.array(junk, { maxLength: 4 }),
      (entries, steps) => {
        const doc = new Y.Doc();
        for (const [map, key, value] of entries) {
          doc
            .getMap(map)
            .set(key, typeof value === 'function' ? (value as () => unknown)() : value);
        }
        doc.getArray('walk').push(steps);
        readFolio(doc);
        readLessonState(doc);
      },
    ),
  );
});

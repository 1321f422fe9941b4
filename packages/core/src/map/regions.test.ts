import {
  type Box,
  addSection,
  createHistory,
  foldedId,
  mapRegions,
  putIntoSection,
  readDeck,
  removeSection,
  routeGraph,
  seenWires,
  setSection,
} from '../index.js';
import { at, choice, deck, ending, slide } from '../testing/builder.js';

const isle = () => {
  const doc = deck(
    at(0, 0, slide('a', choice('in', 'b'), choice('over', 'd'))),
    at(300, 0, slide('b', choice('on', 'c'), choice('out', 'd'))),
    at(300, 200, slide('c', choice('out', 'd'))),
    at(600, 0, slide('d', ending())),
  );
  addSection(doc, { id: 'cave', name: 'The cave', slideIds: ['b', 'c'] });
  return doc;
};
const wiresOf = (doc: ReturnType<typeof isle>): string[] => {
  const read = readDeck(doc);
  return seenWires(read, routeGraph(read), mapRegions(read)).map(
    ({ from, to, linkIds }) => `${from}>${to} ${linkIds.length}`,
  );
};

test('an open section is a region round its cards; a nested one lies within it', () => {
  const doc = isle();
  addSection(doc, { id: 'deep', name: 'Deep', slideIds: ['c'] });
  const { regions } = mapRegions(readDeck(doc));
  const [outer, inner] = regions;
  expect(regions.map(({ section, depth }) => [section.id, depth])).toEqual([
    ['cave', 0],
    ['deep', 1],
  ]);
  const holds = (a: Box | undefined, b: Box | undefined) =>
    a!.x < b!.x && a!.y < b!.y && a!.x + a!.w > b!.x + b!.w;
  expect([outer!.pieces.length, inner!.pieces.length]).toEqual([1, 1]);
  expect(holds(outer!.pieces[0], inner!.pieces[0])).toBe(true);
});

test('a folded section hides its slides and gathers the wires to and from it', () => {
  const doc = isle();
  expect(wiresOf(doc)).toEqual(['a>b 1', 'a>d 1', 'b>c 1', 'b>d 1', 'c>d 1']);
  setSection(doc, 'cave', { isFolded: true });
  const read = readDeck(doc);
  expect(mapRegions(read).folded).toMatchObject([{ x: 300, y: 0, slideIds: ['b', 'c'] }]);
  expect(mapRegions(read).regions).toEqual([]);
  expect(wiresOf(doc)).toEqual([`a>${foldedId('cave')} 1`, 'a>d 1', `${foldedId('cave')}>d 2`]);
});

test('a section does not lie in itself, and dissolving one hands its slides to the one around it', () => {
  const doc = isle();
  addSection(doc, { id: 'deep', name: 'Deep', slideIds: ['c'] });
  const history = createHistory(doc);
  expect(setSection(doc, 'cave', { parentId: 'deep' }).ok).toBe(false);
  expect(setSection(doc, 'gone', { name: 'x' }).ok).toBe(false);
  expect(addSection(doc, { name: ' ', slideIds: ['a'] }).ok).toBe(false);
  expect(addSection(doc, { name: 'Empty', slideIds: [] }).ok).toBe(false);
  removeSection(doc, 'deep');
  expect(readDeck(doc).slides.c?.sectionId).toBe('cave');
  removeSection(doc, 'cave');
  expect(readDeck(doc).slides.c?.sectionId).toBeNull();
  history.undo();
  history.undo();
  expect(readDeck(doc).slides.c?.sectionId).toBe('deep');
  putIntoSection(doc, ['c'], null);
  expect(mapRegions(readDeck(doc)).regions).toHaveLength(1);
});

import * as Y from 'yjs';
import { addLeaf, LIMITS, readDeck, readFolio, readLeafTitles, slidesMap } from '../index.js';
import { deck, pattern, slide } from '../testing/builder.js';

const page = readDeck(deck(slide('p', pattern()))).slides.p!;

/** A leaf as a device may forge it: a shape in a group in a group …, as deep as it likes. */
function nested(depth: number): Y.Doc {
  const doc = new Y.Doc();
  addLeaf(doc, page, 1, 'leaf');
  const elements = (slidesMap(doc).get('leaf') as Y.Map<unknown>).get('elements') as Y.Map<unknown>;
  doc.transact(() => {
    for (let at = 0; at <= depth; at += 1) {
      const element = new Y.Map<unknown>();
      elements.set(`g${at}`, element);
      element.set('kind', at === depth ? 'shape' : 'group');
      element.set('box', { x: 10, y: 10, w: 100, h: 100 });
      if (at > 0) element.set('groupId', `g${at - 1}`);
    }
  });
  return doc;
}

test('groups as deep as may be keep what is in them; deeper ones do not hold anything up', () => {
  const [fine] = readFolio(nested(LIMITS.groupDepth)).leaves;
  expect(fine!.elements.filter(({ kind }) => kind === 'group')).toHaveLength(LIMITS.groupDepth);
  expect(fine!.elements.find(({ id }) => id === 'g0')!.box.w).toBeGreaterThan(0);
  const [deep] = readFolio(nested(LIMITS.groupDepth + 3)).leaves;
  expect(deep!.elements.some(({ kind }) => kind === 'shape')).toBe(true);
});

test('a leaf of forty thousand nested groups is read no slower than its size', () => {
  const doc = nested(40_000);
  const [leaf] = readFolio(doc).leaves;
  expect(leaf!.elements.length).toBeLessThanOrEqual(LIMITS.elementsPerLeaf);
  expect(readLeafTitles(doc)).toHaveLength(1);
});

test('rings of groups are undone', () => {
  const doc = nested(3);
  const elements = (slidesMap(doc).get('leaf') as Y.Map<unknown>).get('elements') as Y.Map<
    Y.Map<unknown>
  >;
  elements.get('g0')!.set('groupId', 'g2');
  const [leaf] = readFolio(doc).leaves;
  expect(leaf!.elements.filter(({ kind }) => kind === 'group')).toEqual([]);
  expect(leaf!.elements.find(({ kind }) => kind === 'shape')!.groupId).toBeNull();
});

test('a title of a million letters is told by its first', () => {
  const doc = new Y.Doc();
  addLeaf(doc, page, 1, 'leaf');
  const elements = (slidesMap(doc).get('leaf') as Y.Map<unknown>).get('elements') as Y.Map<
    Y.Map<unknown>
  >;
  for (const element of elements.values()) {
    if (element.get('style') !== 'title') continue;
    const paragraph = new Y.XmlElement('paragraph');
    paragraph.insert(0, [new Y.XmlText(`Gulls ${'x'.repeat(1_000_000)}`)]);
    (element.get('text') as Y.XmlFragment).delete(0, (element.get('text') as Y.XmlFragment).length);
    (element.get('text') as Y.XmlFragment).insert(0, [paragraph]);
  }
  const title = readLeafTitles(doc)[0]!.title;
  expect(title).toHaveLength(LIMITS.leafTitle);
  expect(title).toMatch(/^Gulls x/);
});

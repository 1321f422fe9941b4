import type * as Y from 'yjs';
import {
  readDeck,
  readPlainDeck,
  setElements,
  setNumbering,
  setSlideFlag,
  setTurn,
  slideNumbers,
  stepsOn,
  studentView,
} from '../index.js';
import { deck, slide, text } from '../testing/builder.js';

const open = () => {
  const doc = deck(slide('a'), slide('b'), slide('c'), slide('d', text('Words')));
  const at = { a: [0, 0], b: [400, 200], c: [400, 0], d: [800, 0] } as const;
  for (const [id, [x, y]] of Object.entries(at)) {
    const map = doc.getMap<Y.Map<unknown>>('slides').get(id)!;
    map.set('x', x);
    map.set('y', y);
  }
  return doc;
};
const numbers = (doc: ReturnType<typeof open>) => Object.fromEntries(slideNumbers(readDeck(doc)));

test('numbers run across the map and down; none until they are wanted', () => {
  const doc = open();
  expect(numbers(doc)).toEqual({});
  setNumbering(doc, 'all');
  expect(numbers(doc)).toEqual({ a: 1, c: 2, b: 3, d: 4 });
  setNumbering(doc, 'c');
  expect(numbers(doc)).toEqual({ c: 1, b: 2, d: 3 });
  setNumbering(doc, null);
  expect(numbers(doc)).toEqual({});
  expect(setNumbering(doc, 'gone')).toMatchObject({ code: 'slide.gone' });
});

test('students see the numbers that the teacher sees; what is left out has none', () => {
  const doc = open();
  setNumbering(doc, 'all');
  setSlideFlag(doc, 'c', 'isLeftOut', true);
  expect(numbers(doc)).toEqual({ a: 1, b: 2, d: 3 });
  const seen = studentView(readPlainDeck(JSON.parse(JSON.stringify(readDeck(doc)))));
  expect(Object.fromEntries(slideNumbers(seen))).toEqual({ a: 1, b: 2, d: 3 });
});

test('slides come as the deck says, or one of them in its own way; what is no way is refused', () => {
  const doc = open();
  expect(readDeck(doc).turn).toBe('cut');
  setTurn(doc, null, 'travel');
  setTurn(doc, 'b', 'page');
  const read = studentView(readDeck(doc));
  expect([read.turn, read.slides.a!.turn, read.slides.b!.turn]).toEqual(['travel', null, 'page']);
  setTurn(doc, 'b', null);
  expect(readDeck(doc).slides.b!.turn).toBeNull();
  expect(setTurn(doc, null, 'spin' as 'page')).toMatchObject({ code: 'deck.turn' });
  expect(setTurn(doc, 'gone', 'page')).toMatchObject({ code: 'slide.gone' });
  doc.getMap('deck').set('turn', { evil: true });
  expect(readDeck(doc).turn).toBe('cut');
});

test('things come at their steps, twelve at the most', () => {
  const doc = open();
  const [words] = readDeck(doc).slides.d!.elements;
  expect(stepsOn(readDeck(doc).slides.d!)).toBe(0);
  setElements(doc, 'd', [words!.id], { comes: 3 });
  expect(stepsOn(readDeck(doc).slides.d!)).toBe(3);
  setElements(doc, 'd', [words!.id], { comes: 900 });
  expect(stepsOn(readDeck(doc).slides.d!)).toBe(12);
  expect(stepsOn(studentView(readDeck(doc)).slides.d!)).toBe(12);
});

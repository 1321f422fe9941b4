import { mapRegions, type Deck, idOf } from '@gobrel/core';
import { cardAt, sectionUnder } from './cardMoves';

/** Sections by name and what they lie in; slides by name, place and section. */
function deckOf(
  sections: Record<string, string | null>,
  slides: Record<string, [number, number, string | null]>,
): Deck {
  return {
    sections: Object.fromEntries(
      Object.entries(sections).map(([id, parentId]) => [
        id,
        { id, name: id, tint: 'petrol', parentId, isFolded: false },
      ]),
    ),
    slides: Object.fromEntries(
      Object.entries(slides).map(([id, [x, y, sectionId]]) => [id, { id, x, y, sectionId }]),
    ),
  } as unknown as Deck;
}
const deck = deckOf(
  { outer: null, inner: 'outer', other: null },
  {
    a: [0, 0, 'outer'],
    b: [300, 0, 'inner'],
    c: [300, 300, 'inner'],
    d: [3000, 0, 'other'],
    e: [5000, 0, null],
  },
);
const under = (...spots: [string, number, number][]): string | undefined =>
  sectionUnder(
    spots.map(([slideId, x, y]) => ({ slideId: idOf(slideId), x, y })),
    deck,
    mapRegions(deck),
  );

test('a card that is put into a section joins it, the innermost where there are several', () => {
  expect(under(['e', 3000, 20])).toBe('other');
  expect(under(['e', 300, 150])).toBe('inner');
});

test('a card that is moved about within its section, or one around it, stays in it', () => {
  expect(under(['b', 310, 20])).toBeUndefined();
  expect(under(['b', 60, 20])).toBeUndefined();
});

test('what is put beside all of them changes nothing, nor do several that are parted', () => {
  expect(under(['e', 9000, 0])).toBeUndefined();
  expect(under(['e', 3000, 20], ['a', 20, 20])).toBeUndefined();
});

test('a place anywhere on a card is on it', () => {
  const nodes = [{ id: 'a', type: 'card', position: { x: 100, y: 100 } }];
  expect(cardAt(nodes, { x: 101, y: 101 })?.id).toBe('a');
  expect(cardAt(nodes, { x: 99, y: 101 })).toBeUndefined();
});

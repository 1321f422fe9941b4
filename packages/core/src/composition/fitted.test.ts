import { PAPER, readDeck, setBox, setOut, waysToSetOut, idOf, type ElementId } from '../index.js';
import { meets } from '../geometry/transform.js';
import { readingOrder } from '../stage/readingOrder.js';
import { contentBySeed, EMPTY_CONTENT, slideWith } from '../testing/contents.js';
import type { SlideElement } from '../elements/registry.js';
import { contentOf, partsOf } from './content.js';
import { fitted } from './fitted.js';
import { MeasuredTexts, Measures } from './Measures.js';
import { WHOLE_ROOM } from './regions.js';

test.each([470, 616, 2088, 3173, 9901, 10_640])(
  'parts of a crowded slide lie where there is room, and are read in order (%i)',
  (seed) => {
    const { slide } = slideWith(contentBySeed(seed));
    const parts = partsOf(contentOf(slide));
    const least = new Measures(new MeasuredTexts(PAPER, true), 0.78);
    const places = fitted(parts, [], WHOLE_ROOM.box, least)!;
    const laid = parts.map((part) => ({ ...part, box: places.get(part.id)!.box }));
    laid.forEach(({ box }, at) => {
      expect(laid.slice(0, at).filter((other) => meets(other.box, box))).toEqual([]);
    });
    for (const isChoice of [true, false]) {
      const ids = (of: readonly SlideElement[]): ElementId[] =>
        of
          .filter((one) => one.kind === 'text' && (one.style === 'choice') === isChoice)
          .map(({ id }) => id);
      expect(ids(readingOrder(laid))).toEqual(
        ids(parts.map((part) => ({ ...part, box: part.box }))),
      );
    }
  },
);

test('around a thing in the middle that was put there by hand, the others find a spot each', () => {
  const { doc, slideId } = slideWith({
    ...EMPTY_CONTENT,
    title: 'Fog',
    choices: ['Home', 'Row out', 'Wait'],
    pictures: [[1600, 1200]],
  });
  setOut(doc, [slideId]);
  setBox(doc, slideId, idOf<ElementId>('picture0'), { x: 170, y: 150, w: 940, h: 420 });
  expect(waysToSetOut(readDeck(doc).slides[slideId]!, PAPER).map(({ name }) => name)).toEqual([
    'fitted',
  ]);
  setOut(doc, [slideId], 'fitted');
  const { elements } = readDeck(doc).slides[slideId]!;
  elements.forEach(({ box }, at) => {
    expect(elements.slice(0, at).filter((other) => meets(other.box, box))).toEqual([]);
  });
});

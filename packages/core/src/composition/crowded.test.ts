import fc from 'fast-check';
import { meets } from '../geometry/transform.js';
import { PAPER, readDeck, setOut, removeElements, setOutAgain } from '../index.js';
import { STAGE } from '../parts/place.js';
import { EMPTY_CONTENT, slideWith } from '../testing/contents.js';
import { arrangementsOf } from './arrange.js';

const words = fc.constantFrom('7', 'Limpet', 'Hermit crab', 'Sea anemone under the ledge');

test('however many choices there are, none lies on another or leaves the page', () => {
  fc.assert(
    fc.property(
      fc.array(words, { minLength: 17, maxLength: 90 }),
      fc.constantFrom('', 'Fog', 'Which of them did you find in the pool below the lighthouse?'),
      (choices, title) => {
        const { doc, slideId } = slideWith({ ...EMPTY_CONTENT, title, choices });
        setOut(doc, [slideId]);
        const { elements } = readDeck(doc).slides[slideId]!;
        elements.forEach(({ box }, at) => {
          expect(box.x).toBeGreaterThanOrEqual(0);
          expect(box.y).toBeGreaterThanOrEqual(0);
          expect(box.x + box.w).toBeLessThanOrEqual(STAGE.width);
          expect(box.y + box.h).toBeLessThanOrEqual(STAGE.height);
          expect(elements.slice(0, at).filter((other) => meets(other.box, box))).toEqual([]);
        });
      },
    ),
    { numRuns: 25 },
  );
});

test('what is too close is offered to nobody, and is left as soon as there is room', () => {
  const choices = Array.from({ length: 40 }, (_, at) => `Creature ${at + 1}`);
  const { doc, slideId } = slideWith({ ...EMPTY_CONTENT, title: 'Fog', choices });
  setOut(doc, [slideId]);
  const slide = readDeck(doc).slides[slideId]!;
  expect(slide.setOut).toEqual({ name: 'crowded', isChosen: false });
  expect(arrangementsOf(slide, PAPER)).toEqual([]);
  removeElements(
    doc,
    slideId,
    slide.elements.slice(6).map(({ id }) => id),
  );
  setOutAgain(doc, [slideId]);
  const { setOut: now } = readDeck(doc).slides[slideId]!;
  expect(now?.name).not.toBe('crowded');
});

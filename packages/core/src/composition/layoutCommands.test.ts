import type * as Y from 'yjs';
import {
  addElement,
  createHistory,
  emptySlots,
  group,
  LAYOUTS,
  meets,
  PAPER,
  readDeck,
  renameSlide,
  setElements,
  takeLayout,
  wordsHeight,
  wordsOf,
  type Slide,
  type SlideElement,
} from '../index.js';
import { choice, deck, slide, text } from '../testing/builder.js';

const LONG = 'Part two: what happened at the lamp between midnight and the morning tide';

const read = (doc: Y.Doc): Slide => readDeck(doc).slides.s!;
const texts = (doc: Y.Doc): SlideElement[] =>
  read(doc).elements.filter((one) => one.kind === 'text' && wordsOf(one.text) !== '');

/** A slide with a title, a sentence and two choices. */
function written(title: string): Y.Doc {
  const doc = deck(
    slide(
      's: x',
      text('The wind turns.', { id: 'words' }),
      choice('On', 's', 'on'),
      choice('Back', 's', 'back'),
    ),
  );
  takeLayout(doc, 's', 'text');
  renameSlide(doc, 's', title);
  return doc;
}

test.each(LAYOUTS)(
  'in the layout %s no words stand on others, also under a long title',
  (layout) => {
    const doc = written(LONG);
    takeLayout(doc, 's', layout);
    const placed = texts(doc).map((one) => ({
      ...one.box,
      h: Math.max(one.box.h, wordsHeight(one, PAPER) ?? 0),
    }));
    expect(placed.length).toBeGreaterThan(3);
    // Nor does a text without a place lie where a question or a picture is waited for.
    const words = texts(doc).find(({ id }) => id === 'words')!;
    const waiting = layout === 'picture' ? [] : emptySlots(read(doc));
    expect(waiting.filter(({ box }) => meets(box, words.box))).toEqual([]);
    for (const [at, a] of placed.entries()) {
      expect(a.y).toBeGreaterThanOrEqual(24);
      for (const b of placed.slice(at + 1)) {
        const isApart =
          a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y + 1 || b.y + b.h <= a.y + 1;
        expect(isApart).toBe(true);
      }
    }
  },
);

test('a written text whose place is gone takes the one that waits, and has its own again afterwards', () => {
  const doc = written('Part two');
  const words = () => texts(doc).find((one) => one.id === 'words')!;
  const { box } = words();
  takeLayout(doc, 's', 'section');
  expect(words()).toMatchObject({ slot: 'subtitle', style: 'subtitle' });
  expect(read(doc).elements).toHaveLength(4);
  takeLayout(doc, 's', 'text');
  expect(words()).toMatchObject({ slot: 'body', style: 'body', box });
});

test('what has room enough stands where the layout says; what is locked stays where it is', () => {
  const doc = written('Part two');
  takeLayout(doc, 's', 'section');
  const lies = texts(doc).map(({ box }) => box);
  takeLayout(doc, 's', 'section');
  expect(texts(doc).map(({ box }) => box)).toEqual(lies);
  setElements(doc, 's', ['words'], { isLocked: true });
  const { box } = texts(doc).find(({ id }) => id === 'words')!;
  renameSlide(doc, 's', LONG);
  takeLayout(doc, 's', 'text');
  expect(texts(doc).find(({ id }) => id === 'words')!.box).toEqual(box);
});

test('a text that grows pushes down the whole list of choices, and none onto another', () => {
  const doc = deck(
    slide(
      's: x',
      text('The keeper says so. '.repeat(9), { id: 'words', size: 42 }),
      ...['one', 'two', 'three'].map((name) => choice(name, 's', name)),
    ),
  );
  takeLayout(doc, 's', 'text');
  const boxes = texts(doc)
    .map(({ box }) => box)
    .toSorted((a, b) => a.y - b.y);
  expect(boxes).toHaveLength(5);
  for (const [at, { y, h }] of boxes.slice(0, -1).entries()) {
    expect(y + h).toBeLessThanOrEqual(boxes[at + 1]!.y);
  }
});

test('a large text without a place is set in the size of its style where that finds room', () => {
  const doc = deck(
    slide(
      's: x',
      text('The keeper says the reef shows for an hour at low tide. '.repeat(3), {
        id: 'words',
        size: 44,
      }),
      ...['one', 'two', 'three'].map((name) => choice(name, 's', name)),
    ),
  );
  takeLayout(doc, 's', 'text');
  takeLayout(doc, 's', 'question');
  const words = texts(doc).find(({ id }) => id === 'words')!;
  expect(words).toMatchObject({ size: null });
  const others = [
    ...read(doc).elements.filter(({ id }) => id !== 'words'),
    ...emptySlots(read(doc)),
  ];
  expect(others.filter(({ box }) => meets(box, words.box))).toEqual([]);
});

test('a locked text without a place stays where it lies', () => {
  // It was written before places were noted.
  const doc = deck(slide('s: x', text('The wind turns.', { id: 'words' })));
  const before = texts(doc).find(({ id }) => id === 'words')!.box;
  setElements(doc, 's', ['words'], { isLocked: true });
  takeLayout(doc, 's', 'question');
  expect(texts(doc).find(({ id }) => id === 'words')!.box).toEqual(before);
});

test('what belongs together stays together: groups are not pulled apart', () => {
  const doc = written(LONG);
  const box = (x: number, y: number) => ({ x, y, w: 60, h: 40 });
  for (const [id, at] of [
    ['near', box(120, 160)],
    ['far', box(300, 420)],
  ] as const) {
    addElement(doc, 's', { kind: 'shape', layer: 'content', shape: 'ellipse', id, box: at });
  }
  group(doc, 's', ['near', 'far']);
  const lie = () =>
    ['near', 'far'].map((id) => read(doc).elements.find((one) => one.id === id)!.box);
  const before = lie();
  takeLayout(doc, 's', 'two-columns');
  expect(lie()).toEqual(before);
});

test('all of it is one step', () => {
  const doc = written(LONG);
  const history = createHistory(doc);
  const before = read(doc);
  takeLayout(doc, 's', 'section');
  expect(read(doc).elements).not.toEqual(before.elements);
  history.undo();
  expect(read(doc).elements).toEqual(before.elements);
});

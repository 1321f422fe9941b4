import * as fc from 'fast-check';
import * as Y from 'yjs';
import {
  addChoice,
  addElement,
  addSlide,
  createHistory,
  DeckReader,
  duplicateElements,
  duplicateSlides,
  linkElement,
  linkSlides,
  linkWordsOf,
  plain,
  readDeck,
  removeElements,
  removeLink,
  removeSlides,
  renameSlide,
  reorder,
  retarget,
  rewordLink,
  setBox,
  setLayer,
  setSlideFlag,
  toSlide,
  wordsOf,
  type Deck,
} from '../index.js';
import { choice, deck, ending, piece, slide, text, zone } from '../testing/builder.js';
import { told } from '../parts/told.js';

const box = { x: 0, y: 0, w: 100, h: 40 };

describe('growing a deck', () => {
  test('a choice makes its slide, its wire and a linked line on the stage', () => {
    const doc = deck(slide('pier'));
    const added = addChoice(doc, 'pier', 'Row out');
    if (!added.ok) throw new Error(told(added));
    const read = readDeck(doc);
    expect(read.slides[added.slideId]?.title).toBe('Row out');
    expect(read.links[added.linkId]).toMatchObject({
      from: 'pier',
      wording: 'Row out',
      target: { slideId: added.slideId },
      carrier: { kind: 'element' },
    });
    expect(read.startSlideId).toBe('pier');
  });

  test('the wording of a wire is what stands on the slide, whichever side is changed', () => {
    const doc = deck(slide('pier', choice('Row out', 'sea', 'out')), slide('sea'));
    expect(rewordLink(doc, 'out', 'Take the boat').ok).toBe(true);
    const choiceText = readDeck(doc).slides.pier!.elements.find((e) => e.id === 'out-choice');
    expect(choiceText && 'text' in choiceText && wordsOf(choiceText.text)).toBe('Take the boat');
  });

  test('renaming a slide takes its title along until the title has its own words', () => {
    const doc = deck(slide('pier: The pier'));
    renameSlide(doc, 'pier', 'The quay');
    const title = readDeck(doc).slides.pier!.elements[0]!;
    expect('text' in title && wordsOf(title.text)).toBe('The quay');
  });

  test('cards find free places', () => {
    const doc = deck(slide('a'), slide('b'), slide('c'));
    addChoice(doc, 'a', 'one');
    addChoice(doc, 'a', 'two');
    const spots = Object.values(readDeck(doc).slides).map(({ x, y }) => `${x}/${y}`);
    expect(new Set(spots).size).toBe(spots.length);
  });
});

describe('links', () => {
  test('survive rename and move, and show as broken when their slide is deleted', () => {
    const doc = deck(slide('pier', choice('Row out', 'sea', 'out')), slide('sea'));
    renameSlide(doc, 'sea', 'The open sea');
    expect(readDeck(doc).links.out?.target).toEqual(toSlide('sea'));
    removeSlides(doc, ['sea']);
    const read = readDeck(doc);
    expect(read.links.out?.wording).toBe('Row out');
    expect(read.slides.sea).toBeUndefined();
    expect(removeLink(doc, 'out').ok).toBe(true);
    expect(readDeck(doc).slides.pier!.elements.some((e) => e.id === 'out-choice')).toBe(false);
  });

  test('a word in a text carries a link; losing the word leaves the link unplaced with its wording', () => {
    const doc = deck(slide('pier', text('The boat is dry', { id: 't' })), slide('sea'));
    const linked = linkWordsOf(doc, 'pier', 't', 'boat', toSlide('sea'));
    if (!linked.ok) throw new Error(told(linked));
    expect(readDeck(doc).links[linked.linkId]).toMatchObject({
      wording: 'boat',
      carrier: { kind: 'words' },
    });
    removeElements(doc, 'pier', ['t']);
    expect(readDeck(doc).links[linked.linkId]).toBeUndefined();
  });

  test('refuse what cannot be', () => {
    const doc = deck(
      slide('pier', piece('oar', 'oar', box), text('The boat', { id: 't' })),
      slide('sea'),
    );
    const before = readDeck(doc);
    for (const refused of [
      linkElement(doc, 'pier', 'oar', toSlide('sea')),
      linkElement(doc, 'pier', 't', toSlide('gone')),
      linkElement(doc, 'pier', 'gone', toSlide('sea')),
      linkWordsOf(doc, 'pier', 't', 'whale', toSlide('sea')),
      retarget(doc, 'gone', toSlide('sea')),
      rewordLink(doc, 'gone', 'x'),
      addChoice(doc, 'gone', 'x'),
      linkSlides(doc, 'pier', 'gone'),
      setBox(doc, 'pier', 't', { ...box, w: 2 }),
      setBox(doc, 'pier', 't', { ...box, x: NaN }),
    ]) {
      expect(refused).toMatchObject({ ok: false, code: expect.any(String) as string });
    }
    expect(readDeck(doc)).toEqual(before);
  });

  test('a second link on the same thing changes where it leads', () => {
    const doc = deck(slide('pier', text('Boat', { id: 't' })), slide('sea'), slide('cave'));
    const first = linkElement(doc, 'pier', 't', toSlide('sea'));
    const second = linkElement(doc, 'pier', 't', toSlide('cave'));
    expect(second).toEqual(first);
    expect(
      Object.values(readDeck(doc).links).map(
        ({ target }) => target.kind === 'slide' && target.slideId,
      ),
    ).toEqual(['cave']);
  });

  test('copies of a slide and of things carry links of their own', () => {
    const doc = deck(
      slide('pier', choice('Row', 'sea', 'row'), text('The boat is dry', { id: 't' })),
      slide('sea'),
    );
    linkWordsOf(doc, 'pier', 't', 'boat', toSlide('sea'));
    const copy = duplicateSlides(doc, ['pier']);
    if (!copy.ok) throw new Error(told(copy));
    const links = Object.values(readDeck(doc).links).filter((link) => link.from === copy.slideId);
    expect(links.map((link) => link.wording).sort()).toEqual(['Row', 'boat']);
    expect(links.every((link) => link.carrier.kind !== 'none')).toBe(true);
    duplicateElements(doc, 'pier', ['row-choice']);
    expect(Object.values(readDeck(doc).links).filter((l) => l.wording === 'Row')).toHaveLength(3);
  });
});

describe('layers', () => {
  test('what carries a link is no piece, a zone stays where it is', () => {
    const doc = deck(
      slide('pier', choice('Row', 'sea', 'row'), zone('z', 'here', box)),
      slide('sea'),
    );
    expect(setLayer(doc, 'pier', ['row-choice'], 'pieces').ok).toBe(false);
    expect(setLayer(doc, 'pier', ['z'], 'content').ok).toBe(false);
    expect(setLayer(doc, 'pier', ['pier-title'], 'pieces').ok).toBe(true);
  });

  test('order within a layer', () => {
    const doc = deck(
      slide('s', text('1', { id: 'e1' }), text('2', { id: 'e2' }), text('3', { id: 'e3' })),
    );
    const order = (): string[] =>
      readDeck(doc)
        .slides.s!.elements.map((e) => e.id)
        .filter((id) => id.startsWith('e'));
    expect(order()).toEqual(['e1', 'e2', 'e3']);
    reorder(doc, 's', 'e1', 'front');
    reorder(doc, 's', 'e3', 'back');
    expect(order()).toEqual(['e3', 'e2', 'e1']);
  });
});

/** Any walk of commands over a small deck, including ones that do not apply. */
const step = fc.oneof(
  fc.record({
    do: fc.constant('choice' as const),
    on: fc.nat(5),
    words: fc.string({ maxLength: 12 }),
  }),
  fc.record({
    do: fc.constant('element' as const),
    on: fc.nat(5),
    words: fc.string({ maxLength: 12 }),
  }),
  fc.record({ do: fc.constant('flag' as const), on: fc.nat(5) }),
  fc.record({ do: fc.constant('link' as const), on: fc.nat(5), to: fc.nat(5) }),
  fc.record({ do: fc.constant('cut' as const), on: fc.nat(5) }),
  fc.record({ do: fc.constant('remove' as const), on: fc.nat(5) }),
  fc.record({
    do: fc.constant('rename' as const),
    on: fc.nat(5),
    words: fc.string({ maxLength: 12 }),
  }),
  fc.record({ do: fc.constant('copy' as const), on: fc.nat(5) }),
  fc.record({ do: fc.constant('new' as const), words: fc.string({ maxLength: 12 }) }),
);
type Step = typeof step extends fc.Arbitrary<infer S> ? S : never;

function apply(doc: Y.Doc, s: Step): void {
  const read = readDeck(doc);
  const slides = Object.keys(read.slides).sort();
  const pick = (n: number): string => slides[n % Math.max(1, slides.length)] ?? 'none';
  switch (s.do) {
    case 'choice':
      addChoice(doc, pick(s.on), s.words);
      break;
    case 'element':
      addElement(doc, pick(s.on), {
        kind: 'text',
        style: 'body',
        layer: 'content',
        box,
        text: plain(s.words),
      });
      break;
    case 'flag':
      setSlideFlag(doc, pick(s.on), 'isEnding', true);
      break;
    case 'link':
      linkSlides(doc, pick(s.on), pick(s.to));
      break;
    case 'cut':
      removeLink(doc, Object.keys(read.links).sort()[s.on] ?? 'none');
      break;
    case 'remove':
      removeSlides(doc, [pick(s.on)]);
      break;
    case 'rename':
      renameSlide(doc, pick(s.on), s.words);
      break;
    case 'copy':
      duplicateSlides(doc, [pick(s.on)]);
      break;
    case 'new':
      addSlide(doc, { title: s.words, layout: 'text' });
      break;
  }
}

describe('properties', () => {
  test('undoing every step restores the snapshot, redoing brings it back', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        const doc = deck(slide('a', choice('go', 'b')), slide('b', ending()));
        const history = createHistory(doc);
        const before = readDeck(doc);
        for (const s of steps) apply(doc, s);
        const after = readDeck(doc);
        while (history.canUndo()) history.undo();
        expect(readDeck(doc)).toEqual(before);
        while (history.canRedo()) history.redo();
        expect(readDeck(doc)).toEqual(after);
      }),
      { numRuns: 60 },
    );
  });

  test('each command is one step', () => {
    const doc = deck(slide('a'));
    const history = createHistory(doc);
    addChoice(doc, 'a', 'one');
    const one = readDeck(doc);
    addChoice(doc, 'a', 'two');
    history.undo();
    expect(readDeck(doc)).toEqual(one);
  });

  test('two documents that saw the same updates read the same', () => {
    fc.assert(
      fc.property(
        fc.array(step, { maxLength: 8 }),
        fc.array(step, { maxLength: 8 }),
        (mine, theirs) => {
          const seed = Y.encodeStateAsUpdate(deck(slide('a', choice('go', 'b')), slide('b')));
          const [left, right] = [new Y.Doc(), new Y.Doc()];
          for (const doc of [left, right]) Y.applyUpdate(doc, seed);
          for (const s of mine) apply(left, s);
          for (const s of theirs) apply(right, s);
          const [fromLeft, fromRight] = [Y.encodeStateAsUpdate(left), Y.encodeStateAsUpdate(right)];
          Y.applyUpdate(left, fromRight);
          Y.applyUpdate(right, fromLeft);
          expect(readDeck(left)).toEqual(readDeck(right));
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a reader that follows the document reads what a fresh reading reads', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        const doc = deck(slide('a', choice('go', 'b')), slide('b'));
        const reader = new DeckReader(doc);
        reader.read();
        for (const s of steps) {
          const before: Deck = reader.read();
          apply(doc, s);
          const after = reader.read();
          expect(after).toEqual(readDeck(doc));
          for (const [id, kept] of Object.entries(after.slides)) {
            const was = before.slides[id];
            if (
              was &&
              JSON.stringify(was) === JSON.stringify(kept) &&
              s.do === 'flag' &&
              id !== 'a'
            )
              continue;
            if (was === kept) expect(JSON.stringify(was)).toBe(JSON.stringify(kept));
          }
        }
      }),
      { numRuns: 40 },
    );
  });

  test('a slide that did not change keeps its identity', () => {
    const doc = deck(slide('a'), slide('b'));
    const reader = new DeckReader(doc);
    const before = reader.read();
    renameSlide(doc, 'a', 'Anew');
    expect(reader.read().slides.b).toBe(before.slides.b);
    expect(reader.read().slides.a).not.toBe(before.slides.a);
  });
});

describe('whatever is written into a document', () => {
  test('it reads without a crash', () => {
    const junk = fc.oneof(
      fc.string(),
      fc.integer(),
      fc.boolean(),
      fc.constant(null),
      fc.array(fc.integer()),
      fc.object(),
    );
    fc.assert(
      fc.property(
        fc.dictionary(
          fc.constantFrom('title', 'x', 'elements', 'isEnding', 'layout', 'fill'),
          junk,
        ),
        fc.dictionary(
          fc.constantFrom(
            'kind',
            'box',
            'layer',
            'order',
            'text',
            'asset',
            'question',
            'key',
            'expects',
          ),
          fc.oneof(junk, fc.constantFrom('text', 'picture', 'zone', 'question', 'shape')),
        ),
        fc.dictionary(
          fc.constantFrom('from', 'target', 'carrier', 'wording'),
          fc.oneof(junk, fc.constantFrom('constructor', 'a')),
        ),
        (slideFields, elementFields, linkFields) => {
          const doc = deck(slide('a'));
          doc.transact(() => {
            const forged = new Y.Map<unknown>();
            doc.getMap('slides').set('forged', forged);
            const elements = new Y.Map<unknown>();
            forged.set('elements', elements);
            const element = new Y.Map<unknown>();
            elements.set('e1', element);
            for (const [key, value] of Object.entries(elementFields)) element.set(key, value);
            for (const [key, value] of Object.entries(slideFields)) forged.set(key, value);
            const link = new Y.Map<unknown>();
            doc.getMap('links').set('constructor', link);
            doc.getMap('links').set('l1', link.clone());
            const second = doc.getMap('links').get('l1') as Y.Map<unknown>;
            for (const [key, value] of Object.entries(linkFields)) second.set(key, value);
            doc.getMap('slides').set('__proto__', 'junk');
            doc.getMap('deck').set('startSlideId', 'constructor');
          });
          const read = readDeck(doc);
          expect(read.startSlideId).toBeNull();
          expect(Object.keys(read.slides).sort()).toEqual(['a', 'forged']);
        },
      ),
    );
  });
});

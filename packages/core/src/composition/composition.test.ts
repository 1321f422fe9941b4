import fc from 'fast-check';
import type * as Y from 'yjs';
import {
  addChoice,
  addElement,
  addPlaced,
  addSlide,
  arrangementFor,
  AMOUNTS,
  arrangementsOf,
  Checker,
  FINDING_KINDS,
  kindOf,
  leaveAsItLies,
  mattersAt,
  newId,
  PAPER,
  plain,
  readDeck,
  readingOrder,
  refOf,
  setBox,
  setElement,
  setLayout,
  setOut,
  setOutAgain,
  setText,
  setScenery,
  setThemeForAll,
  SIDES,
  slidesToSetOut,
  takenUp,
  takeUp,
  themeNamed,
  THEMES,
  waysToSetOut,
  wordsOf,
  type Box,
  type Slide,
} from '../index.js';
import { deck, slide, text } from '../testing/builder.js';
import { contentBySeed, EMPTY_CONTENT, slideWith, type SlideContent } from '../testing/contents.js';
import { takenOf } from './arrange.js';
import { ARRANGEMENT_NAMES } from './arrangements.js';
import { largestFree } from './largestFree.js';
import { Ways } from './Ways.js';

const meet = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
const isIn = (inner: Box, outer: Box): boolean =>
  inner.x > outer.x - 2 &&
  inner.y > outer.y - 2 &&
  inner.x + inner.w < outer.x + outer.w + 2 &&
  inner.y + inner.h < outer.y + outer.h + 2;
const isStage = ({ w, h }: Box): boolean => w === 1280 && h === 720;
/** What Check says of the look of things, and not of what they say or where they lead. */
const OF_THE_LOOK = new Set(['touch', 'reading', 'pictures']);
const NOT_OURS = new Set(['many-words', 'no-alt', 'no-credit']);

function spoiled(doc: Y.Doc): string[] {
  return new Checker()
    .check(readDeck(doc))
    .findings.filter(
      ({ kind, slideId }) =>
        slideId === 's' && OF_THE_LOOK.has(FINDING_KINDS[kind].group) && !NOT_OURS.has(kind),
    )
    .map(({ kind, why }) => `${kind}: ${why}`);
}

const anyTheme = fc.record({
  ref: fc
    .tuple(fc.constantFrom(...THEMES), fc.constantFrom(...SIDES))
    .map(([name, side]) => refOf(name, side)),
  amount: fc.constantFrom(...AMOUNTS),
});

/** Nothing lies on anything else, but on a picture behind it all where that says nothing that matters. */
function nothingIsCovered({ elements }: Slide): void {
  const under = elements.find((one) => one.kind === 'picture' && isStage(one.box));
  const boxes = elements.flatMap((one) => (one === under ? [] : [one.box]));
  boxes.forEach((box, at) => {
    expect(boxes.slice(0, at).filter((other) => meet(other, box))).toEqual([]);
  });
  for (const one of elements) {
    const kept = one.kind === 'picture' ? mattersAt(one) : null;
    if (!kept) continue;
    expect(isIn(kept, one.box)).toBe(true);
    if (one === under) expect(boxes.filter((other) => meet(kept, other))).toEqual([]);
  }
}

test('whatever is on a slide, no arrangement that is offered breaks a rule: Check has nothing to say', () => {
  let offered = 0;
  fc.assert(
    fc.property(fc.nat(100_000), anyTheme, (seed, { ref, amount }) => {
      const { doc, slideId, slide: before } = slideWith(contentBySeed(seed));
      setThemeForAll(doc, ref);
      setScenery(doc, null, amount);
      for (const { name } of waysToSetOut(before, themeNamed(ref, amount))) {
        setOut(doc, [slideId], name);
        const after = readDeck(doc).slides[slideId]!;
        expect(after.setOut).toEqual({ name, isChosen: true });
        nothingIsCovered(after);
        expect(spoiled(doc)).toEqual([]);
        offered += 1;
      }
    }),
    { numRuns: 120 },
  );
  expect(offered).toBeGreaterThan(400);
});

const choicesAsRead = ({ elements }: Slide): string[] =>
  readingOrder(elements).flatMap((one) =>
    one.kind === 'text' && one.style === 'choice' ? [wordsOf(one.text)] : [],
  );

test('words, choices and points lie over a picture where it says nothing that matters, and they can be read', () => {
  const share = fc.integer({ min: 0, max: 70 }).map((of) => of / 100);
  const sides = { x: share, y: share, w: fc.constant(0.2), h: fc.constant(0.25) };
  const matters = fc.record(sides, { noNullPrototype: true });
  const forms = fc.constantFrom(
    ...([
      [1920, 1080],
      [1600, 1200],
      [2400, 1000],
    ] as const),
  );
  const over = new Map<string, number>();
  fc.assert(
    fc.property(fc.nat(100_000), forms, matters, anyTheme, (seed, form, spot, { ref, amount }) => {
      const { texts, choices, title } = contentBySeed(seed);
      const {
        doc,
        slideId,
        slide: before,
      } = slideWith({
        ...PLAIN,
        title,
        texts: texts.slice(0, 1),
        choices: choices.slice(0, 4),
        pictures: [form],
        matters: spot,
      });
      setThemeForAll(doc, ref);
      setScenery(doc, null, amount);
      for (const { name } of waysToSetOut(before, themeNamed(ref, amount))) {
        if (name !== 'panel' && name !== 'along' && name !== 'points') continue;
        over.set(name, (over.get(name) ?? 0) + 1);
        setOut(doc, [slideId], name);
        const after = readDeck(doc).slides[slideId]!;
        // The picture lies below everything, whatever it was put on after.
        expect(after.elements[0]).toMatchObject({ kind: 'picture', fit: 'cover' });
        nothingIsCovered(after);
        expect(choicesAsRead(after)).toEqual(choices.slice(0, 4));
        expect(spoiled(doc)).toEqual([]);
      }
    }),
    { numRuns: 120, seed: 11 },
  );
  expect([...over.keys()].sort()).toEqual(['along', 'panel', 'points']);
  expect(over.get('panel')).toBeGreaterThan(30);
});

test('a picture all of which matters is never cut; one laid or cut out by hand lies behind nothing', () => {
  const whole = { ...PLAIN, texts: ['Look.'], pictures: [[1600, 1000] as const] };
  const {
    doc,
    slideId,
    slide: before,
  } = slideWith({
    ...whole,
    matters: { x: 0, y: 0, w: 1, h: 1 },
  });
  const names = waysToSetOut(before, PAPER).map(({ name }) => name);
  expect(names.length).toBeGreaterThan(4);
  expect(names).not.toContain('panel');
  for (const name of names) {
    setOut(doc, [slideId], name);
    nothingIsCovered(readDeck(doc).slides[slideId]!);
  }
  const other = slideWith({ ...whole, pictures: [[1920, 1080]] });
  const ways = (): string[] =>
    waysToSetOut(readDeck(other.doc).slides[other.slideId]!, PAPER).map(({ name }) => name);
  setOut(other.doc, [other.slideId], 'beside');
  expect(ways()).toContain('panel');
  setElement(other.doc, other.slideId, 'picture0', { fit: 'stretch' });
  expect(ways()).not.toContain('panel');
  setElement(other.doc, other.slideId, 'picture0', { fit: 'cover', mask: 'ellipse' });
  expect(ways()).not.toContain('panel');
});

/** Words, choices and pictures, each in the order in which they are given. */
function kindsIn(elements: Slide['elements'], name: string): Record<string, string[]> {
  const ids = (isOf: (one: Slide['elements'][number]) => boolean): string[] =>
    elements.filter(isOf).map(({ id }) => id);
  const words = ids((one) => one.kind === 'text' && one.style !== 'choice');
  return {
    // A large figure, or what somebody said, stands over what it belongs to.
    words: name === 'large' ? words.sort() : words,
    choices: ids((one) => one.kind === 'text' && one.style === 'choice'),
    pictures: ids((one) => one.kind === 'picture'),
  };
}

test('in every arrangement things are read in the order in which they were put on the slide', () => {
  let large = 0;
  fc.assert(
    fc.property(fc.nat(100_000), anyTheme, (seed, { ref, amount }) => {
      const { doc, slideId, slide: before } = slideWith(contentBySeed(seed));
      setThemeForAll(doc, ref);
      setScenery(doc, null, amount);
      for (const { name } of waysToSetOut(before, themeNamed(ref, amount))) {
        setOut(doc, [slideId], name);
        const after = readDeck(doc).slides[slideId]!;
        const read = kindsIn(readingOrder(after.elements), name);
        expect({ name, ...read }).toEqual({ name, ...kindsIn(before.elements, name) });
        if (name === 'large') large += 1;
      }
    }),
    // The same contents each time: of some thousands a few stand so that either order can be read.
    { numRuns: 120, seed: 7 },
  );
  expect(large).toBeGreaterThan(0);
});

const PLAIN: SlideContent = { ...EMPTY_CONTENT, title: 'Who lives here?' };
const boxIn = (doc: Y.Doc, slideId: string, id: string): Box =>
  readDeck(doc).slides[slideId]!.elements.find((one) => one.id === id)!.box;

const freshSlide = (): Y.Doc => {
  const doc = deck(slide('goal'));
  addSlide(doc, { id: 's', title: 'The pier' });
  return doc;
};
const slideOf = (doc: Y.Doc): Slide => readDeck(doc).slides.s!;
const boxOf = (doc: Y.Doc, id: string): Box => boxIn(doc, 's', id);

test('a fresh slide sets itself out again as things come; one laid by hand is left alone', () => {
  const doc = freshSlide();
  const before = slideOf(doc).elements.map(({ box }) => box);
  setOutAgain(doc, ['s']);
  expect(slideOf(doc).setOut).toMatchObject({ isChosen: false });
  expect(slideOf(doc).elements.map(({ box }) => box)).not.toEqual(before);
  for (const words of ['Row out', 'Wait', 'Call the keeper']) {
    addChoice(doc, 's', words, { slideId: 'goal' });
    setOutAgain(doc, ['s']);
  }
  const choices = slideOf(doc).elements.filter(
    (element) => element.kind === 'text' && element.style === 'choice',
  );
  expect(new Set(choices.map(({ box }) => box.h)).size).toBe(1);
  expect(spoiled(doc)).toEqual([]);
  const byHand = deck(slide('s', text('Here', { box: { x: 7, y: 9, w: 300, h: 50 } })));
  const was = readDeck(byHand);
  setOutAgain(byHand, ['s']);
  expect(readDeck(byHand)).toEqual(was);
});

test('what is moved by hand stays, and the rest goes on fitting around it, until it is taken up again', () => {
  const doc = freshSlide();
  const added = addPlaced(doc, 's', {
    kind: 'text',
    id: 'note',
    style: 'caption',
    layer: 'content',
    box: { x: 500, y: 300, w: 300, h: 60 },
    text: plain('Tide at six'),
  });
  expect(added.ok).toBe(true);
  setOutAgain(doc, ['s']);
  const there = { x: 860, y: 90, w: 320, h: 300 };
  setBox(doc, 's', 'note', there);
  for (const words of ['Row out', 'Wait', 'Call the keeper']) {
    addChoice(doc, 's', words, { slideId: 'goal' });
    setOutAgain(doc, ['s']);
    expect(boxOf(doc, 'note')).toEqual(there);
    const others = slideOf(doc).elements.filter(({ id }) => id !== 'note');
    expect(others.filter(({ box }) => meet(box, there))).toEqual([]);
  }
  takeUp(doc, 's', ['note']);
  setOutAgain(doc, ['s']);
  expect(boxOf(doc, 'note')).not.toEqual(there);
  leaveAsItLies(doc, 's');
  const lies = slideOf(doc);
  addChoice(doc, 's', 'Go home', { slideId: 'goal' });
  setOutAgain(doc, ['s']);
  expect(boxOf(doc, lies.elements[0]!.id)).toEqual(lies.elements[0]!.box);
});

test('a letter more does not jump to another arrangement, and a size set by hand stays', () => {
  const doc = freshSlide();
  const body = slideOf(doc).elements.find((element) => element.slot === 'body')!.id;
  const said = 'The boat leaves at six and comes back with the tide, as it always did and does. ';
  const names = new Set<string | null | undefined>();
  let jumps = 0;
  let last: string | null | undefined;
  for (let letters = 20; letters < 200; letters += 1) {
    setText(doc, 's', body, plain(said.repeat(4).slice(0, letters)));
    setOutAgain(doc, ['s']);
    const { setOut: is } = slideOf(doc);
    if (last !== undefined && is?.name !== last) jumps += 1;
    last = is?.name;
    names.add(last);
  }
  expect(jumps).toBeLessThanOrEqual(2);
  setElement(doc, 's', body, { size: 26 });
  setOutAgain(doc, ['s']);
  expect(slideOf(doc).elements.find(({ id }) => id === body)).toMatchObject({ size: 26 });
});

test('what was set by hand stays so: how words are aligned, how a picture is laid into its box', () => {
  const { doc, slideId } = slideWith({ ...PLAIN, texts: ['Look.'], pictures: [[1600, 1200]] });
  setOut(doc, [slideId], 'middle');
  const is = (id: string) => readDeck(doc).slides[slideId]!.elements.find((one) => one.id === id)!;
  expect(is('text0')).toMatchObject({ align: 'center' });
  setElement(doc, slideId, 'text0', { align: 'end' });
  setElement(doc, slideId, 'picture0', { fit: 'stretch' });
  for (const name of ['page', 'beside'] as const) {
    setOut(doc, [slideId], name);
    expect(is('text0')).toMatchObject({ align: 'end' });
    expect(is('picture0')).toMatchObject({ fit: 'stretch' });
  }
  setElement(doc, slideId, 'text0', { align: is('text0').setOut!.align });
  setOut(doc, [slideId], 'middle');
  expect(is('text0')).toMatchObject({ align: 'center' });
});

test('a small photograph is shown no larger than it is sharp; what a close-up shows stays', () => {
  const {
    doc,
    slideId,
    slide: before,
  } = slideWith({ ...PLAIN, texts: ['Look.'], pictures: [[300, 225]] });
  for (const { places } of waysToSetOut(before, PAPER)) {
    expect(places.get('picture0')!.box.w).toBeLessThanOrEqual(400);
  }
  setOut(doc, [slideId]);
  const box = { ...boxIn(doc, slideId, 'picture0') };
  addElement(doc, slideId, { kind: 'closeup', id: 'near', layer: 'content', box });
  for (const { name } of waysToSetOut(readDeck(doc).slides[slideId]!, PAPER)) {
    setOut(doc, [slideId], name);
    expect(boxIn(doc, slideId, 'picture0')).toEqual(box);
  }
});

test('whoever picks a layout has it as it is; taken up again, words are set as large as there is room', () => {
  const doc = freshSlide();
  setOutAgain(doc, ['s']);
  setLayout(doc, 's', 'two-columns');
  expect(slideOf(doc).setOut).toBeNull();
  const lies = slideOf(doc).elements.map(({ box }) => box);
  addChoice(doc, 's', 'Wait', { slideId: 'goal' });
  setOutAgain(doc, ['s']);
  expect(
    slideOf(doc)
      .elements.slice(0, lies.length)
      .map(({ box }) => box),
  ).toEqual(lies);
  setOut(doc, ['s']);
  const title = slideOf(doc).elements.find(({ slot }) => slot === 'title')!;
  setBox(doc, 's', title.id, { x: 700, y: 500, w: 400, h: 90 });
  takeUp(doc, 's', [title.id]);
  setOut(doc, ['s'], 'page');
  const now = slideOf(doc).elements.find(({ id }) => id === title.id)!;
  expect(now).toMatchObject({ size: now.setOut!.size });
});

test.each(['drawing', 'hotspot', 'selectPoint', 'sort'] as const)(
  'a question that is answered on a surface has room for it: %s',
  (kind) => {
    const doc = freshSlide();
    addPlaced(doc, 's', {
      kind: 'question',
      id: 'q',
      layer: 'content',
      box: { x: 300, y: 250, w: 480, h: 300 },
      text: plain('Where does the lamp stand?'),
      question: kindOf(kind).fresh(newId),
    });
    setOutAgain(doc, ['s']);
    expect(boxOf(doc, 'q').h).toBeGreaterThan(300);
    // The text that nobody has written in keeps no room between title and question.
    const title = slideOf(doc).elements.find(({ slot }) => slot === 'title')!.box;
    const next = boxOf(doc, 'q');
    if (next.x < title.x + title.w && title.x < next.x + next.w) {
      expect(next.y - title.y - title.h).toBeLessThan(120);
    }
  },
);

test('where no arrangement has room beside what lies by hand, each thing goes where there is some', () => {
  const doc = freshSlide();
  const by = (kind: 'hotspot' | 'line', box: Box): unknown =>
    addElement(doc, 's', { kind, id: kind, layer: 'content', box });
  by('hotspot', { x: 768, y: 432, w: 256, h: 144 });
  by('line', { x: 128, y: 648, w: 384, h: 36 });
  for (const words of ['Row out', 'Wait', 'Call the keeper', 'Ring the bell']) {
    addChoice(doc, 's', words, { slideId: 'goal' });
    setOutAgain(doc, ['s']);
  }
  addPlaced(doc, 's', {
    kind: 'question',
    layer: 'content',
    box: { x: 260, y: 440, w: 480, h: 190 },
    text: plain('Who is out there?'),
    question: kindOf('choice').fresh(newId),
  });
  setOutAgain(doc, ['s']);
  expect(slideOf(doc).setOut).toEqual({ name: 'fitted', isChosen: false });
  const boxes = slideOf(doc).elements.map(({ box }) => box);
  boxes.forEach((box, at) => {
    expect(boxes.slice(0, at).filter((other) => meet(other, box))).toEqual([]);
  });
  expect(spoiled(doc)).toEqual([]);
});

test('more than a slide can hold is left as it lies', () => {
  const texts = Array.from({ length: 41 }, (_, at) => `Line ${at}`);
  expect(waysToSetOut(slideWith({ ...PLAIN, texts }).slide, PAPER)).toEqual([]);
  const long = slideWith({ ...PLAIN, texts: ['x'.repeat(200)] }).slide;
  expect(waysToSetOut(long, PAPER)).toEqual([]);
});

test('one that was chosen stays while it fits, and gives way when it does not', () => {
  const doc = freshSlide();
  addChoice(doc, 's', 'Row out', { slideId: 'goal' });
  addChoice(doc, 's', 'Wait', { slideId: 'goal' });
  setOut(doc, ['s'], 'foot');
  addChoice(doc, 's', 'Call the keeper', { slideId: 'goal' });
  setOutAgain(doc, ['s']);
  expect(slideOf(doc).setOut).toEqual({ name: 'foot', isChosen: true });
  const all = arrangementsOf(slideOf(doc), PAPER);
  const without = all.filter(({ name }) => name !== 'foot');
  expect(takenOf(without, null, true)?.name).toBe(without[0]!.name);
});

test('a slide keeps the arrangement that was chosen, also where another has come to look like it', () => {
  fc.assert(
    fc.property(fc.nat(100_000), (seed) => {
      const { slide: before } = slideWith(contentBySeed(seed));
      const [best] = waysToSetOut(before, PAPER);
      for (const name of ARRANGEMENT_NAMES) {
        const kept = arrangementFor(takenUp(before), PAPER, { name, isChosen: true });
        const isForIt = new Ways(takenUp(before), PAPER, []).bestOf(name) !== null;
        expect(kept?.name).toBe(isForIt ? name : best?.name);
      }
    }),
    { numRuns: 30, seed: 3 },
  );
});

test('a step says which slides it has changed: all of them with the theme, none with a card', () => {
  const doc = freshSlide();
  const after = (change: () => unknown): string[] => {
    let found: string[] = [];
    doc.transact((transaction) => {
      change();
      found = slidesToSetOut(doc, transaction);
    });
    return found.sort();
  };
  expect(after(() => addChoice(doc, 's', 'Wait', { slideId: 'goal' }))).toEqual(['s']);
  expect(after(() => setThemeForAll(doc, 'harbour/dark'))).toEqual(['goal', 's']);
  expect(after(() => setElement(doc, 's', slideOf(doc).elements[0]!.id, { size: 40 }))).toEqual([
    's',
  ]);
  expect(after(() => readDeck(doc))).toEqual([]);
});

test('the largest free rectangle is free, inside, and no smaller than any that is tried', () => {
  const room = { x: 0, y: 0, w: 200, h: 100 };
  const boxes = fc.array(
    fc.record({
      x: fc.nat(180),
      y: fc.nat(90),
      w: fc.integer({ min: 5, max: 90 }),
      h: fc.integer({ min: 5, max: 60 }),
    }),
    { maxLength: 7 },
  );
  fc.assert(
    fc.property(boxes, (taken) => {
      const found = largestFree(room, taken, 0);
      const isFree = (box: Box): boolean => !taken.some((one) => meet(one, box));
      if (found) {
        expect(isFree(found)).toBe(true);
        expect(found.x >= 0 && found.y >= 0).toBe(true);
        expect(found.x + found.w <= 200 && found.y + found.h <= 100).toBe(true);
      }
      const edges = (of: 'x' | 'y', size: 'w' | 'h', end: number): number[] => [
        ...new Set([0, end, ...taken.flatMap((box) => [box[of], box[of] + box[size]])]),
      ];
      for (const x of edges('x', 'w', 200)) {
        for (const right of edges('x', 'w', 200)) {
          for (const y of edges('y', 'h', 100)) {
            for (const foot of edges('y', 'h', 100)) {
              const box = { x, y, w: right - x, h: foot - y };
              if (box.w <= 0 || box.h <= 0 || right > 200 || foot > 100 || !isFree(box)) continue;
              expect(found!.w * found!.h).toBeGreaterThanOrEqual(box.w * box.h);
            }
          }
        }
      }
    }),
    { numRuns: 150 },
  );
});

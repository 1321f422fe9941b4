import * as fc from 'fast-check';
import * as Y from 'yjs';
import {
  addElement,
  addStroke,
  align,
  ALIGNINGS,
  boundsOf,
  clipElements,
  createHistory,
  DeckReader,
  drawnOf,
  duplicateElements,
  giveLook,
  group,
  groupsAround,
  inHandFor,
  LAYERS,
  LAYOUTS,
  linePoints,
  linkElement,
  lookOf,
  movedBy,
  moveLayer,
  ORDER_STEPS,
  pasteElements,
  plain,
  readDeck,
  readElementClip,
  removeElements,
  reorder,
  rubOut,
  sameSize,
  setElements,
  setGround,
  setLayer,
  setLayout,
  setPlaces,
  setSlideTheme,
  setThemeForAll,
  slidesWithin,
  addSection,
  spread,
  STANDARD_PIECE,
  stretched,
  toSlide,
  turnedBy,
  ungroup,
  type ElementId,
  type NewElement,
  type Result,
  type SlideElement,
} from '../index.js';
import {
  bare,
  choice,
  choiceQuestion,
  deck,
  element,
  piece,
  slide,
  text,
  zone,
} from '../testing/builder.js';
import { refuse } from '../parts/refusals.js';
import { told } from '../parts/told.js';

const box = (x: number, y: number, w = 100, h = 60) => ({ x, y, w, h });
const shape = (id: ElementId, where: ReturnType<typeof box>, rest: object = {}) =>
  element({ kind: 'shape', shape: 'rectangle', layer: 'content', id, box: where, ...rest });
const line = (id: ElementId, from: ElementId, to: ElementId) =>
  element({
    kind: 'line',
    layer: 'content',
    id,
    box: box(0, 0),
    from: { elementId: from, x: 1, y: 0.5 },
    to: { elementId: to, x: 0, y: 0.5 },
  });
const scene = (): Y.Doc =>
  deck(
    bare(
      slide(
        's',
        shape('a', box(100, 100)),
        shape('b', box(300, 100)),
        shape('c', box(600, 140, 80, 40), { rotation: 30 }),
        line('l', 'a', 'b'),
        text('Words', { id: 't', box: box(100, 400, 300, 60) }),
        piece('p', 'oar', box(800, 500)),
        zone('z', 'boat', box(900, 100, 300, 200), ['p']),
        choiceQuestion('q', 'Why?', ['*a', 'b'], { box: box(700, 300, 300, 200) }),
        choice('On', 'other', 'on'),
      ),
    ),
    slide('other'),
  );
const things = (doc: Y.Doc): readonly SlideElement[] => readDeck(doc).slides.s!.elements;
const thing = (doc: Y.Doc, id: ElementId): SlideElement =>
  things(doc).find((one) => one.id === id)!;
const ids = (doc: Y.Doc): ElementId[] => things(doc).map(({ id }) => id);
const must = <T extends object>(result: Result<T>): T => {
  if (!result.ok) throw new Error(told(result));
  return result;
};

describe('groups', () => {
  test('a group has the box around its members, and undoing it keeps every box', () => {
    const doc = scene();
    const before = drawnOf(things(doc), ids(doc)).map(({ id, box, rotation }) => ({
      id,
      box,
      rotation,
    }));
    const { elementId } = must(group(doc, 's', ['a', 'c']));
    const c = boundsOf(thing(doc, 'c').box, 30);
    expect(thing(doc, elementId).box.x).toBe(100);
    expect(thing(doc, elementId).box.w).toBeCloseTo(c.x + c.w - 100);
    must(ungroup(doc, 's', [elementId]));
    const after = drawnOf(things(doc), ids(doc)).map(({ id, box, rotation }) => ({
      id,
      box,
      rotation,
    }));
    expect(after.sort((x, y) => (x.id < y.id ? -1 : 1))).toEqual(
      before.sort((x, y) => (x.id < y.id ? -1 : 1)),
    );
  });

  test('groups lie in each other; what is taken in hand depends on the group that was entered', () => {
    const doc = scene();
    const inner = must(group(doc, 's', ['a', 'b'], 'inner')).elementId;
    const outer = must(group(doc, 's', [inner, 't'], 'outer')).elementId;
    expect(groupsAround(things(doc), 'a')).toEqual([inner, outer]);
    expect(inHandFor(things(doc), 'a', null)).toBe(outer);
    expect(inHandFor(things(doc), 'a', outer)).toBe(inner);
    expect(inHandFor(things(doc), 'a', inner)).toBe('a');
    expect(inHandFor(things(doc), 'c', outer)).toBeNull();
  });

  test('members lie together from then on, also when the group is brought to the front', () => {
    const doc = scene();
    const { elementId } = must(group(doc, 's', ['a', 'c']));
    must(reorder(doc, 's', elementId, 'front'));
    const content = things(doc).filter(
      ({ layer, kind }) => layer === 'content' && kind !== 'group',
    );
    expect(content.slice(-2).map(({ id }) => id)).toEqual(['a', 'c']);
  });

  test('a group carries a link, and goes with all that is in it', () => {
    const doc = scene();
    const { elementId } = must(group(doc, 's', ['a', 'b']));
    must(linkElement(doc, 's', elementId, toSlide('other')));
    must(removeElements(doc, 's', [elementId]));
    expect(ids(doc)).not.toEqual(expect.arrayContaining(['a']));
    expect(Object.values(readDeck(doc).links)).toHaveLength(1);
  });

  test.each([
    ['one thing alone', ['a']],
    ['things of two layers', ['a', 'p']],
    ['a question', ['a', 'q']],
  ])('%s is no group', (_, members) => {
    const doc = scene();
    const before = readDeck(doc);
    expect(group(doc, 's', members)).toMatchObject({ ok: false, code: expect.any(String) });
    expect(readDeck(doc)).toEqual(before);
  });

  test('the last member that goes takes its group along', () => {
    const doc = scene();
    must(group(doc, 's', ['a', 'b'], 'g'));
    must(removeElements(doc, 's', ['a']));
    expect(ids(doc)).toContain('g');
    must(removeElements(doc, 's', ['b']));
    expect(ids(doc)).not.toContain('g');
  });

  test('a ring of groups in a forged document reads as none', () => {
    const doc = scene();
    must(group(doc, 's', ['a', 'b'], 'g'));
    must(group(doc, 's', ['g', 'c'], 'h'));
    const elements = (doc.getMap('slides').get('s') as Y.Map<unknown>).get('elements');
    ((elements as Y.Map<unknown>).get('h') as Y.Map<unknown>).set('groupId', 'g');
    expect(drawnOf(things(doc), ['a', 'b', 'c'])).toHaveLength(3);
  });
});

describe('lines that stick', () => {
  test('follow what they stick to, wherever it is moved or turned', () => {
    const doc = scene();
    const [start, end] = linePoints(thing(doc, 'l') as never);
    expect([start, end]).toEqual([
      { x: 200, y: 130 },
      { x: 300, y: 130 },
    ]);
    must(setPlaces(doc, 's', movedBy(things(doc), ['b'], 50, 100)));
    expect(linePoints(thing(doc, 'l') as never)[1]).toEqual({ x: 350, y: 230 });
    must(setPlaces(doc, 's', turnedBy(things(doc), ['b'], { x: 400, y: 230 }, 180)));
    expect(linePoints(thing(doc, 'l') as never)[1]!.x).toBeCloseTo(450);
  });

  test('stay where they are when it goes', () => {
    const doc = scene();
    must(removeElements(doc, 's', ['b']));
    expect(linePoints(thing(doc, 'l') as never)).toEqual([
      { x: 200, y: 130 },
      { x: 300, y: 130 },
    ]);
    expect(thing(doc, 'l')).toMatchObject({ from: { elementId: 'a' }, to: null });
  });

  test('a reader that follows the document moves them too', () => {
    const doc = scene();
    const reader = new DeckReader(doc);
    reader.read();
    must(setPlaces(doc, 's', movedBy(things(doc), ['b'], 50, 100)));
    expect(reader.read()).toEqual(readDeck(doc));
    expect(reader.read().slides.s!.elements).toEqual(things(doc));
  });
});

describe('arranging', () => {
  const aBox = fc.record(
    {
      x: fc.integer({ min: 0, max: 900 }),
      y: fc.integer({ min: 0, max: 600 }),
      w: fc.integer({ min: 20, max: 300 }),
      h: fc.integer({ min: 20, max: 200 }),
    },
    { noNullPrototype: true },
  );
  const someThings = fc.array(fc.tuple(aBox, fc.integer({ min: 0, max: 359 })), {
    minLength: 3,
    maxLength: 6,
  });
  const placed = (boxes: [ReturnType<typeof box>, number][]): Y.Doc =>
    deck(bare(slide('s', ...boxes.map(([at, rotation], n) => shape(`e${n}`, at, { rotation })))));

  test('aligning twice is aligning once', () => {
    fc.assert(
      fc.property(someThings, fc.constantFrom(...ALIGNINGS), (boxes, how) => {
        const doc = placed(boxes);
        must(setPlaces(doc, 's', align(things(doc), ids(doc), how)));
        const once = things(doc).map((one) => one.box);
        must(setPlaces(doc, 's', align(things(doc), ids(doc), how)));
        things(doc).forEach((one, index) => {
          expect(one.box.x).toBeCloseTo(once[index]!.x);
          expect(one.box.y).toBeCloseTo(once[index]!.y);
        });
      }),
      { numRuns: 40 },
    );
  });

  test('spreading makes every gap the same, and leaves the outer two', () => {
    fc.assert(
      fc.property(someThings, (boxes) => {
        const doc = placed(boxes);
        // Of what is seen of a turned thing: two middles that are the same stay so, to the last digit.
        const middle = ({ box, rotation }: SlideElement): number => {
          const seen = boundsOf(box, rotation);
          return seen.x + seen.w / 2;
        };
        // Things that overlap much may pass each other: their order is that of before.
        const order = [...things(doc)].sort((a, b) => middle(a) - middle(b)).map(({ id }) => id);
        must(setPlaces(doc, 's', spread(things(doc), ids(doc), 'across')));
        const row = order.map((id) => {
          const { box, rotation } = thing(doc, id);
          return boundsOf(box, rotation);
        });
        const gaps = row.slice(1).map((one, index) => one.x - (row[index]!.x + row[index]!.w));
        for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0]!, 3);
      }),
      { numRuns: 40 },
    );
  });

  test('the same size is that of the first', () => {
    const doc = scene();
    must(setPlaces(doc, 's', sameSize(things(doc), ['t', 'a'], 'both')));
    expect(thing(doc, 'a').box).toEqual(box(100, 100, 300, 60));
  });

  test('one thing alone is aligned with the stage; a locked one stays', () => {
    const doc = scene();
    must(setPlaces(doc, 's', align(things(doc), ['a'], 'right')));
    expect(thing(doc, 'a').box.x).toBe(1180);
    must(setElements(doc, 's', ['a'], { isLocked: true }));
    expect(align(things(doc), ['a'], 'left')).toEqual([]);
  });

  test('a close-up takes along what lies in it, and leaves scenery and what is locked', () => {
    const doc = scene();
    must(
      addElement(doc, 's', {
        kind: 'closeup',
        layer: 'content',
        id: 'up',
        box: box(80, 80, 400, 200),
      }),
    );
    must(setElements(doc, 's', ['b'], { isLocked: true }));
    const moved = movedBy(things(doc), ['up'], 10, 0).map(({ elementId }) => elementId);
    expect(moved.sort()).toEqual(['a', 'up']);
  });

  test('a group is stretched and turned as one', () => {
    const doc = scene();
    const { elementId } = must(group(doc, 's', ['a', 'b']));
    const from = thing(doc, elementId).box;
    must(
      setPlaces(doc, 's', stretched(things(doc), [elementId], from, { ...from, w: from.w * 2 })),
    );
    expect(thing(doc, 'b').box).toEqual(box(500, 100, 200, 60));
    must(setPlaces(doc, 's', turnedBy(things(doc), [elementId], { x: 400, y: 130 }, 180)));
    expect(thing(doc, 'a').box.x).toBeCloseTo(500);
    expect(thing(doc, 'a').rotation).toBe(180);
  });
});

describe('order, layers and locks', () => {
  test.each([
    ['front', ['b', 'c', 'l', 't', 'a']],
    ['forward', ['b', 'a', 'c', 'l', 't']],
    ['back', ['a', 'b', 'c', 'l', 't']],
    ['backward', ['a', 'b', 'c', 'l', 't']],
  ] as const)('a brought to the %s', (to, wanted) => {
    const doc = scene();
    must(reorder(doc, 's', 'a', to));
    expect(ids(doc).filter((id) => 'abclt'.includes(id))).toEqual(wanted);
  });

  test('within a group the order changes within it', () => {
    const doc = scene();
    must(group(doc, 's', ['a', 'b', 'c'], 'g'));
    must(reorder(doc, 's', 'a', 'front'));
    const inside = things(doc).filter(({ groupId }) => groupId === 'g');
    expect(inside.map(({ id }) => id)).toEqual(['b', 'c', 'a']);
    expect(ids(doc).indexOf('l')).toBeGreaterThan(ids(doc).indexOf('a'));
  });

  test('what is locked is neither moved, set, typed in nor deleted before it is let go', () => {
    const doc = scene();
    must(setElements(doc, 's', ['a'], { isLocked: true }));
    const before = readDeck(doc);
    for (const refused of [
      setPlaces(doc, 's', [{ elementId: 'a', box: box(0, 0) }]),
      setElements(doc, 's', ['a'], { opacity: 0.5 }),
      removeElements(doc, 's', ['a']),
      setLayer(doc, 's', ['a'], 'background'),
      group(doc, 's', ['a', 'b']),
    ]) {
      expect(refused).toEqual(refuse('thing.locked'));
    }
    expect(readDeck(doc)).toEqual(before);
    must(setElements(doc, 's', ['a'], { isLocked: false }));
    must(removeElements(doc, 's', ['a']));
  });

  test('all content becomes scenery but what carries links or asks, and is lifted out again', () => {
    const doc = scene();
    expect(must(moveLayer(doc, 's', 'content')).moved).toBe(5);
    expect(
      things(doc)
        .filter(({ layer }) => layer === 'content')
        .map(({ id }) => id),
    ).toEqual(['q', 'on-choice']);
    expect(must(moveLayer(doc, 's', 'background')).moved).toBe(5);
    expect(moveLayer(doc, 's', 'background').ok).toBe(false);
  });

  test.each([
    [box(NaN, 0), 'thing.number'],
    [box(0, 0, 2), 'thing.size'],
    [box(1e6, 0), 'thing.far'],
  ] as const)('a box that cannot be is refused with a sentence', (where, code) => {
    const doc = scene();
    expect(setPlaces(doc, 's', [{ elementId: 'a', box: where }])).toEqual(refuse(code));
  });
});

describe('copies and the clipboard', () => {
  const clipOf = (doc: Y.Doc, ...taken: ElementId[]) =>
    readElementClip(JSON.stringify(clipElements(readDeck(doc), 'deck-1', 's', taken)))!;

  test('what was copied can be pasted on another slide: groups, lines and links stay among the copies', () => {
    const doc = scene();
    must(group(doc, 's', ['a', 'b'], 'g'));
    const clip = clipOf(doc, 'g', 'l', 'on-choice');
    const pasted = must(pasteElements(doc, 'other', clip, 'deck-1'));
    const there = readDeck(doc).slides.other!.elements;
    expect(pasted.elementIds).toHaveLength(3);
    const copy = there.find(({ kind }) => kind === 'line');
    const members = there.filter(({ groupId }) => groupId !== null);
    expect(copy).toMatchObject({ from: { elementId: members[0]!.id } });
    expect(Object.values(readDeck(doc).links).map(({ from }) => from)).toEqual(['s', 'other']);
    expect(pasted.lost).toEqual([]);
  });

  test('from another deck, links to its slides are told as lost', () => {
    const doc = scene();
    const pasted = must(pasteElements(doc, 'other', clipOf(doc, 'on-choice'), 'deck-2'));
    expect(pasted.lost).toEqual(['On']);
  });

  test('a duplicate is the same in all but identity and place', () => {
    const doc = scene();
    const [copy] = must(duplicateElements(doc, 's', ['c'], { dx: 5, dy: 0 })).elementIds;
    const { id: _i, order: _o, box: at, ...rest } = thing(doc, 'c');
    expect(thing(doc, copy!)).toMatchObject({ ...rest, box: { ...at, x: at.x + 5 } });
  });

  test.each(['', 'null', '{}', '[1]', '{"deckId":"x","elements":[{"kind":7}],"links":[{}]}'])(
    'a broken clipboard %j is none, or holds nothing',
    (written) => {
      expect(readElementClip(written)?.elements ?? []).toEqual([]);
    },
  );

  test('more things than a slide holds are refused whole', () => {
    const doc = scene();
    const clip = clipOf(doc, 'a');
    const many = {
      ...clip,
      elements: Array.from({ length: 601 }, (_, n) => ({ ...clip.elements[0]!, id: `n${n}` })),
    };
    const before = readDeck(doc);
    expect(pasteElements(doc, 's', many, 'x')).toEqual(
      refuse('thing.room', { count: 601, room: 591 }),
    );
    expect(readDeck(doc)).toEqual(before);
  });

  test('the look of one thing is given to others as far as they have it', () => {
    const doc = scene();
    must(setElements(doc, 's', ['a'], { fill: '#123456', opacity: 0.5 }));
    must(giveLook(doc, 's', ['b', 't', 'l'], lookOf(thing(doc, 'a'))));
    expect(thing(doc, 'b')).toMatchObject({ fill: '#123456', opacity: 0.5 });
    expect(thing(doc, 't')).toMatchObject({ fill: '#123456', style: 'body' });
    expect(thing(doc, 'l')).toMatchObject({ opacity: 0.5 });
    expect(giveLook(doc, 's', ['q'], lookOf(thing(doc, 'a'))).ok).toBe(false);
  });
});

describe('layouts, themes and grounds', () => {
  test.each(LAYOUTS)('from text to %s and back every word stays', (layout) => {
    const doc = deck(slide('s: Pier', text('Rain', { id: 'body' }), choice('On', 's', 'on')));
    const words = (): string =>
      JSON.stringify(readDeck(doc).slides.s!.elements.map((one) => 'text' in one && one.text))
        .length + '';
    must(setLayout(doc, 's', 'text'));
    const before = words();
    must(setLayout(doc, 's', layout));
    expect(readDeck(doc).slides.s!.layout).toBe(layout);
    must(setLayout(doc, 's', 'text'));
    expect(words()).toBe(before);
  });

  test('an empty text whose slot is gone is taken off, a written one stays', () => {
    const doc = deck(slide('s'));
    must(setLayout(doc, 's', 'two-columns'));
    expect(things(doc)).toHaveLength(3);
    must(setLayout(doc, 's', 'choices'));
    expect(things(doc)).toHaveLength(1);
  });

  test('a ground reaches a slide, its section, or the deck, in one step', () => {
    const doc = deck(slide('a'), slide('b'), slide('c'));
    must(addSection(doc, { id: 'sec', name: 'Sea', slideIds: ['a', 'b'] }));
    const history = createHistory(doc);
    const read = readDeck(doc);
    expect(slidesWithin(read, 'a', 'slide')).toEqual(['a']);
    expect(slidesWithin(read, 'a', 'section').sort()).toEqual(['a', 'b']);
    must(setGround(doc, slidesWithin(read, 'a', 'deck'), { fill: '#112233' }));
    expect(Object.values(readDeck(doc).slides).map(({ ground }) => ground.fill)).toEqual([
      '#112233',
      '#112233',
      '#112233',
    ]);
    must(setGround(doc, ['a'], { tint: '#000000' }));
    expect(readDeck(doc).slides.a!.ground).toMatchObject({ fill: '#112233', tint: '#000000' });
    history.undo();
    history.undo();
    expect(readDeck(doc)).toEqual(read);
  });

  test('a slide may have a theme of its own until one is set for all', () => {
    const doc = deck(slide('a'), slide('b'));
    must(setSlideTheme(doc, 'a', 'almanac'));
    expect(readDeck(doc).slides.a!.theme).toBe('almanac');
    must(setThemeForAll(doc, 'meadow'));
    expect(readDeck(doc)).toMatchObject({
      theme: { ref: 'meadow' },
      slides: { a: { theme: null } },
    });
  });
});

test('strokes are added one by one, and rubbed out; the last takes the drawing along', () => {
  const doc = scene();
  const stroke = { colour: '#112233', weight: 4, isMarker: false, points: [0, 0, 50, 90, 90, 50] };
  must(
    addElement(doc, 's', {
      kind: 'ink',
      layer: 'content',
      id: 'ink',
      box: box(0, 0),
      frame: box(0, 0),
      strokes: [stroke],
    }),
  );
  must(addStroke(doc, 's', 'ink', { ...stroke, weight: 8 }, box(0, 0, 200, 60)));
  expect(thing(doc, 'ink')).toMatchObject({
    strokes: [{ weight: 4 }, { weight: 8 }],
    box: box(0, 0, 200, 60),
  });
  must(rubOut(doc, 's', 'ink', [0, 7]));
  expect(thing(doc, 'ink')).toMatchObject({ strokes: [{ weight: 8 }] });
  must(rubOut(doc, 's', 'ink', [0]));
  expect(ids(doc)).not.toContain('ink');
});

test.each<Partial<SlideElement> & NewElement>([
  { kind: 'text', layer: 'content', box: box(0, 0), style: 'body', opacity: 0, fill: 'none' },
  { kind: 'shape', layer: 'content', box: box(0, 0), shape: 'star', points: [0, 0], rotation: 0 },
  {
    kind: 'table',
    layer: 'content',
    box: box(0, 0, 200, 90),
    columns: [1, 0.5],
    outline: { colour: '', weight: 0, dash: 'solid' },
  },
  { kind: 'zone', layer: 'pieces', box: box(0, 0), isVisible: false, takes: [], most: 0 },
  {
    kind: 'text',
    layer: 'pieces',
    box: box(0, 0),
    style: 'body',
    piece: { ...STANDARD_PIECE, copies: 0, snaps: false },
  },
  { kind: 'closeup', layer: 'content', box: box(0, 0), isSeen: true, opacity: 0.5, isLocked: true },
])('what is put down sparingly is read as it was: %j', (made) => {
  const doc = scene();
  const { elementId } = must(addElement(doc, 's', made));
  const before = thing(doc, elementId);
  expect(before).toMatchObject(made);
  const [copied] = must(duplicateElements(doc, 's', [elementId], { dx: 0, dy: 0 })).elementIds;
  const { id: _id, order: _order, ...rest } = thing(doc, copied!);
  const { id: _was, order: _stood, ...had } = before;
  expect(rest).toEqual(had);
});

/** Any walk of commands over the things of one slide, also ones that do not apply. */
const step = fc.tuple(
  fc.constantFrom(
    ...(['add', 'move', 'turn', 'stretch', 'group', 'ungroup', 'order', 'layer', 'lock'] as const),
    ...(['set', 'look', 'copy', 'remove', 'layout', 'ground', 'theme', 'flatten', 'link'] as const),
  ),
  fc.nat(20),
  fc.nat(20),
);
const KINDS: readonly NewElement[] = [
  { kind: 'ink', layer: 'content', box: box(0, 0), frame: box(0, 0), strokes: [] },
  { kind: 'closeup', layer: 'content', box: box(50, 50, 500, 300) },
  { kind: 'table', layer: 'content', box: box(0, 0, 400, 200), text: plain('a') },
  { kind: 'hotspot', layer: 'content', box: box(20, 20) },
  { kind: 'credits', layer: 'content', box: box(0, 0, 400, 200) },
  { kind: 'zone', layer: 'pieces', box: box(0, 0, 400, 200), tidy: 'row' },
];

function apply(doc: Y.Doc, [what, m, n]: [string, number, number]): void {
  const elements = things(doc);
  const pick = (at: number): ElementId => elements[at % Math.max(1, elements.length)]?.id ?? 'none';
  const two = [pick(m), pick(n)];
  const whole = elements.find(({ id }) => id === two[0])?.box ?? box(0, 0);
  switch (what) {
    case 'add':
      return void addElement(doc, 's', KINDS[m % KINDS.length]!);
    case 'move':
      return void setPlaces(doc, 's', movedBy(elements, two, n, m));
    case 'turn':
      return void setPlaces(doc, 's', turnedBy(elements, two, { x: 400, y: 300 }, 15 * n));
    case 'stretch':
      return void setPlaces(
        doc,
        's',
        stretched(elements, [two[0]!], whole, { ...whole, w: whole.w + n }),
      );
    case 'group':
      return void group(doc, 's', two, `g${m}-${n}-${elements.length}`);
    case 'ungroup':
      return void ungroup(doc, 's', two);
    case 'order':
      return void reorder(doc, 's', two, ORDER_STEPS[n % 4]!);
    case 'layer':
      return void setLayer(doc, 's', two, LAYERS[n % 3]!);
    case 'lock':
      return void setElements(doc, 's', [two[0]!], { isLocked: n % 2 === 0 });
    case 'set':
      return void setElements(doc, 's', two, { opacity: n / 20, name: `n${m}` });
    case 'look': {
      const model = elements.find(({ id }) => id === two[0]);
      return model ? void giveLook(doc, 's', two, lookOf(model)) : undefined;
    }
    case 'copy':
      return void duplicateElements(doc, 's', two);
    case 'remove':
      return void removeElements(doc, 's', [two[0]!], n % 2 ? 'go' : 'stay');
    case 'layout':
      return void setLayout(doc, 's', LAYOUTS[n % LAYOUTS.length]!);
    case 'ground':
      return void setGround(doc, ['s'], { fill: n % 2 ? '#445566' : '' });
    case 'theme':
      return void setSlideTheme(doc, 's', n % 2 ? 'paper/dark' : null);
    case 'flatten':
      return void moveLayer(doc, 's', n % 2 ? 'content' : 'background');
    case 'link':
      return void linkElement(doc, 's', two[0]!, toSlide('other'));
  }
}

describe('whatever is done to the things of a slide', () => {
  const steps = fc.array(step, { maxLength: 10 });

  test('undoing it all restores the snapshot, redoing brings it back', () => {
    fc.assert(
      fc.property(steps, (walk) => {
        const doc = scene();
        const history = createHistory(doc);
        const before = readDeck(doc);
        for (const one of walk) apply(doc, one);
        const after = readDeck(doc);
        while (history.canUndo()) history.undo();
        expect(readDeck(doc)).toEqual(before);
        while (history.canRedo()) history.redo();
        expect(readDeck(doc)).toEqual(after);
      }),
      { numRuns: 60 },
    );
  });

  test('a reader that follows reads what a fresh reading reads', () => {
    fc.assert(
      fc.property(steps, (walk) => {
        const doc = scene();
        const reader = new DeckReader(doc);
        for (const one of walk) {
          apply(doc, one);
          expect(reader.read()).toEqual(readDeck(doc));
        }
      }),
      { numRuns: 40 },
    );
  });

  test('what was not touched keeps its identity, groups and stuck lines too', () => {
    const doc = scene();
    must(group(doc, 's', ['a', 'b'], 'g'));
    const reader = new DeckReader(doc);
    const before = reader.read().slides.s!.elements;
    must(setElements(doc, 's', ['t'], { opacity: 0.4 }));
    const after = reader.read().slides.s!.elements;
    for (const [index, element] of after.entries()) {
      if (element.id === 't') expect(element).not.toBe(before[index]);
      else expect(element).toBe(before[index]);
    }
  });

  test('two editors who do it at once read the same in the end', () => {
    fc.assert(
      fc.property(steps, steps, (mine, theirs) => {
        const seed = Y.encodeStateAsUpdate(scene());
        const [left, right] = [new Y.Doc(), new Y.Doc()];
        for (const doc of [left, right]) Y.applyUpdate(doc, seed);
        for (const one of mine) apply(left, one);
        for (const one of theirs) apply(right, one);
        const [fromLeft, fromRight] = [Y.encodeStateAsUpdate(left), Y.encodeStateAsUpdate(right)];
        Y.applyUpdate(left, fromRight);
        Y.applyUpdate(right, fromLeft);
        expect(readDeck(left)).toEqual(readDeck(right));
      }),
      { numRuns: 60 },
    );
  });
});

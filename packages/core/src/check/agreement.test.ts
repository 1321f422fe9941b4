import fc from 'fast-check';
import {
  addTrail,
  Checker,
  followTo,
  linkElement,
  readDeck,
  removeElements,
  routeGraph,
  setBox,
  setPlaces,
  setSlideFlag,
  setStart,
  stopAfter,
  studentView,
  toSlide,
  type Deck,
  type Link,
  type Question,
  type QuestionKey,
  type Visit,
} from '../index.js';
import {
  choice,
  deck,
  element,
  ending,
  leftOut,
  question,
  slide,
  text,
  way,
} from '../testing/builder.js';

const BACK = { kind: 'step', step: 'back' } as const;
const ELSEWHERE = { kind: 'deck', deckId: 'other', slideId: '', title: 'Old' } as const;
const isBack = ({ target }: Link): boolean => target.kind === 'step' && target.step === 'back';
const NAMES = ['a', 'b', 'c', 'd', 'e'] as const;

/** What may happen to a deck that is worked on for a while. */
const happenings = fc.array(
  fc.record({
    what: fc.constantFrom(
      'choice',
      'shape',
      'other deck',
      'back',
      'next',
      'previous',
      'stop',
      'stop of another trail',
      'erase',
      'push out',
      'turn',
      'leave out',
      'end',
      'start',
    ),
    from: fc.constantFrom(...NAMES),
    to: fc.constantFrom(...NAMES),
  }),
  { maxLength: 18 },
);

function deckAfter(all: { what: string; from: string; to: string }[]): Deck {
  const parts = (name: string) =>
    all.flatMap(({ what, from, to }, index) => {
      if (from !== name) return [];
      if (what === 'choice') return [choice(`${index}`, to, `x${index}`)];
      if (what === 'shape') return [text(`${index}`, { id: `x${index}` })];
      if (what === 'other deck') return [way(`${index}`, ELSEWHERE)];
      if (what === 'back') return [way(`${index}`, BACK)];
      if (what === 'next' || what === 'previous')
        return [way(`${index}`, { kind: 'step', step: what })];
      return [];
    });
  const doc = deck(...NAMES.map((name) => slide(name, ...parts(name))));
  for (const [id, what] of [
    ['first', 'stop'],
    ['second', 'stop of another trail'],
  ] as const) {
    const slideIds = all.filter((one) => one.what === what).map(({ from }) => from);
    if (slideIds.length > 0) addTrail(doc, { id, name: id, slideIds });
  }
  all.forEach(({ what, from, to }, index) => {
    if (what === 'shape') linkElement(doc, from, `x${index}`, toSlide(to));
    if (what === 'leave out') setSlideFlag(doc, from, 'isLeftOut', true);
    if (what === 'end') setSlideFlag(doc, from, 'isEnding', true);
    if (what === 'start') setStart(doc, from);
  });
  all.forEach(({ what, from }) => {
    const things = readDeck(doc).slides[from]!.elements.filter(({ id }) => id.startsWith('x'));
    const [thing] = things;
    if (!thing) return;
    if (what === 'erase') removeElements(doc, from, [thing.id], 'stay');
    if (what === 'push out') setBox(doc, from, thing.id, { ...thing.box, x: 1400 });
    if (what === 'turn')
      setPlaces(doc, from, [
        { elementId: thing.id, box: { ...thing.box, x: 1281, w: 20, h: 400 }, rotation: 90 },
      ]);
  });
  return readDeck(doc);
}

test('Check finds a dead end just where a student who was sent the deck cannot go on', () => {
  fc.assert(
    fc.property(happenings, (all) => {
      const read = deckAfter(all);
      const sent = studentView(read);
      const graph = routeGraph(sent);
      const stuck = Object.values(sent.slides)
        .filter(({ id, isEnding, isPattern }) => {
          const goesOn = graph.waysOut
            .get(id)!
            .some(
              (link) =>
                followTo(sent, link) !== null ||
                (isBack(link) && (graph.waysIn.get(id) ?? []).length > 0),
            );
          return !isEnding && !isPattern && !goesOn;
        })
        .map(({ id }) => id);
      const { findings } = new Checker().check(read);
      const found = findings
        .filter(({ kind }) => kind === 'dead-end')
        .map(({ slideId }) => slideId);
      expect(found.sort()).toEqual(stuck.sort());
      // And a link that is drawn and not sent is told of by name.
      const told = new Set(findings.flatMap(({ linkIds = [] }) => linkIds));
      for (const link of Object.values(read.links)) {
        if (sent.links[link.id] || read.slides[link.from]?.isLeftOut) continue;
        if (link.target.kind !== 'deck') expect(told).toContain(link.id);
      }
    }),
    { numRuns: 1500 },
  );
});

test('a student who goes every way comes to just the slides that Check calls reachable', () => {
  // The trail a, e, c, e: whoever begins on e is at its first place there, and a step back leads to a alone.
  const twoPlacesOfOneSlide = [
    { what: 'stop' as const, from: 'a' as const, to: 'a' as const },
    { what: 'stop' as const, from: 'e' as const, to: 'a' as const },
    { what: 'stop' as const, from: 'c' as const, to: 'a' as const },
    { what: 'stop' as const, from: 'e' as const, to: 'a' as const },
    { what: 'previous' as const, from: 'e' as const, to: 'a' as const },
    { what: 'start' as const, from: 'e' as const, to: 'a' as const },
  ];
  fc.assert(
    fc.property(happenings, (all) => {
      const read = deckAfter(all.filter(({ what }) => what !== 'back'));
      const sent = studentView(read);
      const graph = routeGraph(sent);
      const reached = new Set<string>();
      const seen = new Set<string>();
      const walks: Visit[][] = sent.startSlideId
        ? [[{ slideId: sent.startSlideId, at: 0, via: 'start' }]]
        : [];
      for (let walk = walks.pop(); walk; walk = walks.pop()) {
        const here = walk.at(-1)!.slideId;
        const stop = stopAfter(sent, walk);
        if (seen.has(`${here} ${stop}`)) continue;
        seen.add(`${here} ${stop}`);
        reached.add(here);
        for (const link of graph.waysOut.get(here) ?? []) {
          const to = followTo(sent, link, { stop });
          if (to) walks.push([...walk, { slideId: to, at: 0, via: link.id }]);
        }
      }
      const unreached = new Checker()
        .check(read)
        .findings.filter(({ kind }) => kind === 'unreachable')
        .map(({ slideId }) => slideId);
      const expected = Object.keys(sent.slides).filter((id) => !reached.has(id));
      expect(unreached.sort()).toEqual(expected.sort());
    }),
    { numRuns: 1000, examples: [[twoPlacesOfOneSlide]] },
  );
});

test('a label turned onto the stage is given to students, one turned off it is not', () => {
  const turned = (rotation: number) =>
    element({
      id: 'x',
      kind: 'text',
      style: 'body',
      layer: 'content',
      rotation,
      box: { x: 1270, y: 300, w: 20, h: 300 },
      text: { type: 'doc', content: [] },
    } as Parameters<typeof element>[0]);
  const out = (rotation: number) =>
    element({
      id: 'x',
      kind: 'text',
      style: 'body',
      layer: 'content',
      rotation,
      box: { x: 1290, y: 300, w: 20, h: 300 },
      text: { type: 'doc', content: [] },
    } as Parameters<typeof element>[0]);
  const ids = (part: ReturnType<typeof element>): string[] =>
    studentView(readDeck(deck(slide('a', ending(), part)))).slides.a!.elements.map(({ id }) => id);
  expect(ids(turned(0))).toContain('x');
  expect(ids(out(0))).not.toContain('x');
  expect(ids(out(90))).toContain('x');
});

test('students begin where the map begins when the start is left out, and Check says so', () => {
  const read = readDeck(
    deck(
      slide('z', leftOut(), choice('go', 'b')),
      slide('m', choice('on', 'b')),
      slide('b', ending()),
    ),
  );
  const placed = {
    ...read,
    slides: { ...read.slides, b: { ...read.slides.b!, x: 500 }, m: { ...read.slides.m!, x: 100 } },
  };
  expect(studentView(placed).startSlideId).toBe('m');
  const [finding] = new Checker().check(placed).findings;
  expect(finding).toMatchObject({ kind: 'start-left-out', slideId: 'z' });
});

test('six links to one slide are one finding', () => {
  const links = ['1', '2', '3', '4', '5', '6'].map((wording) => choice(wording, 'b'));
  const { findings } = new Checker().check(
    readDeck(deck(slide('a', ...links), slide('b', ending()))),
  );
  const same = findings.filter(({ kind }) => kind === 'same-target');
  expect(same).toHaveLength(1);
  expect(same[0]!.linkIds).toHaveLength(6);
});

const AREA = { shape: 'box', corners: [], label: '', x: 0, y: 0, w: 0.2, h: 0.2 };

test.each<[string, Question, QuestionKey, boolean]>([
  [
    'two options right, one may be picked',
    {
      kind: 'choice',
      isMultiple: false,
      isShuffled: false,
      points: 1,
      options: [
        { id: 'a', text: 'A', picture: null },
        { id: 'b', text: 'B', picture: null },
      ],
    },
    { kind: 'choice', optionIds: ['a', 'b'], isPartial: false },
    true,
  ],
  [
    'two areas right, one may be picked',
    {
      kind: 'hotspot',
      most: 1,
      isOutlined: true,
      points: 1,
      areas: [
        { ...AREA, id: 'a' },
        { ...AREA, id: 'b' },
      ],
    } as Question,
    { kind: 'hotspot', areaIds: ['a', 'b'], isPartial: false },
    true,
  ],
  [
    'no step meets the key',
    {
      kind: 'slider',
      low: 0,
      high: 10,
      step: 3,
      lowLabel: '',
      highLabel: '',
      before: null,
      points: 1,
    },
    { kind: 'slider', low: 4, high: 5 },
    true,
  ],
  [
    'a step of a tenth meets three tenths',
    {
      kind: 'slider',
      low: 0,
      high: 1,
      step: 0.1,
      lowLabel: '',
      highLabel: '',
      before: null,
      points: 1,
    },
    { kind: 'slider', low: 0.3, high: 0.3 },
    false,
  ],
  [
    'the bank lacks the word',
    { kind: 'gap', parts: ['The ', '.'], bank: ['sea', 'sky'], points: 1 },
    { kind: 'gap', accepted: [['lamp']], heedsCase: false, heedsAccents: false },
    true,
  ],
  [
    'the bank has it',
    { kind: 'gap', parts: ['The ', '.'], bank: ['sea', 'Lamp'], points: 1 },
    { kind: 'gap', accepted: [['lamp', 'light']], heedsCase: false, heedsAccents: false },
    false,
  ],
])('nobody can be right: %s', (_, asked, key, isFound) => {
  const doc = deck(slide('a', ending(), question('q', 'Which?', asked, key)));
  const found = new Checker()
    .check(readDeck(doc))
    .findings.filter(({ kind }) => kind === 'key-impossible');
  expect(found).toHaveLength(isFound ? 1 : 0);
});

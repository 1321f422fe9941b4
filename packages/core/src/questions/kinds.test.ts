import fc from 'fast-check';
import {
  answerGiven,
  agreement,
  completed,
  countAnswer,
  isBlank,
  isInside,
  markAnswer,
  meanPlaces,
  QUESTION_KINDS,
  readAnswer,
  readDeck,
  readGapText,
  sampleAnswer,
  spotsOf,
  tallyOf,
  writeGapText,
  xapiStatements,
  type Answer,
  type Area,
  type KindName,
  type OrderTally,
  type Question,
  type QuestionElement,
  type QuestionKey,
  type SelectPointTally,
} from '../index.js';
import { readRanges } from './number/ranges.js';
import { readQuestionKey } from './registry.js';
import { deck, piece, question, slide, zone } from '../testing/builder.js';
import { xapiFaults } from '../testing/xapiRules.js';
import { partialCredit, shuffled } from './values.js';

const items = (...ids: string[]): { id: string; text: string; picture: null }[] =>
  ids.map((id) => ({ id, text: id.toUpperCase(), picture: null }));
const area = (id: string, x: number, y: number, w: number, h: number): Area => ({
  id,
  label: id,
  shape: 'box',
  x,
  y,
  w,
  h,
  corners: [],
});

const ASKED: Record<KindName, { question: Question; key: QuestionKey | null }> = {
  choice: {
    question: {
      kind: 'choice',
      options: items('a', 'b', 'c', 'd'),
      isMultiple: true,
      isShuffled: false,
      points: 1,
    },
    key: { kind: 'choice', optionIds: ['a', 'b'], isPartial: true },
  },
  textEntry: {
    question: { kind: 'textEntry', points: 1 },
    key: { kind: 'textEntry', accepted: ['lamp*'], heedsCase: false, heedsAccents: false },
  },
  extendedText: {
    question: { kind: 'extendedText', fewestWords: 0, mostWords: 50, points: 2 },
    key: { kind: 'extendedText', scale: [{ label: 'fully', share: 1 }] },
  },
  number: {
    question: { kind: 'number', unit: 'm', decimal: '.', points: 1 },
    key: { kind: 'number', right: '9 … 11', ranges: [{ low: 9, high: 11 }] },
  },
  slider: {
    question: {
      kind: 'slider',
      low: 0,
      high: 10,
      step: 0.5,
      lowLabel: '',
      highLabel: '',
      before: null,
      points: 1,
    },
    key: { kind: 'slider', low: 6, high: 8 },
  },
  order: {
    question: { kind: 'order', items: items('c', 'a', 'd', 'b'), isRow: false, points: 1 },
    key: { kind: 'order', itemIds: ['a', 'b', 'c', 'd'], credit: 'rank' },
  },
  match: {
    question: { kind: 'match', lefts: items('a', 'b', 'c'), rights: items('x', 'y'), points: 1 },
    key: { kind: 'match', pairs: { a: ['x'], b: ['x', 'y'] } },
  },
  gap: {
    question: { kind: 'gap', parts: ['The ', ' turns ', '.'], bank: null, points: 1 },
    key: {
      kind: 'gap',
      accepted: [['lamp', 'light'], ['round']],
      heedsCase: false,
      heedsAccents: false,
    },
  },
  sort: {
    question: {
      kind: 'sort',
      credit: 'piece',
      points: 1,
      pieces: ['oar', 'net', 'owl'].map((id) => ({ id, name: id })),
      zones: ['boat', 'shed'].map((id) => ({ id, name: id })),
    },
    key: { kind: 'sort', expects: { boat: ['oar'], shed: ['net'] } },
  },
  hotspot: {
    question: {
      kind: 'hotspot',
      most: 2,
      isOutlined: true,
      points: 1,
      areas: [area('n', 0, 0, 0.5, 0.5), area('s', 0, 0.5, 0.5, 0.5), area('e', 0.5, 0, 0.5, 1)],
    },
    key: { kind: 'hotspot', areaIds: ['n'], isPartial: false },
  },
  selectPoint: {
    question: { kind: 'selectPoint', marker: 'dot', most: 2, points: 1 },
    key: {
      kind: 'selectPoint',
      target: null,
      areas: [
        { ...area('n', 0, 0, 0.5, 0.5), weight: 1 },
        { ...area('s', 0, 0.5, 0.5, 0.5), weight: 0.5 },
        { ...area('e', 0.5, 0, 0.5, 1), weight: -0.5 },
      ],
    },
  },
  drawing: { question: { kind: 'drawing', points: 2 }, key: null },
};

function element(kind: KindName, changes: Partial<QuestionElement> = {}): QuestionElement {
  const { question: what, key } = ASKED[kind];
  const read = readDeck(deck(slide('s', question('q', '?', what, key)))).slides.s!;
  const found = read.elements.find(({ id }) => id === 'q') as QuestionElement;
  // What a sort asks for is on its slide; here it is given.
  return { ...found, ...(kind === 'sort' ? { question: what, key } : {}), ...changes };
}
const chance = (seed: number): ((below: number) => number) => {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 1;
    return (state >>> 8) % below;
  };
};

/** A UUID of the form of version 5 that depends on the name alone. */
function uuidLike(name: string): string {
  let hex = '';
  for (let part = 0; part < 4; part++) {
    let state = 2166136261 + part;
    for (const sign of name) state = Math.imul(state ^ sign.codePointAt(0)!, 16777619) >>> 0;
    hex += state.toString(16).padStart(8, '0');
  }
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-5${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20)}`;
}

describe.each(QUESTION_KINDS)('%s', (kind) => {
  const asked = element(kind);
  const one = fc
    .tuple(fc.nat(1e6), fc.boolean())
    .map(([seed, isRight]) => sampleAnswer(asked, isRight, chance(seed)));

  test('is read back from a deck as it was', () => {
    expect(asked.question).toEqual(ASKED[kind].question);
    expect(asked.key).toEqual(ASKED[kind].key);
  });

  test('an answer is read back as it was, and worth something from 0 to 1', () => {
    fc.assert(
      fc.property(one, (answer) => {
        expect(readAnswer(asked.question, JSON.parse(JSON.stringify(answer)))).toEqual(answer);
        const worth = markAnswer(asked, answer);
        if (worth !== null) expect(worth >= 0 && worth <= 1).toBe(true);
      }),
    );
  });

  test('a right sample is wholly right where a machine can tell', () => {
    fc.assert(
      fc.property(fc.nat(1e6), (seed) => {
        const worth = markAnswer(asked, sampleAnswer(asked, true, chance(seed)));
        expect([1, null]).toContain(worth);
      }),
    );
  });

  test('an answer is a valid xAPI statement, the same one however often it is saved', () => {
    const said = (answer: Answer, points: number) =>
      xapiStatements({
        home: 'https://isle.example',
        lessonId: 'l',
        language: 'de-CH',
        countsLate: true,
        students: [
          {
            folioId: 'f',
            name: 'Ada',
            handedInAt: null,
            attempts: 0,
            isPractice: false,
            marks: {},
            walk: [],
            answers: {
              q: {
                answer,
                score: markAnswer(asked, answer),
                at: '2026-11-28T08:00:00.000Z',
                isLate: false,
              },
            },
          },
        ],
        questions: [{ ...asked, question: { ...asked.question, points } }],
        uuidOf: (name) => uuidLike(name),
      })[0]!;
    fc.assert(
      fc.property(one, fc.constantFrom(0, 1, 2.5), (answer, points) => {
        const statement = said(answer, points);
        expect(xapiFaults(statement)).toEqual([]);
        expect(said(answer, points)).toEqual(statement);
      }),
    );
  });

  test('a tally is order-free, and taking out undoes counting in', () => {
    fc.assert(
      fc.property(fc.array(one, { maxLength: 25 }), one, (answers, extra) => {
        const tally = tallyOf(asked.question, answers);
        expect(tallyOf(asked.question, [...answers].reverse())).toEqual(tally);
        expect(tally.answered).toBe(answers.filter((answer) => !isBlank(answer)).length);
        const counted = structuredClone(tally);
        countAnswer(counted, extra, 1);
        countAnswer(counted, extra, -1);
        expect(counted).toEqual(tally);
      }),
    );
  });

  test('what is no answer is none, whatever it is', () => {
    fc.assert(
      fc.property(fc.anything(), fc.anything(), (value, other) => {
        expect(readAnswer(asked.question, value)).toBeUndefined();
        const forged = { kind, text: value, spots: other, pairs: value, itemIds: other, value };
        const read = readAnswer(asked.question, forged);
        if (read) expect(read.kind).toBe(kind);
      }),
    );
    expect(readAnswer(asked.question, { kind: 'none' })).toBeUndefined();
  });

  test('for thinking it is never marked', () => {
    const thinking = element(kind, { isForThinking: true });
    expect(markAnswer(thinking, sampleAnswer(thinking, true, chance(1)))).toBeNull();
  });
});

describe('marks by hand', () => {
  const worth = (kind: KindName, answer: object, key?: object, question?: object): number | null =>
    markAnswer(
      element(kind, {
        ...(key ? { key: { ...ASKED[kind].key, ...key } as QuestionKey } : {}),
        ...(question ? { question: { ...ASKED[kind].question, ...question } as Question } : {}),
      }),
      { kind, ...answer } as Answer,
    );

  // Right are a and b of four; a wrong pick costs a half.
  test.each([
    [['a', 'b'], 1],
    [['a'], 0.5],
    [['a', 'b', 'c'], 0.5],
    [['a', 'c'], 0],
    [['c', 'd'], 0],
    [['a', 'b', 'c', 'd'], 0],
    [[], 0],
  ])('choice, partial credit: %p is worth %p', (optionIds, mark) => {
    expect(worth('choice', { optionIds })).toBe(mark);
  });
  test('where everything is right nothing can cost', () => {
    expect(partialCredit(['a'], new Set(['a', 'b']), 2)).toBe(0.5);
  });

  // Footrule distances from abcd: the most is floor(16/2) = 8.
  test.each([
    ['exact', 'abcd', 1],
    ['exact', 'abdc', 0],
    ['pairs', 'abcd', 1],
    ['pairs', 'dabc', 2 / 3],
    ['pairs', 'abdc', 1 / 3],
    ['pairs', 'dcba', 0],
    ['rank', 'abcd', 1],
    ['rank', 'bacd', 0.75],
    ['rank', 'dabc', 0.25],
    ['rank', 'dcba', 0],
  ])('order by %s: %p is worth %p', (credit, given, mark) => {
    expect(worth('order', { itemIds: [...given] }, { credit })).toBeCloseTo(mark!, 12);
  });

  test.each([
    [{ a: 'x', b: 'y' }, 1],
    [{ a: 'x', b: 'x' }, 1],
    [{ a: 'x', b: 'y', c: 'x' }, 2 / 3],
    [{ a: 'y', b: 'y' }, 2 / 3],
    [{ c: 'x' }, 0],
    [{}, 0],
  ])('match: %p is worth %p; c belongs nowhere', (pairs, mark) => {
    expect(worth('match', { pairs })).toBeCloseTo(mark, 12);
  });

  test.each([
    [['lamp', 'round'], 1],
    [['LIGHT ', 'round'], 1],
    [['lamp', ''], 0.5],
    [['', 'x'], 0],
  ])('gap: %p is worth %p', (texts, mark) => {
    expect(worth('gap', { texts })).toBe(mark);
  });

  test.each([
    ['piece', { oar: ['boat'], net: ['shed'] }, 1],
    ['piece', { oar: ['boat'], net: ['boat'] }, 2 / 3],
    ['piece', { oar: ['boat'], net: ['shed'], owl: ['shed'] }, 2 / 3],
    ['piece', {}, 0],
    ['zone', { oar: ['boat'], net: ['shed'], owl: ['shed'] }, 0.5],
    ['zone', { oar: ['boat'], net: ['shed'] }, 1],
    ['all', { oar: ['boat'], net: ['shed'] }, 1],
    ['all', { oar: ['boat'], net: ['shed'], owl: ['boat'] }, 0],
  ])('sort by %s: %p is worth %p; the owl is extra', (credit, zoneIds, mark) => {
    expect(worth('sort', { zoneIds }, {}, { credit })).toBeCloseTo(mark, 12);
  });

  test.each([
    [['n'], 1],
    [['n', 's'], 0],
    [['s'], 0],
  ])('hotspot: %p is worth %p', (areaIds, mark) => {
    expect(worth('hotspot', { areaIds })).toBe(mark);
  });

  // The best two markers earn 1 + 0.5; e takes a half away.
  test.each([
    [
      [
        [0.1, 0.1],
        [0.1, 0.9],
      ],
      1,
    ],
    [[[0.1, 0.1]], 2 / 3],
    [
      [
        [0.1, 0.1],
        [0.9, 0.9],
      ],
      1 / 3,
    ],
    [[[0.9, 0.9]], 0],
    [
      [
        [0.1, 0.1],
        [0.2, 0.2],
      ],
      2 / 3,
    ],
  ])('select point in weighted areas: %p is worth %p', (spots, mark) => {
    const answer = { spots: spots.map(([x, y]) => ({ x, y })) };
    expect(worth('selectPoint', answer)).toBeCloseTo(mark, 12);
  });

  test.each([
    [0.5, 1],
    [0.55, 1],
    [0.6, 0.75],
    [0.7, 0.25],
    [0.75, 0],
    [0.9, 0],
  ])('select point by distance: a marker at %p is worth %p', (x, mark) => {
    const target = { x: 0.5, y: 0.5, near: 0.05, far: 0.25 };
    const near = { areas: [], target: { ...target, near: 0.05 } };
    expect(worth('selectPoint', { spots: [{ x, y: 0.5 }] }, near)).toBeCloseTo(mark, 2);
    // A line across the picture counts by its height alone.
    const line = { ...ASKED.selectPoint.question, marker: 'line' };
    expect(worth('selectPoint', { spots: [{ x: 0.9, y: 0.5 }] }, near, line)).toBe(1);
  });

  test('what a person has to mark has no mark yet', () => {
    expect(worth('extendedText', { text: 'Because of the fog.' })).toBeNull();
  });
});

describe('what is too much', () => {
  const strokes = (count: number, length: number): object[] =>
    Array.from({ length: count }, () => ({ colour: '', weight: 4, points: Array(length).fill(5) }));
  test.each([
    ['a million places of a pen', 'drawing', { strokes: strokes(1, 3_000_000), labels: [] }],
    ['ten thousand strokes', 'drawing', { strokes: strokes(10_000, 3), labels: [] }],
    ['a book', 'extendedText', { text: 'x'.repeat(20_001) }],
    ['three markers of two', 'selectPoint', { spots: Array(3).fill({ x: 0, y: 0 }) }],
    ['a marker beside the picture', 'selectPoint', { spots: [{ x: 1.01, y: 0 }] }],
    ['three picks of two', 'hotspot', { areaIds: ['n', 's', 'e'] }],
    ['an area of another question', 'hotspot', { areaIds: ['west'] }],
    ['a thing twice', 'order', { itemIds: ['a', 'a', 'b', 'c'] }],
    ['a thing too few', 'order', { itemIds: ['a', 'b', 'c'] }],
    ['an unknown partner', 'match', { pairs: { a: 'zz' } }],
    ['a gap too many', 'gap', { texts: ['a', 'b', 'c'] }],
  ] as const)('%s is no answer', (_what, kind, raw) => {
    expect(readAnswer(ASKED[kind].question, { kind, ...raw })).toBeUndefined();
  });

  test('a word that is not in the bank is no answer', () => {
    const bank: Question = { ...ASKED.gap.question, bank: ['lamp'] } as Question;
    expect(readAnswer(bank, { kind: 'gap', texts: ['lamp', ''] })).toBeDefined();
    expect(readAnswer(bank, { kind: 'gap', texts: ['light', ''] })).toBeUndefined();
  });
});

describe('order', () => {
  const tally = (...orders: string[]): OrderTally =>
    tallyOf(
      ASKED.order.question,
      orders.map((given): Answer => ({ kind: 'order', itemIds: [...given] })),
    ) as OrderTally;

  test('mean places', () => {
    expect(meanPlaces(tally('abcd', 'abdc', 'bacd'))).toEqual([
      { id: 'a', mean: 4 / 3 },
      { id: 'b', mean: 5 / 3 },
      { id: 'c', mean: 10 / 3 },
      { id: 'd', mean: 11 / 3 },
    ]);
  });

  // Place sums 4, 5, 10, 11 around 7.5: S = 12.25 + 6.25 + 6.25 + 12.25 = 37; W = 12·37 / (9·60).
  test.each([
    [['abcd', 'abdc', 'bacd'], (12 * 37) / (9 * 60)],
    [['abcd', 'abcd', 'abcd'], 1],
    [['abcd', 'dcba'], 0],
  ])('agreement of %p is %p', (orders, w) => {
    expect(agreement(tally(...orders))).toBeCloseTo(w, 12);
  });
  test('one order agrees with nobody', () => {
    expect(agreement(tally('abcd'))).toBeUndefined();
  });
});

describe('areas', () => {
  const triangle: Area = {
    ...area('t', 0, 0, 1, 1),
    shape: 'outline',
    corners: [0, 0, 1, 0, 0, 1],
  };
  test.each([
    [area('b', 0.2, 0.2, 0.2, 0.2), 0.3, 0.3, true],
    [area('b', 0.2, 0.2, 0.2, 0.2), 0.41, 0.3, false],
    [{ ...area('e', 0, 0, 1, 1), shape: 'ellipse' as const }, 0.5, 0, true],
    [{ ...area('e', 0, 0, 1, 1), shape: 'ellipse' as const }, 0.05, 0.05, false],
    [triangle, 0.2, 0.2, true],
    [triangle, 0.8, 0.8, false],
    [{ ...triangle, corners: [] }, 0.2, 0.2, false],
  ])('%# a spot lies in it or does not', (where, x, y, isIn) => {
    expect(isInside(where, { x, y })).toBe(isIn);
  });

  test('every marker of a tally is there as often as it was put', () => {
    const spots = [
      { x: 0.123, y: 0.5 },
      { x: 0.123, y: 0.5 },
    ];
    const tally = tallyOf(ASKED.selectPoint.question, [{ kind: 'selectPoint', spots }]);
    expect(spotsOf(tally as SelectPointTally)).toEqual(spots);
  });
});

test('a gap text is written and read back', () => {
  const written = 'The [lamp|light] turns every [ten] seconds.';
  const { parts, accepted } = readGapText(written);
  expect(parts).toEqual(['The ', ' turns every ', ' seconds.']);
  expect(accepted).toEqual([['lamp', 'light'], ['ten']]);
  expect(writeGapText(parts, accepted)).toBe(written);
});

test('a right number written with its unit is still right when the deck is read again', () => {
  const ranges = readRanges('12 m ± 0.5 m', 'm')!;
  const key: QuestionKey = { kind: 'number', right: '12 m ± 0.5 m', ranges };
  const asked: Question = { kind: 'number', unit: 'm', decimal: '.', points: 1 };
  const read = readDeck(deck(slide('s', question('q', '?', asked, key)))).slides.s!.elements;
  const kept = read.find(({ id }) => id === 'q') as QuestionElement;
  expect(kept.key).toEqual(key);
  expect(markAnswer(kept, { kind: 'number', text: '12.4 m' })).toBe(1);
  expect(markAnswer(kept, { kind: 'number', text: '13' })).toBe(0);
  // What is no range is none.
  const forged = { ...key, right: 'x', ranges: [{ low: 2, high: 1 }, { low: NaN, high: 3 }, 7] };
  expect(readQuestionKey(forged)).toBeUndefined();
});

test('what a sort asks for is what lies on its slide', () => {
  const [oar, net] = ['oar', 'net'].map((id, index) =>
    piece(id, id, { x: 10 + 100 * index, y: 600, w: 80, h: 40 }),
  );
  const asked: Question = { kind: 'sort', credit: 'piece', points: 1, pieces: [], zones: [] };
  const { slides } = readDeck(
    deck(
      slide(
        ...(['s', oar!, net!] as const),
        zone('boat', 'the boat', { x: 600, y: 100, w: 300, h: 200 }, ['oar']),
        question('q', '?', asked),
      ),
    ),
  );
  const there = slides.s!;
  const found = completed(there.elements.find(({ id }) => id === 'q') as QuestionElement, there);
  expect(found.question).toMatchObject({
    pieces: [{ id: 'oar' }, { id: 'net' }],
    zones: [{ id: 'boat', name: 'the boat' }],
  });
  expect(found.key).toEqual({ kind: 'sort', expects: { boat: ['oar'] } });
  const answer = answerGiven(asked, there, {
    answer: null,
    placements: { oar: { x: 650, y: 150 }, net: { x: 10, y: 500 } },
  });
  expect(answer).toEqual({ kind: 'sort', zoneIds: { oar: ['boat'] } });
  expect(markAnswer(found, answer!)).toBe(1);
});

test('students see options in an order of their own, always the same', () => {
  const options = ['a', 'b', 'c', 'd', 'e', 'f'];
  expect(shuffled(options, 'folio-1')).toEqual(shuffled(options, 'folio-1'));
  expect([...shuffled(options, 'folio-1')].sort()).toEqual(options);
  const orders = new Set(Array.from({ length: 50 }, (_, n) => shuffled(options, `f${n}`).join('')));
  expect(orders.size).toBeGreaterThan(40);
  // Each option comes first about as often.
  const firsts = Array.from({ length: 3000 }, (_, n) => shuffled(options, `folio-${n}`)[0]!);
  for (const option of options) {
    const share = firsts.filter((first) => first === option).length / 3000;
    expect(Math.abs(share - 1 / 6)).toBeLessThan(0.04);
  }
});

test('an old deck is read: a choice without what choices have since', () => {
  const old = { kind: 'choice', options: [{ id: 'a', text: 'x' }], isMultiple: false, points: 1 };
  const read = readDeck(deck(slide('s', question('q', '?', old as Question))));
  const found = read.slides.s!.elements.find(({ id }) => id === 'q') as QuestionElement;
  expect(found.question).toEqual({
    kind: 'choice',
    isMultiple: false,
    isShuffled: false,
    points: 1,
    options: [{ id: 'a', text: 'x', picture: null }],
  });
});

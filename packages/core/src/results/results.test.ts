import fc from 'fast-check';
import {
  binsOfSums,
  correlation,
  cronbachAlpha,
  questionsInAlpha,
  discrimination,
  facility,
  markedQuestions,
  markOf,
  markTable,
  slideTimes,
  strongDistractors,
  totalsOf,
  upperLower,
  variance,
  walkCounts,
  xapiStatements,
  type MarkTable,
  type QuestionElement,
  type StudentResult,
} from '../index.js';
import { readDeck } from '../deck/readDeck.js';
import { choiceQuestion, deck, question, slide } from '../testing/builder.js';

const table = (rows: (number | null)[][], points?: number[]): MarkTable => ({
  questionIds: rows[0]!.map((_, at) => `q${at}`),
  points: points ?? rows[0]!.map(() => 1),
  rows,
});
/** Ten students, three questions of one point. */
const TEN = table([
  [1, 1, 1],
  [1, 1, 0],
  [1, 1, 1],
  [1, 0, 1],
  [1, 1, 0],
  [1, 0, 0],
  [0, 1, 0],
  [1, 0, 0],
  [0, 0, 0],
  [0, 0, 0],
]);

describe('worked out by hand', () => {
  test('totals, facility', () => {
    expect(totalsOf(TEN)).toEqual([3, 2, 3, 2, 2, 1, 1, 1, 0, 0]);
    expect(facility(TEN, 0)).toEqual({ value: 0.7, students: 10 });
    expect(facility(TEN, 2)).toEqual({ value: 0.3, students: 10 });
  });

  // Marks of the first question and the rest (2,1,2,1,1,0,1,0,0,0): means 0.7 and 0.8; products sum to 7,
  // so the covariance is 0.7 − 0.56 = 0.14; variances 0.21 and 1.2 − 0.64 = 0.56.
  test('item–rest correlation', () => {
    const found = discrimination(TEN, 0);
    expect(found.value).toBeCloseTo(0.14 / Math.sqrt(0.21 * 0.56), 12);
    expect(found.students).toBe(10);
  });

  // Variances of the questions 0.21 + 0.25 + 0.21 = 0.67; totals have mean 1.5 and variance 3.3 − 2.25 = 1.05.
  test('Cronbach’s alpha', () => {
    expect(variance(totalsOf(TEN))).toBeCloseTo(1.05, 12);
    expect(cronbachAlpha(TEN).value).toBeCloseTo(1.5 * (1 - 0.67 / 1.05), 12);
  });

  test('alpha is that of the students whose route led to all questions', () => {
    const ten = TEN.rows.map((row) => [...row]);
    const rows = [...ten, [1, null, null], [null, null, 0], [null, 1, null]];
    const all = [true, true, true];
    const met = [...ten.map(() => all), [true, false, false], [false, false, true], all];
    // The last came to all and left two out: it counts, with nothing for those.
    const figure = cronbachAlpha({ ...table(rows), met });
    expect(figure.students).toBe(11);
    expect(figure.value).toBeCloseTo(cronbachAlpha(table([...ten, [0, 1, 0]])).value!, 12);
    const deckOf = readDeck(deck(slide('a', choiceQuestion('x', '?', ['*1', '2'])), slide('b')));
    const asked = markedQuestions(deckOf);
    const who = (walk: string[]): StudentResult => ({
      folioId: 'f',
      name: 'N',
      handedInAt: null,
      attempts: 0,
      isPractice: false,
      answers: {},
      marks: {},
      walk: walk.map((slideId) => ({ slideId, via: 'start', at: 0 })),
    });
    expect(markTable([who(['b']), who(['b', 'a'])], asked, false, deckOf).met).toEqual([
      [false],
      [true],
    ]);
  });

  test('whole sums have a bar for each whole number, others are binned', () => {
    expect(binsOfSums([3, 0, 0, 1])).toEqual([
      { from: 0, to: 0, count: 2 },
      { from: 1, to: 1, count: 1 },
      { from: 2, to: 2, count: 0 },
      { from: 3, to: 3, count: 1 },
    ]);
    const bins = binsOfSums([0.5, 1, 2.25, 4]);
    expect(bins.reduce((sum, { count }) => sum + count, 0)).toBe(4);
    expect([bins[0]!.from, bins.at(-1)!.to]).toEqual([0, 6]);
    expect(binsOfSums([])).toEqual([]);
  });

  test('questions that all say the same have an alpha of 1', () => {
    const rows = Array.from({ length: 12 }, (_, index) => Array(4).fill(index % 2) as number[]);
    expect(cronbachAlpha(table(rows)).value).toBeCloseTo(1, 12);
  });

  test('upper less lower says the same in whatever order the names stand, also where many tie', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(1), fc.nat(1), fc.nat(1)), { minLength: 20, maxLength: 30 }),
        fc.integer(),
        (rows, seed) => {
          const mixed = [...rows].sort(
            (a, b) => ((a[0] * 7 + a[1] * 3 + seed) % 5) - ((b[0] * 7 + b[1] * 3 + seed) % 5),
          );
          const there = upperLower(table(rows), 0).value!;
          expect(upperLower(table([...rows].reverse()), 0).value).toBeCloseTo(there, 9);
          expect(upperLower(table(mixed), 0).value).toBeCloseTo(there, 9);
        },
      ),
    );
  });

  test('questions without points, and those without a mark yet, are not in alpha', () => {
    const rows = Array.from({ length: 12 }, (_, at) => [at % 2, at % 3 === 0 ? 1 : 0, at % 2]);
    const alone = cronbachAlpha(table(rows)).value!;
    const more: MarkTable = {
      questionIds: ['a', 'b', 'c', 'thinking', 'essay'],
      points: [...table(rows).points, 0, 5],
      rows: rows.map((row) => [...row, 1, null]),
    };
    expect(questionsInAlpha(more)).toEqual([0, 1, 2]);
    expect(cronbachAlpha(more).value).toBeCloseTo(alone, 12);
  });

  // Of twenty, 27 % are five: the five best have the first question right, of the five last one has.
  test('upper less lower 27 %', () => {
    const rows = Array.from({ length: 20 }, (_, index) => [
      index < 10 || index === 19 ? 1 : 0,
      (20 - index) / 20,
      (20 - index) / 20,
    ]);
    const found = upperLower(table(rows), 0);
    // Their totals: the twentieth is lifted by its point to 1.1, above those from the eleventh on with 1.0 and less.
    const lower = rows
      .map(([first = 0, ...others]) => ({
        first,
        total: first + others.reduce((a, b) => a + b, 0),
      }))
      .sort((a, b) => b.total - a.total)
      .slice(-5)
      .map(({ first }) => first);
    expect(lower).toEqual([0, 0, 0, 0, 0]);
    expect(found).toEqual({ value: 1, students: 20 });
  });

  test('a wrong option that the strong pick is found; the key and one of the weak are not', () => {
    const rows = Array.from({ length: 12 }, (_, index) => [index < 4 ? 1 : 0, index < 8 ? 1 : 0]);
    const picks = rows.map((_, index) => (index < 4 ? ['a'] : index < 8 ? ['b'] : ['c']));
    const found = strongDistractors(table(rows), 0, picks, ['a']);
    expect(found.map(({ optionId }) => optionId)).toEqual(['b']);
    expect(found[0]!.pull).toBeCloseTo(1 - 8 / 12, 12);
  });

  test('time, turning back and stopping', () => {
    const walks = [
      [
        { slideId: 'pier', at: 0, via: 'start' },
        { slideId: 'sea', at: 10_000, via: 'row' },
        { slideId: 'pier', at: 40_000, via: 'back' },
        { slideId: 'sea', at: 60_000, via: 'row' },
      ],
      [
        { slideId: 'pier', at: 0, via: 'start' },
        { slideId: 'sea', at: 99_000_000, via: 'row' },
      ],
    ];
    expect(slideTimes(walks)).toEqual([
      { slideId: 'pier', median: 15_000, visits: 3, turnedBack: 0, stopped: 0 },
      { slideId: 'sea', median: 30_000, visits: 3, turnedBack: 1, stopped: 2 },
    ]);
    expect(walkCounts(walks)).toEqual({ row: 3 });
  });
});

describe('of too few there is no figure', () => {
  const few = table([
    [1, 0],
    [0, 1],
  ]);
  test.each([
    [facility(few, 0), 5],
    [discrimination(few, 0), 10],
    [upperLower(few, 0), 20],
    [cronbachAlpha(few), 10],
  ])('%p needs %p', (figure, needed) => {
    expect(figure).toEqual({ value: null, students: 2, needed });
  });
  test('where all have the same there is nothing to correlate', () => {
    const same = table(Array.from({ length: 12 }, () => [1, 1]));
    expect(discrimination(same, 0).value).toBeNull();
    expect(cronbachAlpha(same).value).toBeNull();
    expect(correlation([1, 1], [0, 1])).toBeUndefined();
  });
});

test('figures do not depend on the order of the students, and stay where they belong', () => {
  const mark = fc.constantFrom(0, 0.5, 1, null);
  const rows = fc.array(fc.tuple(mark, mark, mark), { minLength: 20, maxLength: 40 });
  fc.assert(
    fc.property(rows, (given) => {
      const [one, other] = [table(given), table([...given].reverse())];
      for (const at of [0, 1, 2]) {
        for (const figure of [facility, discrimination]) {
          const [a, b] = [figure(one, at).value, figure(other, at).value];
          if (a === null || b === null) expect(a).toBe(b);
          else expect(a).toBeCloseTo(b, 9);
        }
        const value = facility(one, at).value;
        if (value !== null) expect(value >= 0 && value <= 1).toBe(true);
        const r = discrimination(one, at).value;
        if (r !== null) expect(Math.abs(r)).toBeLessThanOrEqual(1 + 1e-9);
      }
      const alpha = cronbachAlpha(one).value;
      if (alpha !== null) expect(alpha).toBeLessThanOrEqual(1 + 1e-9);
    }),
  );
});

describe('marks', () => {
  const asked = readDeck(
    deck(slide('s', choiceQuestion('q', 'Which?', ['*x', 'y']))),
  ).slides.s!.elements.find(({ id }) => id === 'q') as QuestionElement;
  const student = (changes: Partial<StudentResult> = {}): StudentResult => ({
    folioId: 'f',
    name: 'Ada',
    handedInAt: null,
    attempts: 0,
    isPractice: false,
    answers: {
      q: {
        answer: { kind: 'choice', optionIds: ['a'] },
        score: 1,
        at: '2026-01-01T10:00:00.000Z',
        isLate: false,
      },
    },
    marks: {},
    walk: [],
    ...changes,
  });

  test('the teacher’s mark counts before the machine’s; what is late only where it is allowed', () => {
    expect(markOf(student(), 'q', false)).toBe(1);
    const marks = { q: { score: 0.5, comment: '', stamp: '' } };
    expect(markOf(student({ marks }), 'q', false)).toBe(0.5);
    expect(markOf(student({ marks: { q: { ...marks.q, score: null } } }), 'q', false)).toBe(1);
    const late = student();
    late.answers.q!.isLate = true;
    expect(markOf(late, 'q', false)).toBeNull();
    expect(markOf(late, 'q', true)).toBe(1);
    expect(markTable([late, student()], [asked], false, { slides: {} }).rows).toEqual([
      [null],
      [1],
    ]);
  });

  test('xAPI: one statement for each answer, with what it was worth', () => {
    const [statement, ...more] = xapiStatements({
      home: 'https://isle.example',
      lessonId: 'l',
      countsLate: false,
      students: [student(), student({ answers: {} })],
      questions: [asked],
      language: 'en',
      uuidOf: (name) => name,
    });
    expect(more).toEqual([]);
    expect(statement!.object.definition.correctResponsesPattern).toEqual(['a']);
    expect(statement).toMatchObject({
      actor: { name: 'Ada', account: { homePage: 'https://isle.example', name: 'f' } },
      verb: { id: 'http://adlnet.gov/expapi/verbs/answered' },
      object: { definition: { interactionType: 'choice', name: { en: 'Which?' } } },
      result: { response: 'a', success: true, score: { scaled: 1, raw: 1, min: 0, max: 1 } },
      timestamp: '2026-01-01T10:00:00.000Z',
    });
  });
});

test('marked questions come as their slides stand on the map, then in reading order', () => {
  const asked = { kind: 'number' as const, unit: '', decimal: '.' as const, points: 1 };
  const at = (x: number, y: number) => ({ x, y, w: 300, h: 100 });
  const doc = deck(
    slide('last', question('e', '?', asked, null, at(0, 0))),
    slide(
      'first',
      question('c', '?', asked, null, at(700, 400)),
      question('b', '?', asked, null, at(96, 200)),
      question('thinking', '?', asked, null, at(96, 90), { isForThinking: true }),
    ),
    slide('second', question('d', '?', asked, null, at(0, 0))),
  );
  const edition = readDeck(doc);
  const placed = (id: string, x: number, y: number) => ({ ...edition.slides[id]!, x, y });
  const slides = {
    last: placed('last', 540, 0),
    first: placed('first', 0, 300),
    second: placed('second', 270, 900),
  };
  expect(markedQuestions({ ...edition, slides }).map(({ id }) => id)).toEqual(['b', 'c', 'd', 'e']);
});

import fc from 'fast-check';
import {
  createHistory,
  likeTexts,
  markAnswer,
  readAnswer,
  readDeck,
  setQuestion,
  tallyOf,
  type Answer,
  type Question,
  type QuestionElement,
  type QuestionKey,
  type TextEntryTally,
  wordsOf,
} from '../index.js';
import { deck, question, slide } from '../testing/builder.js';
import { DECIMALS, plainNumber, readingsOf, readNumber } from './number/readNumber.js';
import { readRanges } from './number/ranges.js';

const asked = (what: Question, key: QuestionKey | null = null): QuestionElement =>
  readDeck(deck(slide('s', question('q', '?', what, key)))).slides.s!.elements.find(
    ({ id }) => id === 'q',
  ) as QuestionElement;

const WORD: Question = { kind: 'textEntry', points: 1 };
const METRES: Question = { kind: 'number', unit: 'm', decimal: '.', points: 1 };
const SCALE: Question = {
  kind: 'slider',
  low: 0,
  high: 10,
  step: 0.5,
  points: 1,
  lowLabel: '',
  highLabel: '',
  before: null,
};
const accepts = (...accepted: string[]): QuestionKey => ({
  kind: 'textEntry',
  accepted,
  heedsCase: false,
  heedsAccents: false,
});
const wrote = (text: string): Answer => ({ kind: 'textEntry', text });

describe('text entry', () => {
  test.each([
    ['copper', 'copper', 1],
    ['copper', '  Copper ', 1],
    ['copper wire', 'copper   WIRE', 1],
    ['naive', 'naïve', 1],
    ['copper', 'coper', 0],
    ['light*', 'lighthouse', 1],
    ['light*', 'light', 1],
    ['*house', 'the lighthouse', 1],
    ['l*t*e', 'lighthouse', 1],
    ['a*a', 'a', 0],
    ['light*', 'the light', 0],
    ['c.pper', 'copper', 0],
  ])('%p takes %p: %p', (accepted, text, worth) => {
    expect(markAnswer(asked(WORD, accepts(accepted)), wrote(text))).toBe(worth);
  });

  test('case and accents count when the key says so', () => {
    const key: QuestionKey = {
      kind: 'textEntry',
      accepted: ['Åse'],
      heedsCase: true,
      heedsAccents: true,
    };
    const worth = (text: string): number | null => markAnswer(asked(WORD, key), wrote(text));
    expect([worth('Åse'), worth('åse'), worth('Ase'), worth('A\u030ase')]).toEqual([1, 0, 0, 1]);
  });

  test('a pattern of many stars does not take long', () => {
    const key = accepts(`${'a*'.repeat(100)}b`);
    expect(markAnswer(asked(WORD, key), wrote('a'.repeat(300)))).toBe(0);
  });

  test('answers that say the same are one group, called by its commonest form', () => {
    const texts = ['Lamp', 'lamp', 'lamp ', 'LAMP', 'fire', ''];
    const tally = tallyOf(WORD, texts.map(wrote)) as TextEntryTally;
    expect(tally.answered).toBe(5);
    expect(likeTexts(tally.texts)).toEqual([
      { text: 'lamp', count: 4 },
      { text: 'fire', count: 1 },
    ]);
  });
});

describe('numbers as people write them', () => {
  test.each([
    ['1.5', 1.5],
    ['1,5', 1.5],
    ['3/2', 1.5],
    ['1 1/2', 1.5],
    ['1½', 1.5],
    ['½', 0.5],
    ['2e3', 2000],
    ['2·10^3', 2000],
    ['2 x 10^-2', 0.02],
    ['6,02·10²³', 6.02e23],
    ['1 000', 1000],
    ["1'000'000", 1_000_000],
    ['1,234,567', 1_234_567],
    ['1.234,5', 1234.5],
    ['1,234.5', 1234.5],
    ['−4', -4],
    ['- 4', -4],
    ['+7', 7],
    ['.5', 0.5],
    ['12 m', 12],
    ['10^3', 1000],
    ['10⁻²', 0.01],
    ['2^10', 1024],
    ['1\u202f250', 1250],
    ['1 250,5', 1250.5],
    ['1’234', 1234],
    ['１２，５', 12.5],
    ['m 12', 12],
    ['0,125', 0.125],
    ['1.250', 1.25],
    ['-3/4 m', -0.75],
  ])('%p is %p', (text, value) => {
    expect(readNumber(text, 'm')).toBeCloseTo(value, 10);
  });

  test.each([
    '',
    'twelve',
    '1/0',
    '--1',
    '1,2,',
    '1e999',
    '12 km',
    '1 2',
    '0x10',
    'Infinity',
    '3/2/1',
    '12M',
    '1,23.5',
    '12,34,567',
    '1,250',
  ])('%p is none', (text) => {
    expect(readNumber(text, 'm')).toBeUndefined();
  });

  test.each([
    ['1,000', '.', [1000, 1]],
    ['1,000', ',', [1]],
    ['1.000', '.', [1]],
    ['1.000', ',', [1000, 1]],
    ['-12,345', '.', [-12345, -12.345]],
    ['1,00', '.', [1]],
    ['0,125', '.', [0.125]],
    ['1.234,567', '.', [1234.567]],
    ['1.234.567', '.', [1_234_567]],
    ['seven', '.', []],
  ] as const)('%p where decimals are parted by %p may be %p', (text, decimal, readings) => {
    expect(readingsOf(text, '', decimal)).toEqual(readings);
  });

  test('a number written plainly is read in one way, by either sign', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e9, max: 1e9, noNaN: true }), (value) => {
        for (const decimal of DECIMALS) {
          const [read, ...others] = readingsOf(plainNumber(value, decimal), '', decimal);
          expect(others).toEqual([]);
          expect(read).toBeCloseTo(Number(value.toPrecision(12)), 9);
        }
      }),
    );
  });

  test.each([
    ['5 mW', 'mW', 5],
    ['5 MW', 'mW', undefined],
    ['5 KWh', 'kWh', 5],
    ['5 Metres', 'metres', 5],
    ['5 M', 'm', undefined],
    ['5 L', 'l', 5],
    ['$5', '$', 5],
    ['-$5', '$', -5],
    ['€ 1 250', '€', 1250],
    ['5 PA', 'Pa', 5],
    ['5 pa', 'Pa', undefined],
  ])('%p in %p is %p', (text, unit, value) => {
    expect(readNumber(text, unit)).toBe(value);
  });

  test('every number that a program prints is read as what it is', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (value) => {
        expect(readNumber(String(value))).toBe(value === 0 ? 0 : value);
      }),
    );
  });

  test.each([
    ['277.5 ± 2.5', [{ low: 275, high: 280 }]],
    ['40 ± 5 %', [{ low: 38, high: 42 }]],
    ['-40 +/- 5%', [{ low: -42, high: -38 }]],
    ['1,5', [{ low: 1.5, high: 1.5 }]],
    [
      '10 … 20; 1/2',
      [
        { low: 10, high: 20 },
        { low: 0.5, high: 0.5 },
      ],
    ],
    ['10 to 20', [{ low: 10, high: 20 }]],
    ['', []],
    ['20 … 10', undefined],
    ['about 7', undefined],
    ['7 ± -1', undefined],
  ])('%p as a teacher writes what is right', (written, ranges) => {
    expect(readRanges(written)).toEqual(ranges);
  });

  test('what binary fractions lose does not make a right number wrong', () => {
    const key: QuestionKey = {
      kind: 'number',
      right: '0.3',
      ranges: [{ low: 0.1 + 0.2, high: 0.1 + 0.2 }],
    };
    expect(markAnswer(asked(METRES, key), { kind: 'number', text: '0.3' })).toBe(1);
  });

  test('a range is a key; what the device claims the value to be does not matter', () => {
    const element = asked(METRES, {
      kind: 'number',
      right: '275 … 280',
      ranges: [{ low: 275, high: 280 }],
    });
    const worth = (text: string): number | null => markAnswer(element, { kind: 'number', text });
    expect(['277,5 m', '275', '280.0', '280.1', ''].map(worth)).toEqual([1, 1, 1, 0, 0]);
    const forged = readAnswer(METRES, { kind: 'number', text: '3', value: 277 });
    expect(forged).toEqual({ kind: 'number', text: '3' });
  });
});

describe('slider', () => {
  test.each([
    [3.2, 3],
    [3.3, 3.5],
    [10, 10],
    [0, 0],
  ])('%p comes to rest at %p', (value, place) => {
    expect(readAnswer(SCALE, { kind: 'slider', value })).toEqual({ kind: 'slider', value: place });
  });

  test.each([[11], [-1], [Number.NaN], ['3'], [null]])('%p is off the scale', (value) => {
    expect(readAnswer(SCALE, { kind: 'slider', value })).toBeUndefined();
  });

  test('a scale that is forged is one all the same', () => {
    const { question: read } = asked({ ...SCALE, low: 5, high: 5, step: 0 } as Question);
    expect(read).toMatchObject({ low: 5, high: 6 });
    expect((read as { step: number }).step).toBeGreaterThan(0);
  });
});

describe('a leftover of another kind', () => {
  test('an answer to another kind is none, and worth nothing that was meant for one', () => {
    expect(readAnswer(METRES, { kind: 'textEntry', text: '3' })).toBeUndefined();
    expect(readAnswer(WORD, { kind: 'textEntry', text: 'x'.repeat(5000) })).toBeUndefined();
    expect(readAnswer(WORD, { kind: 'textEntry', text: { toString: 'x' } })).toBeUndefined();
    const key: QuestionKey = { kind: 'slider', low: 0, high: 1 };
    expect(markAnswer(asked(WORD, key), wrote('x'))).toBeNull();
  });
});

test('a question, its key and its prompt are set in one step; a key of another kind is none', () => {
  const doc = deck(slide('s', question('q', 'How far?', METRES)));
  const history = createHistory(doc);
  const read = (): QuestionElement =>
    readDeck(doc).slides.s!.elements.find(({ id }) => id === 'q') as QuestionElement;
  const before = read();
  const key: QuestionKey = { kind: 'number', right: '1 … 2', ranges: [{ low: 1, high: 2 }] };
  const asks = { question: { ...METRES, points: 3 }, key, prompt: 'How\nfar off?' };
  expect(setQuestion(doc, 's', 'q', asks).ok).toBe(true);
  expect(read()).toMatchObject({ question: { points: 3 }, key });
  expect(wordsOf(read().text)).toBe('How\nfar off?');
  setQuestion(doc, 's', 'q', { question: WORD, key });
  expect(read().key).toBeNull();
  history.undo();
  history.undo();
  expect(read()).toEqual(before);
  expect(setQuestion(doc, 's', 'gone', asks).ok).toBe(false);
});

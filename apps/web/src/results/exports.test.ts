import { type QuestionElement, type StudentResult, idOf, type ElementId } from '@gobrel/core';
import Papa from 'papaparse';
import { longCsv, wideCsv, type Exported } from './exports';

jest.mock('../questions/registry', () => ({
  QUESTION_VIEWS: new Proxy(
    {},
    { get: () => ({ inWords: (_q: unknown, a: { text: string }) => a.text }) },
  ),
}));

const asked = {
  kind: 'question',
  id: 'q',
  isForThinking: false,
  key: null,
  question: { kind: 'textEntry', points: 2 },
  text: {
    type: 'doc',
    content: [{ type: 'paragraph', content: [{ type: 'text', text: '=SUM(A1)' }] }],
  },
} as unknown as QuestionElement;
const student = (name: string, text: string, score: number | null): StudentResult => ({
  folioId: idOf(name),
  name,
  handedInAt: null,
  attempts: 0,
  isPractice: false,
  walk: [],
  answers: {
    [idOf<ElementId>('q')]: {
      answer: { kind: 'textEntry', text },
      score,
      at: '2026-01-01T00:00:00Z',
      isLate: false,
    },
  },
  marks: {},
});
const exported: Exported = {
  title: 'Tides',
  language: 'en',
  questions: [asked],
  countsLate: false,
  slideOf: () => 'The pier',
  students: [student('Ada', '@cmd "x", y\nz', 1), { ...student('=Bela', '', null), answers: {} }],
};

test('the long form has a row for each student and question, and is read back as it was', () => {
  const { data } = Papa.parse<Record<string, string>>(longCsv(exported), { header: true });
  expect(data).toHaveLength(2);
  expect(data[0]).toMatchObject({
    student: 'Ada',
    slide: 'The pier',
    kind: 'textEntry',
    points: '2',
    points_possible: '2',
    marked_by: 'machine',
    late: '',
    answered_at: '2026-01-01T00:00:00Z',
  });
  expect(data[1]).toMatchObject({ points: '', answer: '', marked_by: '' });
});

test('nothing in any cell begins like a formula', () => {
  for (const csv of [longCsv(exported), wideCsv(exported)]) {
    const cells = Papa.parse<string[]>(csv).data.flat();
    expect(cells.filter((cell) => /^[=+@\t\r]/.test(cell))).toEqual([]);
    expect(cells.some((cell) => cell === "'=Bela")).toBe(true);
  }
});

test('the wide form sums up', () => {
  const { data } = Papa.parse<string[]>(wideCsv(exported));
  expect(data.map((row) => row.at(-2))).toEqual(['sum', '2', '0']);
});

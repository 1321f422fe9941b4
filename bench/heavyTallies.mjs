import { addAsked, readDeck } from '@gobrel/core';
import pg from 'pg';
import * as Y from 'yjs';
import { openBrowser } from './browser.mjs';
import { report } from './measure.mjs';

/**
 * Opening the tally of 3,000 markers and of 3,000 short answers at the desk: the longest task of the main thread that
 * follows, in a browser. The baseline is opening the tally of a choice in the same lesson, which groups nothing.
 */
const MARKERS = 3000;
const MARKERS_EACH = 20;
const WORDS = 3000;
const WATCHED = 3000;
const ROUNDS = 3;
/** Milliseconds from which on a task counts as long, by the Long Tasks API. */
const LONG = 50;

const doc = new Y.Doc();
for (const [kind, prompt] of /** @type {const} */ ([
  ['choice', 'Plain'],
  ['selectPoint', 'Markers'],
  ['textEntry', 'Words'],
])) {
  addAsked(doc, { kind, prompt, lines: ['Yes', 'No'], zones: [] });
}
const { page, putDeck, teacher, close } = await openBrowser();
const deck = readDeck(doc);
// Beside the slide that a new deck has.
const slides = Object.values(deck.slides).map((slide) => [
  slide.id,
  { ...slide, x: slide.x + 600 },
]);
const { address } = await putDeck({ ...deck, slides: Object.fromEntries(slides) });
const deckId = address.split('/')[2] ?? '';
const database = new pg.Client(process.env.DATABASE_URL);
await database.connect();

/**
 * A lesson with so many students, each with an answer to one question.
 * @param {string} prompt @param {number} students @param {(index: number) => object} answerOf
 */
async function lessonWith(prompt, students, answerOf) {
  const { id } = await teacher.post(`decks/${deckId}/lessons`, { allowsTypedNames: true });
  const { edition } = await teacher.get(`lessons/${id}`);
  /** @param {string} title */
  const questionOn = (title) =>
    Object.values(edition.slides)
      .find((slide) => slide.title === title)
      .elements.find((/** @type {{ kind: string }} */ { kind }) => kind === 'question');
  const plain = questionOn('Plain');
  const folios = await database.query(
    `INSERT INTO folio (lesson_id, name, return_code)
     SELECT $1, 'Student ' || n, 'R' || n FROM generate_series(1, $2::int) AS n RETURNING id`,
    [id, students],
  );
  const ids = folios.rows.map((row) => row.id);
  for (const [questionId, answers] of [
    [questionOn(prompt).id, ids.map((_, index) => answerOf(index))],
    [
      plain.id,
      ids.map((_, index) => ({
        kind: 'choice',
        optionIds: [plain.question.options[index % 2].id],
      })),
    ],
  ]) {
    await database.query(
      `INSERT INTO answer (folio_id, question_id, answer)
       SELECT folio, $3, answer FROM unnest($1::uuid[], $2::jsonb[]) AS given (folio, answer)`,
      [ids, answers.map((/** @type {object} */ one) => JSON.stringify(one)), questionId],
    );
  }
  return id;
}

/** The longest task after picking a slide at the desk, milliseconds; 0 when none was long. @param {string} slide */
async function longestAfter(slide) {
  await page.evaluate(() => {
    const watch = /** @type {{ tasks?: number[] } & Window} */ (/** @type {unknown} */ (window));
    watch.tasks = [];
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) watch.tasks?.push(duration);
    }).observe({ type: 'longtask' });
  });
  await page
    .getByRole('region', { name: 'Map of the lesson' })
    .getByRole('group', { name: slide, exact: true })
    .click();
  await page.waitForTimeout(WATCHED);
  return page.evaluate(() => {
    const watch = /** @type {{ tasks?: number[] } & Window} */ (/** @type {unknown} */ (window));
    return Math.max(0, ...(watch.tasks ?? []));
  });
}

/** @param {string} lessonId @param {string} slide */
async function measured(lessonId, slide) {
  await page.goto(`/desk/${lessonId}`);
  await page.getByRole('button', { name: 'Who is here' }).waitFor();
  await page.waitForTimeout(WATCHED);
  // What is fetched and compiled once is not what is measured.
  await longestAfter(slide);
  // Of a machine that others share the quickest of some rounds says most.
  const rounds = { plain: /** @type {number[]} */ ([]), heavy: /** @type {number[]} */ ([]) };
  for (let round = 0; round < ROUNDS; round++) {
    rounds.plain.push(await longestAfter('Plain'));
    rounds.heavy.push(await longestAfter(slide));
  }
  return { plain: Math.min(...rounds.plain), heavy: Math.min(...rounds.heavy), rounds };
}

const students = MARKERS / MARKERS_EACH;
const markers = await measured(
  await lessonWith('Markers', students, (index) => ({
    kind: 'selectPoint',
    spots: Array.from({ length: MARKERS_EACH }, (_, at) => ({
      x: ((index * 37 + at * 11) % 97) / 97,
      y: ((index * 53 + at * 29) % 89) / 89,
    })),
  })),
  'Markers',
);
const LETTERS = 'abcdefghij';
const words = await measured(
  await lessonWith('Words', WORDS, (index) => ({
    kind: 'textEntry',
    text: `wave ${LETTERS[index % 10]}${LETTERS[Math.floor(index / 10) % 10]}${LETTERS[index % 7]}`,
  })),
  'Words',
);
await database.end();
await close();
report({
  name: 'heavy-tallies',
  bar: 1,
  ratio: Math.max(markers.heavy - markers.plain, words.heavy - words.plain, 0) / LONG,
  baseline: { markersPlain: markers.rounds.plain, wordsPlain: words.rounds.plain },
  product: { markers: markers.rounds.heavy, words: words.rounds.heavy },
  note: `longest task in ms after opening a tally, by round, 0 for none over 50; ratio of what grouping adds to it, to ${LONG} ms`,
});

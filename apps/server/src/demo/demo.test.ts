import { Checker, ENOUGH, FINDING_KINDS, readDeck } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { startServer, until, type TestServer } from '../testing/testServer.js';
import { UpdateStore } from '../sync/UpdateStore.js';
import { FolioRow } from '../folios/folios.entities.js';
import { LessonRow } from '../lessons/lessons.entities.js';
import { LessonsService } from '../lessons/LessonsService.js';
import { PracticeService } from '../practice/PracticeService.js';
import { RUNNING, seedDemo, sendClassIntoDemo } from './seedDemo.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
  await seedDemo(server.app);
});
afterAll(() => server.stop());

test('Petrel Isle is whole: sound decks, a finished lesson of 24, a running one', async () => {
  const database = server.app.get(DataSource);
  const decks = await database.query<{ id: string; title: string }[]>(
    'SELECT id, title FROM deck ORDER BY id',
  );
  expect(decks.map((deck) => deck.title)).toEqual([
    'Keep the Lamp Lit',
    'Rock Pool Sort',
    'Almanac of Petrel Isle',
    'Weather Over the Isle',
    'Draft: Fog Bank',
  ]);
  const context = { drawings: await drawings(database) };
  for (const { id, title } of decks) {
    const deck = readDeck((await server.app.get(UpdateStore).load(`deck:${id}`)).doc);
    const said = new Checker()
      .check(deck, context)
      .findings.filter(({ kind }) => FINDING_KINDS[kind].severity !== 'minor')
      .map(({ kind, slideId, why }) => `${kind} ${slideId}: ${why}`);
    if (title.startsWith('Draft')) expect(said.length).toBeGreaterThan(10);
    else expect(said).toEqual([]);
  }
  const lessons = await database.query<{ handed: number; folios: number; walks: number }[]>(
    `SELECT count(f.handed_in_at)::int AS handed, count(f.id)::int AS folios,
       count(DISTINCT v.folio_id)::int AS walks
     FROM lesson l JOIN folio f ON f.lesson_id = l.id LEFT JOIN LATERAL (SELECT folio_id FROM visit WHERE folio_id = f.id LIMIT 1) v ON true
     GROUP BY l.id ORDER BY l.started_at`,
  );
  expect(lessons).toEqual([
    { handed: 24, folios: 24, walks: 24 },
    { handed: 1, folios: 11, walks: 11 },
  ]);
});

test('in the finished lesson every figure of the results can be reckoned', async () => {
  const answers = await server.app.get(DataSource).query<{ students: number }[]>(
    `SELECT count(*)::int AS students FROM answer a JOIN folio f ON f.id = a.folio_id
     WHERE f.lesson_id = '00000000-0000-4000-8000-000000000101' GROUP BY a.question_id`,
  );
  expect(answers).toHaveLength(6);
  for (const { students } of answers) expect(students).toBeGreaterThanOrEqual(ENOUGH.groups);
});

test('a second start leaves it alone', async () => {
  expect(await seedDemo(server.app)).toBe(false);
});

test('a practice class walks the running lesson, and none comes when it has ended', async () => {
  const practice = (): Promise<number> =>
    server.app
      .get(DataSource)
      .getRepository(FolioRow)
      .count({ where: { lessonId: RUNNING, isPractice: true } });
  await sendClassIntoDemo(server.app);
  await until(async () => (await practice()) === 8);
  await server.app.get(PracticeService).stop(RUNNING);
  // A teacher may close the lesson to names that are typed: the server starts all the same.
  await server.app
    .get(DataSource)
    .getRepository(LessonRow)
    .update(RUNNING, { allowsTypedNames: false });
  await sendClassIntoDemo(server.app);
  expect(await practice()).toBe(0);
  await server.app
    .get(DataSource)
    .getRepository(LessonRow)
    .update(RUNNING, { allowsTypedNames: true });
  await server.app.get(LessonsService).end(RUNNING);
  await sendClassIntoDemo(server.app);
  expect(await practice()).toBe(0);
});

async function drawings(database: DataSource): Promise<Set<string>> {
  const rows = await database.query<{ hash: string }[]>(
    `SELECT hash FROM asset WHERE media_type = 'image/svg+xml'`,
  );
  return new Set(rows.map(({ hash }) => hash));
}

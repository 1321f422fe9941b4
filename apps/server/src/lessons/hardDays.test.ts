import { answer, deskTallies, place, readDesk, readFolio, visit } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import {
  startServer,
  until,
  Visitor,
  type Document,
  type TestServer,
} from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
});
beforeEach(async () => {
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const picks = (id: string) => ({ kind: 'choice' as const, optionIds: [id] });

test('two hundred come within seconds: each has a folio and a name, and the desk has them all', async () => {
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const all = await Promise.all(
    Array.from({ length: 200 }, (_, index) => room.join(`Student ${index}`)),
  );
  expect(new Set(all.map(({ folioId }) => folioId)).size).toBe(200);
  await until(() => readDesk(desk.doc).students.length === 200);
});

test('the whole room is offline and comes back at once: everything arrives, nobody’s work is another’s', async () => {
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const students = await Promise.all(
    Array.from({ length: 40 }, async (_, index) => {
      const student = await room.join(`Student ${index}`);
      const folio: Document = await student.open(`folio:${student.folioId}`);
      return { student, folio, index };
    }),
  );
  for (const { folio } of students) folio.provider.configuration.websocketProvider.disconnect();
  await until(() => students.every(({ folio }) => !folio.provider.isSynced));
  for (const { folio, index } of students) {
    visit(folio.doc, 'sea', 'row', Date.now());
    answer(folio.doc, 'q', picks(index % 3 === 0 ? 'a' : 'b'), Date.now());
    place(folio.doc, 'sea', { oar: { x: 600 + index, y: 450 } });
  }
  await Promise.all(
    students.map(({ folio }) => folio.provider.configuration.websocketProvider.connect()),
  );
  await until(() => deskTallies(desk.doc).get('q')?.answered === 40);
  const { students: seen, tallies } = readDesk(desk.doc);
  expect(tallies.q).toMatchObject({ picks: { a: 14, b: 26 } });
  for (const { student, index } of students) {
    const entry = seen.find(({ folioId }) => folioId === student.folioId);
    expect(entry?.placements.sea?.oar?.x).toBe(600 + index);
  }
  for (const { student } of students) student.close();
});

test('the teacher’s laptop closes in mid-lesson: the class goes on, and the desk finds the place again', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  await room.ines.open(`desk:${room.lessonId}`);
  await room.ines.post(`lessons/${room.lessonId}/pace`, { pace: 'together', slideId: 'sea' });
  room.ines.close();
  answer(folio.doc, 'q', picks('a'), Date.now());
  await folio.acknowledged();
  const again = await room.ines.open(`desk:${room.lessonId}`);
  await until(() => deskTallies(again.doc).get('q')?.answered === 1);
  const { body } = await room.ines.get<{ state: { pace: string; slideId: string } }>(
    `lessons/${room.lessonId}`,
  );
  expect(body.state).toMatchObject({ pace: 'together', slideId: 'sea' });
});

test('a clock that is off by days: steps are taken as now, times are the server’s', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  const off = Date.now() + 3 * 86_400_000;
  visit(folio.doc, 'pier', 'start', off);
  visit(folio.doc, 'sea', 'row', off + 1000);
  answer(folio.doc, 'q', picks('a'), off);
  const database = server.app.get(DataSource);
  const times = () =>
    database.query<{ at: Date }[]>('SELECT at FROM visit WHERE folio_id = $1 ORDER BY seq', [
      ada.folioId,
    ]);
  await until(async () => (await times()).length === 2);
  for (const { at } of await times())
    expect(Math.abs(at.getTime() - Date.now())).toBeLessThan(60_000);
  await until(
    async () =>
      (await database.query<unknown[]>('SELECT 1 FROM answer WHERE folio_id = $1', [ada.folioId]))
        .length === 1,
  );
  const [row] = await database.query<{ answered_at: Date }[]>(
    'SELECT answered_at FROM answer WHERE folio_id = $1',
    [ada.folioId],
  );
  expect(Math.abs(row!.answered_at.getTime() - Date.now())).toBeLessThan(60_000);
});

test('an answer to a question of another slide or kind, and ink without end, leave no trace on the desk', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const answers = folio.doc.getMap('answers');
  const ink = { kind: 'drawing', strokes: [{ points: Array(60_000).fill(1) }], labels: [] };
  answers.set('q', { value: ink, at: 1 });
  answers.set('no-such-question', { value: picks('a'), at: 1 });
  answers.set('sea', { value: { kind: 'number', text: '7' }, at: 1 });
  visit(folio.doc, 'sea', 'row', Date.now());
  await until(() => readDesk(desk.doc).students[0]?.slideId === 'sea');
  expect(readDesk(desk.doc).students[0]?.answers).toEqual({});
  // A million places of a pen are more than one message may carry: the device is put out, the lesson goes on.
  answers.set('q', {
    value: { kind: 'drawing', strokes: [{ points: Array(3_000_000).fill(123456) }], labels: [] },
    at: 1,
  });
  const bela = await room.join('Bela');
  const other = await bela.open(`folio:${bela.folioId}`);
  answer(other.doc, 'q', picks('a'), Date.now());
  await until(() => deskTallies(desk.doc).get('q')?.answered === 1);
  const kept = await room.ines.open(`folio:${ada.folioId}`);
  expect(JSON.stringify(readFolio(kept.doc).answers).length).toBeLessThan(2_000_000);
  ada.close();
}, 30_000);

test('who guesses return codes is held back, and the desk raises an alarm', async () => {
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const guess = (n: number) =>
    new Visitor(server.url).post('student/return', {
      code: room.joinCode,
      returnCode: `BCDF${'GHJKLMNPQR'[n % 10]}`,
    });
  for (let n = 0; n < 12; n++) await guess(n);
  await until(() => readDesk(desk.doc).wrongReturnCodes >= 10);
  const database = server.app.get(DataSource);
  await database.query(
    `INSERT INTO failure (key) SELECT key FROM failure GROUP BY key HAVING count(*) >= 12
     UNION ALL SELECT f.key FROM failure f, generate_series(1, 6)`,
  );
  expect((await guess(1)).status).toBe(429);
});

test('a lesson is deleted while devices have it open: they hear of it, and every other lesson goes on', async () => {
  const gone = await openClassroom(server);
  const students = await Promise.all(['Ada', 'Bela', 'Cai'].map((name) => gone.join(name)));
  const folios = await Promise.all(
    students.map(async (student) => {
      const folio = await student.open(`folio:${student.folioId}`);
      answer(folio.doc, 'q', picks('a'), Date.now());
      await folio.acknowledged();
      return folio;
    }),
  );
  const desk = await gone.ines.open(`desk:${gone.lessonId}`);
  await gone.ines.post(`lessons/${gone.lessonId}/end`);
  const { status } = await gone.ines.request('DELETE', `lessons/${gone.lessonId}`);
  expect(status).toBe(204);
  await until(() => [...folios, desk].every(({ provider }) => !provider.isSynced));

  const watched = await room.ines.open(`desk:${room.lessonId}`);
  const dora = await room.join('Dora');
  const folio = await dora.open(`folio:${dora.folioId}`);
  answer(folio.doc, 'q', picks('b'), Date.now());
  await until(() => deskTallies(watched.doc).get('q')?.answered === 1);
});

import { clipSlides, readDeck, readDesk, type Deck } from '@gobrel/core';
import { choiceQuestion, deck, slide } from '@gobrel/core/testing';
import { DataSource } from 'typeorm';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { signUp, startServer, until, Visitor, type TestServer } from '../testing/testServer.js';
import { practiceName } from './temper.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
});
afterAll(() => server.stop());

test('two hundred names, no two alike', () => {
  expect(new Set(Array.from({ length: 200 }, (_, index) => practiceName(index))).size).toBe(200);
});

test('a practice class joins, walks and answers over the network, and is gone in one go with all it did', async () => {
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const ada = await room.join('Ada');
  expect((await room.ines.post(`lessons/${room.lessonId}/practice`, { students: 6 })).status).toBe(
    204,
  );
  const simulated = () => readDesk(desk.doc).students.filter(({ isPractice }) => isPractice);
  await until(() => simulated().length === 6);
  expect(readDesk(desk.doc).students.find(({ name }) => name === 'Ada')?.isPractice).toBe(false);
  await until(() => simulated().some(({ answers }) => answers.q !== undefined));
  await until(() => simulated().some(({ steps }) => steps > 1));
  // What is asked on the fly is answered, too.
  const asked = deck(slide('s', choiceQuestion('now', 'Ready?', ['Yes', 'No'])));
  const clip = JSON.stringify(clipSlides(readDeck(asked), '', ['s']));
  const { body } = await room.ines.post<{ slideId: string }>(`lessons/${room.lessonId}/ask`, {
    clip,
  });
  const { edition } = (await room.ines.get<{ edition: Deck }>(`lessons/${room.lessonId}`)).body;
  const question = edition.slides[body.slideId]!.elements.find(({ kind }) => kind === 'question')!;
  await until(() => simulated().some(({ answers }) => answers[question.id]));
  expect((await room.ines.request('DELETE', `lessons/${room.lessonId}/practice`)).status).toBe(204);
  await until(() => readDesk(desk.doc).students.length === 1);
  const left = await server.app
    .get(DataSource)
    .query<unknown[]>(
      'SELECT 1 FROM answer a JOIN folio f ON f.id = a.folio_id WHERE f.lesson_id = $1',
      [room.lessonId],
    );
  expect(left).toEqual([]);
  ada.close();
});

test('nobody passes for simulated without the secret; no other teacher sends a class', async () => {
  const eve = new Visitor(server.url);
  const joined = await eve.post('student/join', {
    code: room.joinCode,
    name: 'Eve',
    practice: 'guess',
  });
  expect(joined.status).toBe(201);
  const rows = await server.app
    .get(DataSource)
    .query<{ is_practice: boolean }[]>(`SELECT is_practice FROM folio WHERE name = 'Eve'`);
  expect(rows).toEqual([{ is_practice: false }]);
  const tomas = await signUp(server.url);
  for (const asker of [tomas, eve]) {
    const { status } = await asker.post(`lessons/${room.lessonId}/practice`, { students: 3 });
    expect([401, 404]).toContain(status);
  }
  for (const students of [0, 201, 1.5, 'many']) {
    const { status } = await room.ines.post(`lessons/${room.lessonId}/practice`, { students });
    expect(status).toBe(400);
  }
});

test('a lesson whose time is up ends by itself', async () => {
  const { LessonsService } = await import('../lessons/LessonsService.js');
  const database = server.app.get(DataSource);
  const other = await openClassroom(server);
  await database.query(`UPDATE lesson SET closes_at = now() - interval '1 second' WHERE id = $1`, [
    other.lessonId,
  ]);
  await server.app.get(LessonsService).endDue();
  const { body } = await other.ines.get<{ endedAt: string | null }>(`lessons/${other.lessonId}`);
  expect(body.endedAt).not.toBeNull();
  const { body: running } = await room.ines.get<{ endedAt: string | null }>(
    `lessons/${room.lessonId}`,
  );
  expect(running.endedAt).toBeNull();
});

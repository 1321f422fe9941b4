import { answer, readFolio, visit } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { openClassroom } from '../testing/classroom.js';
import { startServer, Visitor, type TestServer } from '../testing/testServer.js';
import { LessonsService } from './LessonsService.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

const DAY = 86_400_000;

test('a week at own pace: not open yet, worked on over days and devices, handed in, closed, released', async () => {
  const room = await openClassroom(server);
  const started = await room.ines.post<{ id: string }>(`decks/${room.deckId}/lessons`, {
    allowsTypedNames: true,
    pace: 'own',
    opensAt: new Date(Date.now() + DAY).toISOString(),
    closesAt: new Date(Date.now() + 8 * DAY).toISOString(),
    settings: { seesMarks: 'when-released', attempts: 2 },
  });
  const id = started.body.id;
  const { body: lesson } = await room.ines.get<{ joinCode: string }>(`lessons/${id}`);
  const database = server.app.get(DataSource);
  /** The clock is moved by moving everything that has happened, and is to happen, the other way. */
  const daysLater = async (days: number): Promise<void> => {
    await database.query(
      `UPDATE lesson SET opens_at = opens_at - make_interval(days => $2),
         closes_at = closes_at - make_interval(days => $2), started_at = started_at - make_interval(days => $2)
       WHERE id = $1`,
      [id, days],
    );
    await server.app.get(LessonsService).endDue();
  };
  const join = (device: Visitor) =>
    device.post<{ folioId: string }>('student/join', { code: lesson.joinCode, name: 'Ada' });
  const laptop = new Visitor(server.url);
  expect((await join(laptop)).status).toBe(425);

  await daysLater(1);
  const { body: joined } = await join(laptop);
  const first = await laptop.open(`folio:${joined.folioId}`);
  visit(first.doc, 'pier', 'start', Date.now());
  answer(first.doc, 'q', { kind: 'choice', optionIds: ['b'] }, Date.now());
  await first.acknowledged();
  const { body: known } = await laptop.get<{ returnCode: string }>('student/lesson');
  laptop.close();

  // On the third day from another device, on which the work goes on where it was.
  await daysLater(2);
  const phone = new Visitor(server.url);
  await phone.post('student/return', { code: lesson.joinCode, returnCode: known.returnCode });
  const second = await phone.open(`folio:${joined.folioId}`);
  expect(readFolio(second.doc)).toMatchObject({
    answers: { q: { optionIds: ['b'] } },
    walk: [{ slideId: 'pier' }],
  });
  expect((await phone.post('student/hand-in')).status).toBe(200);
  expect((await phone.post('student/try-again')).status).toBe(204);
  const again = await phone.open(`folio:${joined.folioId}`);
  answer(again.doc, 'q', { kind: 'choice', optionIds: ['a'] }, Date.now());
  await again.acknowledged();
  expect((await phone.post('student/hand-in')).status).toBe(200);
  expect((await phone.post('student/try-again')).status).toBe(409);

  await daysLater(6);
  const ended = await room.ines.get<{ endedAt: string | null }>(`lessons/${id}`);
  expect(ended.body.endedAt).not.toBeNull();
  expect(
    (await new Visitor(server.url).post('student/look', { code: lesson.joinCode })).status,
  ).toBe(410);
  const marks = async () => (await phone.get<{ marks: object | null }>('student/marks')).body.marks;
  expect(await marks()).toBeNull();
  await room.ines.request('PUT', `lessons/${id}/settings`, { isReleased: true });
  expect(await marks()).toMatchObject({ q: { points: 1 } });
  const { body: results } = await room.ines.get<{ students: { attempts: number }[] }>(
    `lessons/${id}/results`,
  );
  expect(results.students).toMatchObject([{ name: 'Ada', attempts: 2 }]);
}, 30_000);

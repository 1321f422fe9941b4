import { answer, readDesk, visit, type StudentResult } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { FoliosService } from '../folios/FoliosService.js';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { signUp, startServer, until, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const at = (path: string): string => `lessons/${room.lessonId}/${path}`;
const results = async (): Promise<StudentResult[]> =>
  (await room.ines.get<{ students: StudentResult[] }>(at('results'))).body.students;

test('a gradebook holds answers, walks and marks by hand; students see what the teacher lets them', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  visit(folio.doc, 'pier', 'start', Date.now());
  visit(folio.doc, 'sea', 'row', Date.now());
  answer(folio.doc, 'q', { kind: 'choice', optionIds: ['b'] }, Date.now());
  await folio.acknowledged();
  await server.app.get(FoliosService).settle();
  const [student] = await results();
  expect(student).toMatchObject({
    name: 'Ada',
    attempts: 0,
    isPractice: false,
    answers: { q: { score: 0, isLate: false } },
    walk: [{ slideId: 'pier' }, { slideId: 'sea', via: 'row' }],
  });
  const mark = { score: 0.5, comment: 'You are near.', stamp: 'Look again' };
  const put = (body: unknown) =>
    room.ines.request('PUT', at(`students/${ada.folioId}/marks/q`), body);
  expect((await put(mark)).status).toBe(204);
  expect((await results())[0]?.marks).toEqual({ q: mark });
  // At the desk, too: at once, and for whoever comes later.
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const seenAtDesk = () => readDesk(desk.doc).students[0]?.answers.q?.score;
  expect(seenAtDesk()).toBe(0.5);
  await put({ ...mark, score: null });
  await until(() => seenAtDesk() === 0);
  await put(mark);
  await until(() => seenAtDesk() === 0.5);
  const seen = async (): Promise<Record<string, unknown> | null> =>
    (await ada.get<{ marks: Record<string, unknown> | null }>('student/marks')).body.marks;
  expect(await seen()).toBeNull();
  const allow = (settings: object) => room.ines.request('PUT', at('settings'), settings);
  await allow({ seesMarks: 'when-released' });
  expect(await seen()).toBeNull();
  await allow({ isReleased: true });
  expect(await seen()).toMatchObject({ q: { score: 0.5, comment: 'You are near.', points: 1 } });
  await allow({ seesMarks: 'after-hand-in' });
  expect(await seen()).toBeNull();
  await ada.post('student/hand-in');
  expect(await seen()).not.toBeNull();
  // Given back, it is written again, and the marks stay hidden until the next hand-in.
  expect((await room.ines.post(at(`students/${ada.folioId}/return`))).status).toBe(204);
  expect(await seen()).toBeNull();
  expect((await results())[0]).toMatchObject({ handedInAt: null, attempts: 1 });
  // A mark that says nothing is none.
  await put({ score: null, comment: ' ', stamp: '' });
  expect((await results())[0]?.marks).toEqual({});
});

test.each([
  [{ score: 2, comment: '', stamp: '' }],
  [{ score: -1, comment: '', stamp: '' }],
  [{ score: 'all', comment: '', stamp: '' }],
  [{ score: 1, comment: 'x'.repeat(2001), stamp: '' }],
  [{ score: 1 }],
])('%p is no mark', async (mark) => {
  const bela = await room.join(`Bela ${Math.random()}`);
  const { status } = await room.ines.request('PUT', at(`students/${bela.folioId}/marks/q`), mark);
  expect(status).toBe(400);
});

test('marks are given to questions of the lesson only, by its teachers only', async () => {
  const [cato, tomas] = [await room.join('Cato'), await signUp(server.url)];
  const mark = { score: 1, comment: '', stamp: '' };
  const path = at(`students/${cato.folioId}/marks/q`);
  expect(
    (await room.ines.request('PUT', at(`students/${cato.folioId}/marks/zz`), mark)).status,
  ).toBe(404);
  expect((await tomas.request('PUT', path, mark)).status).toBe(404);
  expect((await cato.request('PUT', path, mark)).status).toBe(401);
  expect((await tomas.get(at('results'))).status).toBe(404);
  expect((await cato.get(at('results'))).status).toBe(401);
  const other = await openClassroom(server);
  const eve = await other.join('Eve');
  expect((await room.ines.request('PUT', at(`students/${eve.folioId}/marks/q`), mark)).status).toBe(
    404,
  );
});

test('a late answer has no mark that its student sees, unless late ones count or it is marked by hand', async () => {
  const other = await openClassroom(server);
  const path = (rest: string): string => `lessons/${other.lessonId}/${rest}`;
  const ada = await other.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  answer(folio.doc, 'q', { kind: 'choice', optionIds: ['b'] }, Date.now());
  await folio.acknowledged();
  await server.app.get(FoliosService).settle();
  await server.app
    .get(DataSource)
    .query('UPDATE answer SET is_late = true WHERE folio_id = $1', [ada.folioId]);
  const allow = (settings: object) => other.ines.request('PUT', path('settings'), settings);
  const score = async (): Promise<number | null | undefined> =>
    (await ada.get<{ marks: Record<string, { score: number | null }> }>('student/marks')).body.marks
      .q?.score;
  await allow({ seesMarks: 'at-once' });
  expect(await score()).toBeUndefined();
  expect((await ada.post('student/done', { questionId: 'q' })).status).toBe(204);
  expect(await score()).toBeNull();
  await allow({ countsLate: true });
  expect(await score()).toBe(0);
  await allow({ countsLate: false });
  await other.ines.request('PUT', path(`students/${ada.folioId}/marks/q`), {
    score: 1,
    comment: '',
    stamp: '',
  });
  expect(await score()).toBe(1);
});

describe('marks at once', () => {
  const openWith = async (settings: object) => {
    const other = await openClassroom(server);
    await other.ines.request('PUT', `lessons/${other.lessonId}/settings`, {
      seesMarks: 'at-once',
      ...settings,
    });
    const ada = await other.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    const pick = async (...optionIds: string[]): Promise<void> => {
      answer(folio.doc, 'q', { kind: 'choice', optionIds }, Date.now());
      await folio.acknowledged();
      await server.app.get(FoliosService).settle();
    };
    const mark = async (): Promise<{ score: number; isLocked: boolean } | undefined> =>
      (
        await ada.get<{ marks: Record<string, { score: number; isLocked: boolean }> }>(
          'student/marks',
        )
      ).body.marks.q;
    const done = async (): Promise<number> =>
      (await ada.post('student/done', { questionId: 'q' })).status;
    const stored = async (): Promise<{ answer: unknown; score: number } | undefined> =>
      (
        await server.app
          .get(DataSource)
          .query<{ answer: unknown; score: number }[]>(
            'SELECT answer, score FROM answer WHERE folio_id = $1',
            [ada.folioId],
          )
      )[0];
    return { other, ada, pick, mark, done, stored };
  };

  test('come for what a student is done with, not tick by tick; then the answer stands', async () => {
    const { ada, pick, mark, done, stored } = await openWith({});
    expect(await done()).toBe(409);
    await pick('b');
    expect(await mark()).toBeUndefined();
    expect(await done()).toBe(204);
    expect(await mark()).toMatchObject({ score: 0, isLocked: true });
    // Whatever the device writes after that is kept from the rows, also by a server that opens the folio anew.
    await pick('a');
    expect(await stored()).toMatchObject({ answer: { optionIds: ['b'] }, score: 0 });
    expect(await mark()).toMatchObject({ score: 0 });
    expect((await ada.post('student/done', { questionId: 'none-such' })).status).toBe(409);
    expect((await ada.post('student/done', { questionId: '../x' })).status).toBe(400);
  });

  test('where answers may be changed, the mark goes with the answer it was for', async () => {
    const { pick, mark, done } = await openWith({ locksDone: false });
    await pick('b');
    await done();
    expect(await mark()).toMatchObject({ score: 0, isLocked: false });
    await pick('a');
    expect(await mark()).toBeUndefined();
    await done();
    expect(await mark()).toBeDefined();
  });

  test('are asked for only where they come at once', async () => {
    const { other, pick, done } = await openWith({ seesMarks: 'never' });
    await pick('b');
    expect(await done()).toBe(409);
    await other.ines.request('PUT', `lessons/${other.lessonId}/settings`, { seesMarks: 'at-once' });
    expect(await done()).toBe(204);
  });
});

test('what was handed in can be opened as it was, with its marks, by teachers of the lesson only', async () => {
  const other = await openClassroom(server);
  const path = (rest: string): string => `lessons/${other.lessonId}/${rest}`;
  await other.ines.request('PUT', path('settings'), { attempts: 2 });
  const ada = await other.join('Ada');
  const mine = path(`students/${ada.folioId}/attempts`);
  expect((await other.ines.get(mine)).body).toEqual({ attempts: [] });
  const folio = await ada.open(`folio:${ada.folioId}`);
  visit(folio.doc, 'sea', 'start', Date.now());
  answer(folio.doc, 'q', { kind: 'choice', optionIds: ['b'] }, Date.now());
  await folio.acknowledged();
  await ada.post('student/hand-in');
  await ada.post('student/try-again');
  const again = await ada.open(`folio:${ada.folioId}`);
  answer(again.doc, 'q', { kind: 'choice', optionIds: ['a'] }, Date.now());
  await again.acknowledged();
  const { attempts } = (
    await other.ines.get<{ attempts: { number: number; handedInAt: string }[] }>(mine)
  ).body;
  expect(attempts.map(({ number }) => number)).toEqual([1]);
  expect((await other.ines.get(`${mine}/1`)).body).toMatchObject({
    number: 1,
    handedInAt: attempts[0]!.handedInAt,
    walk: [{ slideId: 'sea' }],
    answers: { q: { answer: { kind: 'choice', optionIds: ['b'] }, score: 0 } },
  });
  expect((await other.ines.get(`${mine}/2`)).status).toBe(404);
  expect((await other.ines.get(`${mine}/99999999999`)).status).toBe(404);
  expect((await other.ines.get(`${mine}/x`)).status).toBe(400);
  const tomas = await signUp(server.url);
  for (const address of [mine, `${mine}/1`]) {
    expect((await tomas.get(address)).status).toBe(404);
    expect((await ada.get(address)).status).toBe(401);
    // Through a lesson of one's own, too, another's student is not reached.
    const through = address.replace(other.lessonId, room.lessonId);
    expect((await room.ines.get(through)).status).toBe(404);
  }
});

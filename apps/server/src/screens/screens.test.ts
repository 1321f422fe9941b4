import { answer, deskTallies, voteFor, type ScreenLesson } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { openClassroom, SECRETS, type Classroom } from '../testing/classroom.js';
import { signUp, startServer, until, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
});
afterAll(() => server.stop());

interface Mine {
  code: string | null;
  lesson: ScreenLesson | null;
  isKnown: boolean;
}
const at = (path: string): string => `lessons/${room.lessonId}/${path}`;
async function screen(): Promise<{ device: Visitor; code: string; mine: () => Promise<Mine> }> {
  const device = new Visitor(server.url);
  const { body } = await device.post<{ code: string }>('screens');
  return {
    device,
    code: body.code,
    mine: async () => (await device.get<Mine>('screens/mine')).body,
  };
}

test('a screen is paired by its code, shows the lesson, and never hears a name or a key unasked', async () => {
  const { device, code, mine } = await screen();
  expect(await mine()).toEqual({ code, lesson: null, isKnown: true });
  const ada = await room.join('Adalind');
  const folio = await ada.open(`folio:${ada.folioId}`);
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  answer(folio.doc, 'q', { kind: 'choice', optionIds: ['b'] }, Date.now());
  await until(() => deskTallies(desk.doc).get('q')?.answered === 1);
  expect((await room.ines.post(at('screens'), { code: ` ${code.toLowerCase()} ` })).status).toBe(
    204,
  );
  expect((await mine()).lesson).toMatchObject({ title: 'Tides', shows: null });
  await room.ines.post(at('put-up'), { questionId: 'q' });
  const put = (await mine()).lesson!.shows;
  expect(put).toMatchObject({
    kind: 'tally',
    tally: { answered: 1 },
    students: 1,
    question: { key: null },
  });
  // What it has of the lesson is not sent again, until that is another one.
  const after = async (has: unknown) =>
    (await device.get<Mine>(`screens/mine?has=${String(has)}`)).body.lesson!;
  const { state, edition } = (await mine()).lesson!;
  expect(edition?.slides.pier).toBeDefined();
  expect((await after(state.renewed)).edition).toBeNull();
  for (const has of [state.renewed + 1, '', 'x', '-1']) {
    expect((await after(has)).edition).not.toBeNull();
  }
  // The code is used up.
  expect((await room.ines.post(at('screens'), { code })).status).toBe(404);
  const everything = device.received.join('\n');
  expect(everything).not.toContain('Adalind');
  for (const secret of Object.values(SECRETS)) expect(everything).not.toContain(secret);
  await room.ines.post(at('put-up'), { questionId: 'q', showsKey: true });
  expect((await mine()).lesson!.shows).toMatchObject({ question: { key: { kind: 'choice' } } });
  await room.ines.post(at('put-up'), { questionId: null });
  const show = { folioId: ada.folioId, questionId: 'q' };
  await room.ines.post(at('show'), show);
  expect((await mine()).lesson!.shows).toMatchObject({
    kind: 'answer',
    name: '',
    question: { key: null },
  });
  await room.ines.post(at('show'), { ...show, withName: true });
  expect((await mine()).lesson!.shows).toMatchObject({ name: 'Adalind' });
  // It opens nothing else.
  for (const name of [`desk:${room.lessonId}`, `lesson:${room.lessonId}`, `folio:${ada.folioId}`]) {
    await expect(device.open(name)).rejects.toThrow();
  }
  expect((await device.get(`lessons/${room.lessonId}`)).status).toBe(401);
  expect((await room.ines.request('DELETE', at('screens'))).status).toBe(204);
  expect((await mine()).isKnown).toBe(false);
});

test('a paired screen ends: an hour after its lesson, and after a day', async () => {
  const database = server.app.get(DataSource);
  for (const [age, table] of [
    ["ended_at = now() - interval '61 minutes'", 'lesson'],
    ["created_at = now() - interval '25 hours'", 'screen'],
  ] as const) {
    const other = await openClassroom(server);
    const { code, mine } = await screen();
    await other.ines.post(`lessons/${other.lessonId}/screens`, { code });
    expect((await mine()).lesson).not.toBeNull();
    await database.query(
      `UPDATE ${table} SET ${age} WHERE ${table === 'lesson' ? 'id' : 'lesson_id'} = $1`,
      [other.lessonId],
    );
    expect((await mine()).isKnown).toBe(false);
  }
});

test('screens are paired by the lesson’s teachers only, and codes are not guessed for long', async () => {
  const { code } = await screen();
  const tomas = await signUp(server.url);
  expect((await tomas.post(at('screens'), { code })).status).toBe(404);
  expect((await new Visitor(server.url).post(at('screens'), { code })).status).toBe(401);
  expect((await room.ines.post(at('screens'), { code: 'no' })).status).toBe(400);
  let last = 0;
  for (let n = 0; n < 25; n++) {
    last = (await room.ines.post(at('screens'), { code: `BCDF${'2345678'[n % 7]}` })).status;
  }
  expect(last).toBe(429);
  expect((await new Visitor(server.url).get<Mine>('screens/mine')).body.isKnown).toBe(false);
});

test('while the class votes a screen is told how many want to go which way, and nobody’s name', async () => {
  const other = await openClassroom(server);
  const path = (rest: string): string => `lessons/${other.lessonId}/${rest}`;
  const { code, mine } = await screen();
  await other.ines.post(path('screens'), { code });
  const ada = await other.join('Adalind');
  const folio = await ada.open(`folio:${ada.folioId}`);
  await other.ines.post(path('pace'), { pace: 'together', slideId: 'pier' });
  expect((await mine()).lesson?.votes).toBeNull();
  await other.ines.post(path('vote'), { vote: 'open' });
  expect((await mine()).lesson?.votes).toEqual({});
  voteFor(folio.doc, 'pier', 'row');
  await until(async () => (await mine()).lesson?.votes?.row === 1);
  expect(JSON.stringify(await mine())).not.toContain('Adalind');
  await other.ines.post(path('vote'), { vote: 'none' });
  expect((await mine()).lesson?.votes).toBeNull();
});

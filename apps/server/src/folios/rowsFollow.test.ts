import { answer, visit } from '@gobrel/core';
import { DataSource } from 'typeorm';
import * as Y from 'yjs';
import { PostgresQueryRunner } from 'typeorm/driver/postgres/PostgresQueryRunner.js';
import { UpdateStore } from '../sync/UpdateStore.js';
import { openClassroom } from '../testing/classroom.js';
import { startServer, until, Visitor, type TestServer } from '../testing/testServer.js';
import { FolioProjector } from './FolioProjector.js';

const picks = (...optionIds: string[]) => ({ kind: 'choice' as const, optionIds });

interface Results {
  students: { name: string; answers: Record<string, { score: number | null }> }[];
}

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

/** What a device had acknowledged and a server that was killed did not come to project. */
async function storedOnly(folioId: string): Promise<void> {
  const doc = new Y.Doc();
  visit(doc, 'sea', 'start', Date.now());
  answer(doc, 'q', picks('a'), Date.now());
  await server.app.get(UpdateStore).save(`folio:${folioId}`, doc);
}

test('what was stored and never projected is in the results, though nobody opens the folio', async () => {
  const room = await openClassroom(server);
  const ada = await room.join('Ada');
  await storedOnly(ada.folioId);
  const { body } = await room.ines.get<Results>(`lessons/${room.lessonId}/results`);
  expect(body.students).toMatchObject([{ name: 'Ada', answers: { q: { score: 0 } } }]);
});

test('the same on handing in, and when the server starts', async () => {
  const room = await openClassroom(server);
  const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
  const answered = async (folioId: string): Promise<number> => {
    const rows = await server.app
      .get(DataSource)
      .query<unknown[]>('SELECT 1 FROM answer WHERE folio_id = $1', [folioId]);
    return rows.length;
  };
  await storedOnly(ada.folioId);
  await ada.post('student/hand-in');
  expect(await answered(ada.folioId)).toBe(1);
  await storedOnly(bela.folioId);
  expect(await answered(bela.folioId)).toBe(0);
  server.app.get(FolioProjector).onApplicationBootstrap();
  await until(async () => (await answered(bela.folioId)) === 1);
});

test('a folio whose rows are as far as its document is not looked at again', async () => {
  const room = await openClassroom(server);
  const ada = await room.join('Ada');
  await storedOnly(ada.folioId);
  await room.ines.get(`lessons/${room.lessonId}/results`);
  await until(() => !server.app.get(FolioProjector).isFollowing(ada.folioId));
  const load = jest.spyOn(server.app.get(UpdateStore), 'load');
  await room.ines.get(`lessons/${room.lessonId}/results`);
  expect(load).not.toHaveBeenCalled();
  load.mockRestore();
});

test('what was done in time counts, also when it comes after the end', async () => {
  const room = await openClassroom(server);
  const [ada, bela, cilla] = [
    await room.join('Ada'),
    await room.join('Bela'),
    await room.join('Cilla'),
  ];
  // Ada's device loses its network, Bela's stays, Cilla's server is killed right after it has stored.
  const first = await ada.open(`folio:${ada.folioId}`);
  await first.acknowledged();
  first.close();
  await until(() => !server.app.get(FolioProjector).isFollowing(ada.folioId));
  const here = await bela.open(`folio:${bela.folioId}`);
  answer(first.doc, 'q', picks('a'), Date.now());
  await storedOnly(cilla.folioId);
  await room.ines.post(`lessons/${room.lessonId}/end`);
  const ended = await server.app
    .get(DataSource)
    .query<{ state: { endedAt: number } }[]>('SELECT state FROM lesson WHERE id = $1', [
      room.lessonId,
    ]);
  await until(() => Date.now() > ended[0]!.state.endedAt + 1600);
  // That its teacher looks at it meanwhile is no sign of its student.
  const looking = await room.ines.open(`folio:${ada.folioId}`);
  await room.ines.get(`lessons/${room.lessonId}/results`);
  const back = await ada.open(`folio:${ada.folioId}`, first.doc);
  await back.acknowledged();
  looking.close();
  answer(here.doc, 'q', picks('a'), ended[0]!.state.endedAt - 1000);
  await here.acknowledged();
  const lateness = async (): Promise<Record<string, boolean | undefined>> => {
    const { body } = await room.ines.get<{
      students: { name: string; answers: Record<string, { isLate: boolean }> }[];
    }>(`lessons/${room.lessonId}/results`);
    return Object.fromEntries(body.students.map((one) => [one.name, one.answers.q?.isLate]));
  };
  await until(async () => !Object.values(await lateness()).includes(undefined));
  expect(await lateness()).toEqual({ Ada: false, Bela: true, Cilla: false });
});

test('a wish to join that is sent again gets the folio it made the first time', async () => {
  const room = await openClassroom(server);
  const key = '11111111-2222-4333-8444-555555555555';
  const wish = { code: room.joinCode, name: 'Ada', key };
  const first = await new Visitor(server.url).post<{ folioId: string }>('student/join', wish);
  const again = await new Visitor(server.url).post<{ folioId: string }>('student/join', wish);
  expect([first.status, again.status]).toEqual([201, 201]);
  expect(again.body.folioId).toBe(first.body.folioId);
  const other = await new Visitor(server.url).post('student/join', {
    ...wish,
    key: '99999999-2222-4333-8444-555555555555',
  });
  expect(other.status).toBe(409);
});

test('each statement to the database fails once, and a lesson goes through to its results all the same', async () => {
  const room = await openClassroom(server);
  // Hocuspocus tells every failure it hands on.
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const unhandled: unknown[] = [];
  const note = (reason: unknown): void => void unhandled.push(reason);
  process.on('unhandledRejection', note);
  const failed = new Set<string>();
  const real = PostgresQueryRunner.prototype.query;
  // Whatever the statement: the first time it is seen, it fails as when the connection is gone.
  jest.spyOn(PostgresQueryRunner.prototype, 'query').mockImplementation(function (
    this: PostgresQueryRunner,
    ...args: Parameters<typeof real>
  ) {
    const [statement] = args;
    if (failed.has(statement)) return real.apply(this, args);
    failed.add(statement);
    return Promise.reject(new Error('terminating connection due to administrator command'));
  } as typeof real);
  /** As a person does who is told that something went wrong. */
  const tryOn = async <T>(act: () => Promise<T>): Promise<T> => {
    for (let tries = 1; ; tries++) {
      try {
        return await act();
      } catch (error) {
        if (tries > 30) throw error;
      }
    }
  };
  const sure = async <T>(visitor: Visitor, method: string, path: string, body?: unknown) =>
    tryOn(async () => {
      const answered = await visitor.request<T>(method, path, body);
      if (answered.status >= 500) throw new Error(String(answered.status));
      return answered;
    });
  try {
    const ada = new Visitor(server.url);
    const key = '11111111-2222-4333-8444-666666666666';
    const { status, body: joined } = await sure<{ folioId: string }>(ada, 'POST', 'student/join', {
      code: room.joinCode,
      name: 'Ada',
      key,
    });
    expect(status).toBe(201);
    await sure(ada, 'GET', 'student/lesson');
    const desk = await tryOn(() => room.ines.open(`desk:${room.lessonId}`));
    const folio = await tryOn(() => ada.open(`folio:${joined.folioId}`));
    visit(folio.doc, 'sea', 'start', Date.now());
    answer(folio.doc, 'q', picks('a'), Date.now());
    for (let letter = 0; letter < 250; letter++) folio.doc.getText('text:x').insert(0, 'x');
    await folio.acknowledged();
    await until(
      async () =>
        await server.app
          .get(UpdateStore)
          .compact(`folio:${joined.folioId}`)
          .catch(() => true),
    );
    await sure(ada, 'POST', 'student/hand', { isUp: true });
    await sure(room.ines, 'POST', `lessons/${room.lessonId}/hold`, { isHeld: true });
    await sure(room.ines, 'POST', `lessons/${room.lessonId}/hold`, { isHeld: false });
    const handedIn = await sure(ada, 'POST', 'student/hand-in');
    expect([201, 409]).toContain(handedIn.status);
    desk.close();
    folio.close();
    await sure(room.ines, 'POST', `lessons/${room.lessonId}/end`);
    const { body } = await sure<Results>(room.ines, 'GET', `lessons/${room.lessonId}/results`);
    expect(body.students).toMatchObject([{ name: 'Ada', answers: { q: { score: 0 } } }]);
    expect(failed.size).toBeGreaterThan(40);
    expect(unhandled).toEqual([]);
  } finally {
    jest.restoreAllMocks();
    process.off('unhandledRejection', note);
  }
});

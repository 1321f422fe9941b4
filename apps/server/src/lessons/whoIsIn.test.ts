import { answer, deskTallies, readDesk, type Deck } from '@gobrel/core';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { startServer, until, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
});
beforeEach(async () => {
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const picks = (...optionIds: string[]) => ({ kind: 'choice' as const, optionIds });
const at = (path: string): string => `lessons/${room.lessonId}/${path}`;
const lookUp = async (student: Visitor): Promise<{ edition: Deck | null; now: number }> =>
  (await student.get<{ edition: Deck | null; now: number }>('student/lesson')).body;

describe('who is in', () => {
  const student = (folioId: string): string => at(`students/${folioId}`);

  test('in the waiting room nothing of the lesson is seen until the teacher lets one in', async () => {
    await room.ines.request('PUT', at('settings'), { hasWaitingRoom: true });
    const ada = await room.join('Ada');
    expect((await lookUp(ada)).edition).toBeNull();
    await expect(ada.open(`folio:${ada.folioId}`)).rejects.toThrow();
    await expect(ada.open(`lesson:${room.lessonId}`)).rejects.toThrow();
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    expect(readDesk(desk.doc).students[0]).toMatchObject({ name: 'Ada', status: 'waiting' });
    expect((await room.ines.request('PATCH', student(ada.folioId), { status: 'in' })).status).toBe(
      204,
    );
    await until(() => readDesk(desk.doc).students[0]?.status === 'in');
    expect((await lookUp(ada)).edition).not.toBeNull();
    await ada.open(`folio:${ada.folioId}`);
  });

  test('a name is given to one; a second device comes in when the teacher says so, once', async () => {
    const ada = await room.join('Ada');
    const join = (): ReturnType<Visitor['post']> =>
      new Visitor(server.url).post('student/join', { code: room.joinCode, name: 'ada' });
    expect((await join()).status).toBe(409);
    await room.ines.request('PATCH', student(ada.folioId), { mayAddDevice: true });
    const second = await join();
    expect([second.status, (second.body as { folioId?: string }).folioId]).toEqual([
      201,
      ada.folioId,
    ]);
    expect((await join()).status).toBe(409);
  });

  test('students are renamed; a name that is taken is not given twice', async () => {
    const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    await room.ines.request('PATCH', student(ada.folioId), { name: '  Ada   Brandt ' });
    await until(() => readDesk(desk.doc).students.some(({ name }) => name === 'Ada Brandt'));
    expect(
      (await room.ines.request('PATCH', student(bela.folioId), { name: 'ada brandt' })).status,
    ).toBe(409);
    for (const name of ['', 'x'.repeat(5000), '<b>Bela</b>']) {
      expect((await room.ines.request('PATCH', student(bela.folioId), { name })).status).toBe(400);
    }
  });

  test('who is removed is out on every device, with all that was done; who is blocked stays out', async () => {
    const ada = await room.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    answer(folio.doc, 'q', picks('a'), Date.now());
    await until(() => deskTallies(desk.doc).get('q')?.answered === 1);
    expect((await room.ines.request('DELETE', `${student(ada.folioId)}?block=1`)).status).toBe(204);
    await until(() => readDesk(desk.doc).students.length === 0);
    await until(() => deskTallies(desk.doc).get('q')?.answered === 0);
    expect((await ada.get('student/lesson')).status).toBe(401);
    answer(folio.doc, 'q', picks('b'), Date.now());
    const again = await new Visitor(server.url).post('student/join', {
      code: room.joinCode,
      name: 'ADA',
    });
    expect(again.status).toBe(409);
    // The others go on: nothing that comes late from the one who is out holds them up.
    const bela = await room.join('Bela');
    const other = await bela.open(`folio:${bela.folioId}`);
    answer(other.doc, 'q', picks('a'), Date.now());
    await until(() => deskTallies(desk.doc).get('q')?.answered === 1);
  });

  test('a hand is up until the student or the teacher takes it down', async () => {
    const ada = await room.join('Ada');
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    const isUp = (): boolean => readDesk(desk.doc).students[0]?.handUpAt !== null;
    await ada.post('student/hand', { isUp: true });
    await until(isUp);
    await room.ines.request('PATCH', student(ada.folioId), { hasHandUp: false });
    await until(() => !isUp());
  });

  test('another attempt is made while the lesson allows it, and no longer', async () => {
    const ada = await room.join('Ada');
    await ada.post('student/hand-in');
    expect((await ada.post('student/try-again')).status).toBe(409);
    await room.ines.request('PUT', at('settings'), { attempts: 2 });
    expect((await ada.post('student/try-again')).status).toBe(204);
    const folio = await ada.open(`folio:${ada.folioId}`);
    answer(folio.doc, 'q', picks('a'), Date.now());
    await folio.acknowledged();
    expect((await ada.post('student/hand-in')).status).toBe(200);
    expect((await ada.post('student/try-again')).status).toBe(409);
  });

  test('students of another lesson are not this teacher’s to change here', async () => {
    const other = await openClassroom(server);
    const eve = await other.join('Eve');
    expect((await room.ines.request('PATCH', student(eve.folioId), { name: 'X' })).status).toBe(
      404,
    );
    expect((await room.ines.request('DELETE', student(eve.folioId))).status).toBe(404);
    expect((await eve.get('student/lesson')).status).toBe(200);
  });
});

test('a device that is gone without a word is away on the desk within fifteen seconds', async () => {
  const room = await openClassroom(server);
  const ada = await room.join('Ada');
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  const folio = await ada.open(`folio:${ada.folioId}`);
  await until(() => readDesk(desk.doc).students[0]?.isHere === true);
  // As when the lid is shut or the cable pulled: nobody hangs up, and nothing is answered.
  const { webSocket } = folio.provider.configuration.websocketProvider;
  (webSocket as unknown as { pong: () => void }).pong = () => undefined;
  await until(() => readDesk(desk.doc).students[0]?.isHere === false);
}, 30_000);

import { addChoice, readLessonState, renameSlide, type Deck, type LessonState } from '@gobrel/core';
import { deck, leftOut, slide } from '@gobrel/core/testing';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { startServer, until, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const post = <T = { detail: string }>(path: string, body?: unknown) =>
  room.ines.post<T>(`lessons/${room.lessonId}/${path}`, body);

test('a lesson keeps the deck as it was when it began', async () => {
  const open = await room.ines.open(`deck:${room.deckId}`);
  renameSlide(open.doc, 'pier', 'The quay');
  addChoice(open.doc, 'pier', 'Swim');
  await open.acknowledged();
  const { body } = await room.ines.get<{ edition: Deck }>(`lessons/${room.lessonId}`);
  expect(body.edition.slides.pier?.title).toBe('The pier');
  const again = await room.ines.post<{ id: string }>(`decks/${room.deckId}/lessons`, {
    allowsTypedNames: true,
  });
  const later = await room.ines.get<{ edition: Deck }>(`lessons/${again.body.id}`);
  expect(later.body.edition.slides.pier?.title).toBe('The quay');
});

test('a deck without a slide that students may see is refused', async () => {
  const empty = await openClassroom(server).then(({ ines }) => ines);
  const { DecksService } = await import('../decks/DecksService.js');
  const deckId = await server.app.get(DecksService).adopt(empty.id, deck(slide('only', leftOut())));
  const answer = await empty.post<{ detail: string }>(`decks/${deckId}/lessons`, {
    allowsTypedNames: true,
  });
  expect([answer.status, answer.body.detail]).toEqual([
    409,
    'This deck has no slide to start on yet. Make one first.',
  ]);
});

test.each([
  [{ allowsTypedNames: false }, 400],
  [{}, 400],
  [{ allowsTypedNames: 'yes' }, 400],
  [{ allowsTypedNames: true, classListId: 'x' }, 400],
  [{ allowsTypedNames: true, classListId: '00000000-0000-4000-8000-000000000999' }, 404],
  [{ allowsTypedNames: true, pace: 'sideways' }, 400],
])('starting with %j is answered %d', async (body, status) => {
  expect((await room.ines.post(`decks/${room.deckId}/lessons`, body)).status).toBe(status);
});

test('the class is moved to slides that it may see, and nowhere else', async () => {
  const student = await room.join('Ada');
  const state = await student.open(`lesson:${room.lessonId}`);
  expect((await post('pace', { pace: 'together', slideId: 'hidden' })).status).toBe(409);
  expect((await post('pace', { pace: 'together', slideId: 'nowhere' })).status).toBe(409);
  expect((await post('pace', { pace: 'sideways' })).status).toBe(400);
  expect((await post('pace', { pace: 'together', slideId: '../x' })).status).toBe(400);
  const { body } = await post<LessonState>('pace', { pace: 'together', slideId: 'sea' });
  expect(body).toMatchObject({ pace: 'together', slideId: 'sea' });
  await until(() => readLessonState(state.doc)?.slideId === 'sea');
  await post('pace', { pace: 'own' });
  await until(() => readLessonState(state.doc)?.pace === 'own');
  expect(readLessonState(state.doc)?.slideId).toBe('sea');
});

test('hold and let go; every change is a later version', async () => {
  const held = await post<LessonState>('hold', { isHeld: true });
  const free = await post<LessonState>('hold', { isHeld: false });
  expect([held.body.isHeld, free.body.isHeld]).toEqual([true, false]);
  expect(free.body.version).toBe(held.body.version + 1);
  expect((await post('hold', { isHeld: 1 })).status).toBe(400);
});

test('two changes at once are both made', async () => {
  const before = (await post<LessonState>('hold', { isHeld: false })).body.version;
  await Promise.all([
    post('hold', { isHeld: true }),
    post('pace', { pace: 'together', slideId: 'pier' }),
  ]);
  const { body } = await room.ines.get<{ state: LessonState }>(`lessons/${room.lessonId}`);
  expect(body.state).toMatchObject({
    isHeld: true,
    pace: 'together',
    slideId: 'pier',
    version: before + 2,
  });
  await post('hold', { isHeld: false });
});

test('presenting a folio of another lesson is refused', async () => {
  const other = await openClassroom(server);
  const stranger = await other.join('Zeno');
  expect((await post('present', { folioId: stranger.folioId })).status).toBe(404);
  expect(
    (
      await room.ines.request('PUT', `lessons/${room.lessonId}/line-up/${stranger.folioId}`, {
        before: null,
      })
    ).status,
  ).toBe(404);
});

test('lessons are listed with who came and who handed in; an ended code is free again', async () => {
  const over = await openClassroom(server);
  const [ada] = [await over.join('Ada'), await over.join('Bela')];
  await ada.post('student/hand-in');
  await over.ines.post(`lessons/${over.lessonId}/end`);
  const { body } = await over.ines.get<
    { students: number; handedIn: number; endedAt: string | null }[]
  >(`decks/${over.deckId}/lessons`);
  expect(body).toMatchObject([{ students: 2, handedIn: 1, endedAt: expect.any(String) as string }]);
  expect((await over.ines.post(`lessons/${over.lessonId}/end`)).status).toBe(409);
});

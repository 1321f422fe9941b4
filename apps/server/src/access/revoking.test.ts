import { clipSlides, readDeck, readFolio, visit, type Deck } from '@gobrel/core';
import { choiceQuestion, deck, slide } from '@gobrel/core/testing';
import { DecksService } from '../decks/DecksService.js';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import {
  share,
  signUp,
  startServer,
  until,
  Visitor,
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

test('a co-author who is taken out hears nothing more, of the deck or of its lessons', async () => {
  const tomas = await signUp(server.url, 'Tomas');
  await share(room.ines, room.deckId, tomas);
  const desk = await tomas.open(`desk:${room.lessonId}`);
  const deck = await tomas.open(`deck:${room.deckId}`);
  const ada = await room.join('Ada');
  const folio = await tomas.open(`folio:${ada.folioId}`);
  await room.ines.request('DELETE', `decks/${room.deckId}/people/${tomas.id}`);
  await until(() => [desk, deck, folio].every(({ provider }) => !provider.isSynced));
  const own = await ada.open(`folio:${ada.folioId}`);
  visit(own.doc, 'sea', 'start', 1);
  await own.acknowledged();
  expect(readFolio(folio.doc).walk).toEqual([]);
  await expect(tomas.open(`desk:${room.lessonId}`)).rejects.toThrow();
});

test('what a browser writes after it has signed out is not taken', async () => {
  const deck = await room.ines.open(`deck:${room.deckId}`);
  const { cookie } = room.ines;
  await room.ines.request('DELETE', 'session');
  expect(cookie).not.toBe(room.ines.cookie);
  await until(() => !deck.provider.isSynced);
  deck.doc.getMap('deck').set('title', 'Written afterwards');
  const read = await server.app.get(DecksService).read(room.deckId);
  expect(read.title).toBe('Tides');
});

test('signing in again ends the session that was there', async () => {
  const old = new Visitor(server.url);
  old.cookies = new Map(room.ines.cookies);
  await room.ines.post('session', { email: room.ines.email, password: 'long enough words' });
  expect((await old.get('session')).status).toBe(401);
  expect((await room.ines.get('session')).status).toBe(200);
});

test('a student who is taken out hears nothing more of the lesson', async () => {
  const ada = await room.join('Ada');
  const state = await ada.open(`lesson:${room.lessonId}`);
  await room.ines.request('DELETE', `lessons/${room.lessonId}/students/${ada.folioId}`);
  await until(() => !state.provider.isSynced);
  await expect(ada.open(`lesson:${room.lessonId}`)).rejects.toThrow();
});

test('a device that is given back is nobody’s', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  const token = new Visitor(server.url);
  token.cookies = new Map(ada.cookies);
  expect((await ada.request('DELETE', 'student/device')).status).toBe(204);
  await until(() => !folio.provider.isSynced);
  expect((await token.get('student/lesson')).status).toBe(401);
});

test('a blocked name does not come back with a dot, and comes back when the block is lifted', async () => {
  const keno = await room.join('Keno');
  await room.ines.request('DELETE', `lessons/${room.lessonId}/students/${keno.folioId}?block=1`);
  for (const name of ['keno', 'Keno.', 'K e n o', 'Kéno', '-Keno-']) {
    const tried = await new Visitor(server.url).post('student/join', { code: room.joinCode, name });
    expect([name, tried.status]).toEqual([name, 409]);
  }
  const at = `lessons/${room.lessonId}/blocks`;
  const { body } = await room.ines.get<{ blocked: { key: string; name: string }[] }>(at);
  expect(body.blocked).toEqual([{ key: 'keno', name: 'Keno' }]);
  const other = await signUp(server.url, 'Other');
  expect((await other.request('DELETE', `${at}/keno`)).status).toBe(404);
  expect((await room.ines.request('DELETE', `${at}/keno`)).status).toBe(204);
  await room.join('Keno');
});

test('another teacher’s student is not taken over by naming their identity', async () => {
  const made = await room.ines.post<{ id: string }>('classes', {
    name: 'Kestrel',
    students: [{ name: 'Ada', group: 'One' }],
  });
  const list = async (): Promise<{ id: string; name: string }[]> => {
    const { body } = await room.ines.get<{ students: { id: string; name: string }[] }[]>('classes');
    return body[0]!.students;
  };
  expect(made.status).toBe(201);
  const [ada] = await list();
  const mallory = await signUp(server.url, 'Mallory');
  await mallory.post('classes', {
    name: 'Mine',
    students: [{ id: ada!.id, name: 'Eve', group: 'Two' }],
  });
  expect(await list()).toEqual([ada]);
});

test('two who ask and star at once lose nothing of each other', async () => {
  const ada = await room.join('Ada');
  const at = (path: string): string => `lessons/${room.lessonId}/${path}`;
  const stars = Array.from({ length: 6 }, (_, index) => `${ada.folioId}/q${index}`);
  const doc = deck(slide('x', choiceQuestion('quick', 'Ready?', ['Yes', 'No'])));
  const clip = JSON.stringify(clipSlides(readDeck(doc), 'elsewhere', ['x']));
  const asked = await Promise.all([
    ...stars.map((answer) => room.ines.post(at('star'), { answer, isStarred: true })),
    ...[1, 2, 3].map(() => room.ines.post(at('ask'), { clip })),
  ]);
  expect(asked.map(({ status }) => status)).toEqual([...stars.map(() => 204), 200, 200, 200]);
  const { body } = await room.ines.get<{ starred: string[]; asked: string[]; edition: Deck }>(
    `lessons/${room.lessonId}`,
  );
  expect([...body.starred].sort()).toEqual(stars);
  expect(Object.keys(body.edition.slides).filter((id) => id.startsWith('asked-'))).toHaveLength(3);
});

test('an ended lesson is opened again, and deleted for good by the owner alone', async () => {
  const ada = await room.join('Ada');
  const at = `lessons/${room.lessonId}`;
  expect((await room.ines.request('DELETE', at)).status).toBe(409);
  await room.ines.post(`${at}/end`);
  expect((await room.ines.post(`${at}/reopen`)).status).toBe(204);
  expect((await ada.post('student/hand-in')).status).toBe(200);
  await room.ines.post(`${at}/end`);
  const other = await signUp(server.url, 'Other');
  expect((await other.request('DELETE', at)).status).toBe(404);
  expect((await room.ines.request('DELETE', at)).status).toBe(204);
  expect((await ada.get('student/lesson')).status).toBe(401);
  expect((await room.ines.get(at)).status).toBe(404);
});

test.each([
  ['a NUL in a name', { email: 'a@gobrel.example', name: 'A\0', password: 'long enough words' }],
  ['half a letter', { email: 'a@gobrel.example', name: 'A\ud800', password: 'long enough words' }],
])('%s is refused with a sentence', async (_, account) => {
  const { status, body } = await new Visitor(server.url).post<{ detail: string }>(
    'accounts',
    account,
  );
  expect([status, body.detail]).toEqual([400, expect.stringMatching(/no letter/)]);
});

test('what is personal is not kept on the way', async () => {
  const { headers } = await room.ines.get('session');
  expect(headers.get('cache-control')).toBe('no-store');
  expect((await room.ines.get('decks/%00')).status).toBe(400);
});

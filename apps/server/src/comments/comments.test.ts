import type { DeckComments, Mail } from '@gobrel/core';
import { DecksService } from '../decks/DecksService.js';
import { secretDeck } from '../testing/classroom.js';
import {
  share,
  signUp,
  startServer,
  until,
  Visitor,
  type TestServer,
} from '../testing/testServer.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

async function withDeck() {
  const ines = await signUp(server.url, 'Ines');
  const deckId = await server.app.get(DecksService).adopt(ines.id, secretDeck());
  const [tomas, nora] = [await signUp(server.url, 'Tomas'), await signUp(server.url, 'Nora')];
  await share(ines, deckId, tomas, 'commenter');
  await share(ines, deckId, nora, 'viewer');
  return { ines, tomas, nora, deckId, at: `decks/${deckId}/comments` };
}
const all = async (who: Visitor, at: string) => (await who.get<DeckComments>(at)).body;
const say = (who: Visitor, at: string, more: object = {}) =>
  who.post<{ id: string; detail?: string }>(at, { slideId: 'pier', words: 'Who rows?', ...more });

test('a thread is begun by somebody who only comments, answered, done, and taken up again by an answer', async () => {
  const { ines, tomas, at } = await withDeck();
  const { body, status } = await say(tomas, at, { elementId: 'pier-title' });
  expect(status).toBe(201);
  // An answer lies where its thread does, wherever it is said to lie.
  await say(ines, at, { slideId: 'sea', words: 'Mona does.', underId: body.id });
  expect((await all(tomas, at)).comments).toMatchObject([
    {
      slideId: 'pier',
      elementId: 'pier-title',
      by: { name: 'Tomas' },
      underId: null,
      doneAt: null,
    },
    { slideId: 'pier', elementId: 'pier-title', by: { name: 'Ines' }, underId: body.id },
  ]);
  expect((await ines.request('PATCH', `${at}/${body.id}`, { isDone: true })).status).toBe(204);
  expect((await all(tomas, at)).comments[0]!.doneAt).not.toBeNull();
  await say(tomas, at, { words: 'And back?', underId: body.id });
  expect((await all(tomas, at)).comments[0]!.doneAt).toBeNull();
});

test('words are changed and removed by those who wrote them; what was answered stays; the owner removes anything', async () => {
  const { ines, tomas, at } = await withDeck();
  const { body } = await say(ines, at);
  const answer = await say(tomas, at, { words: 'I do', underId: body.id });
  const change = (who: Visitor, id: string, words: string) =>
    who.request<{ detail?: string }>('PATCH', `${at}/${id}`, { words });
  expect((await change(tomas, body.id, 'Mine')).body.detail).toMatch(/Only who wrote/);
  expect((await change(tomas, answer.body.id, 'I do, alone')).status).toBe(204);
  expect((await all(ines, at)).comments[1]).toMatchObject({
    words: 'I do, alone',
    changedAt: expect.any(String),
  });
  const remove = (who: Visitor, id: string) =>
    who.request<{ detail?: string }>('DELETE', `${at}/${id}`);
  expect((await remove(tomas, body.id)).body.detail).toMatch(/Only who wrote/);
  const own = await say(tomas, at);
  await say(ines, at, { underId: own.body.id });
  expect((await remove(tomas, own.body.id)).body.detail).toMatch(/This was answered/);
  expect((await remove(tomas, answer.body.id)).status).toBe(204);
  expect((await remove(ines, own.body.id)).status).toBe(204);
  expect((await all(ines, at)).comments.map(({ id }) => id)).toEqual([body.id]);
});

test('who is called by name gets a letter, if they see comments at all', async () => {
  const { ines, tomas, nora, at, deckId } = await withDeck();
  await say(ines, at, { words: '@Tomas, look.', mentions: [tomas.id, nora.id, ines.id] });
  const [comment] = (await all(ines, at)).comments;
  expect(comment!.mentions).toEqual([{ id: tomas.id, name: 'Tomas' }]);
  const letters = (await ines.get<Mail[]>('outbox')).body;
  const to = (email: string) =>
    letters.filter(({ address, subject }) => address === email && subject.includes('asks you'));
  expect(to(tomas.email)).toHaveLength(1);
  expect(to(tomas.email)[0]!.words).toContain(`/deck/${deckId}/slide/pier?comments`);
  expect([...to(nora.email), ...to(ines.email)]).toEqual([]);
});

test('whoever has the deck open is told at once that something was said', async () => {
  const { ines, tomas, at, deckId } = await withDeck();
  const { provider } = await ines.open(`deck:${deckId}`);
  const heard: string[] = [];
  provider.on('stateless', ({ payload }: { payload: string }) => heard.push(payload));
  await say(tomas, at);
  await until(() => heard.includes('commented'));
});

test('who looks only, is nobody, or is a student, sees none and says none; copies and students get none', async () => {
  const { ines, nora, at, deckId } = await withDeck();
  const words = 'plantedcomment77';
  const { body } = await say(ines, at, { words });
  const lesson = await ines.post<{ id: string }>(`decks/${deckId}/lessons`, {
    allowsTypedNames: true,
  });
  const { joinCode } = (await ines.get<{ joinCode: string }>(`lessons/${lesson.body.id}`)).body;
  const student = new Visitor(server.url);
  await student.post('student/join', { code: joinCode, name: 'Mona' });
  await student.get('student/lesson');
  const stranger = await signUp(server.url, 'Stranger');
  for (const who of [nora, new Visitor(server.url), student, stranger]) {
    expect([401, 404]).toContain((await who.get(at)).status);
    expect([401, 404]).toContain((await say(who, at)).status);
    expect([401, 404]).toContain((await who.request('DELETE', `${at}/${body.id}`)).status);
  }
  expect(student.received.join(' ')).not.toContain(words);
  // Nor by the address of another deck, of which one is the owner.
  const own = await stranger.post<{ id: string }>('decks', { title: 'Mine' });
  const elsewhere = `decks/${own.body.id}/comments`;
  expect((await stranger.request('DELETE', `${elsewhere}/${body.id}`)).status).toBe(404);
  expect((await say(stranger, elsewhere, { underId: body.id })).status).toBe(409);
  const copy = await ines.post<{ id: string }>(`decks/${deckId}/copy`);
  expect((await all(ines, `decks/${copy.body.id}/comments`)).comments).toEqual([]);
});

test.each([
  [{ words: '  ' }, 'A comment has 1 to 4,000 signs.'],
  [{ words: 'x'.repeat(4001) }, 'A comment has 1 to 4,000 signs.'],
  [{ slideId: '<b>' }, 'That is no slide.'],
  [{ underId: 'me' }, 'That is no comment.'],
  [{ mentions: ['everybody'] }, 'That is nobody who has the deck.'],
])('what is no comment is refused: %j', async (wrong, detail) => {
  const { ines, at } = await withDeck();
  const answered = await say(ines, at, wrong);
  expect([answered.status, answered.body.detail]).toEqual([400, detail]);
});

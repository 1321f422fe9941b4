import { clipSlides, readDeck } from '@gobrel/core';
import { choice, deckNamed, slide } from '@gobrel/core/testing';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

const deck = readDeck(
  deckNamed('Tides', slide('pier: The pier', choice('Row', 'sea')), slide('sea')),
);
const clipOf = (...ids: string[]): string => JSON.stringify(clipSlides(deck, 'deck', ids));

test('a slide of one’s own is kept, listed and taken out; to others it is not there', async () => {
  const [ines, tomas] = [await signUp(server.url), await signUp(server.url)];
  const kept = await ines.post<{ id: string }>('starters', {
    title: ' Pier ',
    clip: clipOf('pier'),
  });
  expect(kept.status).toBe(201);
  const { body } =
    await ines.get<{ title: string; clip: { slides: unknown[]; links: unknown[] } }[]>('starters');
  expect(body.map(({ title }) => title)).toEqual(['Pier']);
  expect(body[0]!.clip.slides).toHaveLength(1);
  expect(body[0]!.clip.links).toEqual([]);
  expect((await tomas.get<unknown[]>('starters')).body).toEqual([]);
  expect((await tomas.request('DELETE', `starters/${kept.body.id}`)).status).toBe(404);
  expect((await ines.request('DELETE', `starters/${kept.body.id}`)).status).toBe(204);
  expect((await ines.get<unknown[]>('starters')).body).toEqual([]);
});

test.each([
  ['two slides', { title: 'Two', clip: clipOf('pier', 'sea') }],
  ['none', { title: 'None', clip: '{}' }],
  ['what is no clip', { title: 'Junk', clip: 'nonsense' }],
  ['no name', { title: ' ', clip: clipOf('pier') }],
  ['something huge', { title: 'Huge', clip: 'x'.repeat(2_000_001) }],
])('%s is refused in words', async (_what, body) => {
  const ines = await signUp(server.url);
  const { status, body: problem } = await ines.post<{ detail: string }>('starters', body);
  expect([400, 413]).toContain(status);
  expect(problem.detail).toMatch(/\w/);
  expect((await ines.get<unknown[]>('starters')).body).toEqual([]);
});

test('students and strangers have no starters', async () => {
  expect((await new Visitor(server.url).get('starters')).status).toBe(401);
});

import { ownOf, readThemeData, type KeptTheme } from '@gobrel/core';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

test('a theme of one’s own is kept, listed and taken out; to others it is not there', async () => {
  const [ines, tomas] = [await signUp(server.url), await signUp(server.url)];
  const theme = { ...ownOf('harbour'), label: 'School' };
  const kept = await ines.post<{ id: string }>('themes', { theme });
  expect(kept.status).toBe(201);
  expect((await ines.get<KeptTheme[]>('themes')).body).toEqual([{ id: kept.body.id, theme }]);
  // Kept twice, it is kept once; changed, it is another.
  expect((await ines.post<{ id: string }>('themes', { theme })).body).toEqual(kept.body);
  const other = await ines.post<{ id: string }>('themes', { theme: { ...theme, label: 'Other' } });
  expect(other.body.id).not.toBe(kept.body.id);
  await ines.request('DELETE', `themes/${other.body.id}`);
  expect((await tomas.get<KeptTheme[]>('themes')).body).toEqual([]);
  expect((await tomas.request('DELETE', `themes/${kept.body.id}`)).status).toBe(404);
  expect((await ines.request('DELETE', `themes/${kept.body.id}`)).status).toBe(204);
  expect((await ines.get<KeptTheme[]>('themes')).body).toEqual([]);
});

test('what is kept is read first: only what a theme has', async () => {
  const ines = await signUp(server.url);
  const light = { paper: '#FFFFFF', ink: '#101010', head: 'url(//x)' };
  await ines.post('themes', { theme: { label: 'x'.repeat(500), light, other: 'y'.repeat(5000) } });
  const [kept] = (await ines.get<KeptTheme[]>('themes')).body;
  expect(kept!.theme).toEqual(readThemeData(kept!.theme));
  expect(kept!.theme.label).toHaveLength(60);
  expect(kept!.theme.light).toMatchObject({ ink: '#101010', head: ownOf('paper').light.head });
  expect(kept!.theme).not.toHaveProperty('other');
});

test.each([
  ['a word', 'harbour'],
  ['nothing', undefined],
  ['a list', []],
  ['a number', 7],
])('%s is no theme, and that is said', async (_what, theme) => {
  const ines = await signUp(server.url);
  const { status, body } = await ines.post<{ detail: string }>('themes', { theme });
  expect(status).toBe(400);
  expect(body.detail).toMatch(/no theme/);
  expect((await ines.get<unknown[]>('themes')).body).toEqual([]);
});

test('students and strangers keep none', async () => {
  expect((await new Visitor(server.url).get('themes')).status).toBe(401);
});

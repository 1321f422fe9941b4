import { addChoice, readDeck } from '@gobrel/core';
import { signUp, startServer, until, type TestServer } from '../testing/testServer.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

async function withDeck(): Promise<{ ines: Awaited<ReturnType<typeof signUp>>; id: string }> {
  const ines = await signUp(server.url);
  const { body } = await ines.post<{ id: string }>('decks', { title: 'Tides' });
  return { ines, id: body.id };
}

test('a new deck has a name and a first slide, and its card follows what is changed', async () => {
  const { ines, id } = await withDeck();
  const open = await ines.open(`deck:${id}`);
  const deck = readDeck(open.doc);
  expect(deck.title).toBe('Tides');
  expect(Object.keys(deck.slides)).toHaveLength(1);
  addChoice(open.doc, deck.startSlideId!, 'Row out');
  await open.acknowledged();
  ines.close();
  await until(async () => {
    const { body } = await ines.get<{ summary: { slides: number; wires: unknown[] } }[]>('decks');
    return body[0]!.summary.slides === 2 && body[0]!.summary.wires.length === 1;
  });
});

test('a deck begins from one of ours or from a written plan; what cannot be is told and makes none', async () => {
  const ines = await signUp(server.url);
  const made = async (more: object): Promise<[number, string]> => {
    const { status, body } = await ines.post<{ id?: string; message?: string }>('decks', {
      title: 'Fog',
      ...more,
    });
    return [status, body.id ?? body.message ?? ''];
  };
  const [status, mystery] = await made({ beginning: 'mystery' });
  expect(status).toBe(201);
  const deck = readDeck((await ines.open(`deck:${mystery}`)).doc);
  expect(deck.title).toBe('Fog');
  expect(deck.theme).toMatchObject({ ref: 'attic', amount: 'full' });
  const [, planned] = await made({ plan: '- The pier: Fog.\n  - Wait: **Home** (ending)' });
  const { slides } = readDeck((await ines.open(`deck:${planned}`)).doc);
  expect(Object.values(slides).map(({ title }) => title)).toEqual(['The pier', 'Home']);
  expect(Object.values(slides).every(({ setOut }) => setOut?.name)).toBe(true);

  expect((await made({ beginning: 'none' }))[0]).toBe(409);
  expect((await made({ beginning: '__proto__' }))[0]).toBe(409);
  expect((await made({ beginning: 7 }))[0]).toBe(400);
  expect((await made({ plan: '' }))[0]).toBe(409);
  expect((await made({ plan: '- a\n'.repeat(400) }))[0]).toBe(409);
  expect((await made({ plan: '- a\n'.repeat(19_000) }))[0]).toBe(409);
  expect((await made({ plan: 7 }))[0]).toBe(400);
  expect((await made({ plan: null, beginning: null }))[0]).toBe(201);
  expect((await made({ plan: 'x'.repeat(160_000) }))[0]).toBe(400);
  expect((await ines.get<unknown[]>('decks')).body).toHaveLength(3);
  ines.close();
});

test('another teacher’s deck is not there, on any route', async () => {
  const { id } = await withDeck();
  const tomas = await signUp(server.url, 'Tomas');
  for (const [method, path, body] of [
    ['GET', `decks/${id}`],
    ['GET', `decks/${id}/slides`],
    ['GET', `decks/${id}/walks`],
    ['DELETE', `decks/${id}`],
    ['POST', `decks/${id}/copy`],
    ['POST', `decks/${id}/restore`],
    ['POST', `decks/${id}/invitations`, { email: tomas.email, role: 'coauthor' }],
    ['POST', `decks/${id}/owner`, { personId: tomas.id }],
    ['PATCH', `decks/${id}/people/${tomas.id}`, { role: 'coauthor' }],
    ['DELETE', `decks/${id}/membership`],
    ['DELETE', `decks/${id}/people/${tomas.id}`],
    ['GET', `decks/${id}/lessons`],
    ['POST', `decks/${id}/lessons`, { allowsTypedNames: true }],
    ['GET', 'decks/not-an-id'],
    ['GET', `decks/${id}'--`],
  ] as const) {
    const answer = await tomas.request<{ detail: string }>(method, path, body);
    expect([method, path, answer.status]).toEqual([method, path, 404]);
    expect(answer.body.detail).toMatch(/not yours to open|no such/);
  }
  await expect(tomas.open(`deck:${id}`)).rejects.toThrow('not-yours');
});

test('trash and restore, duplicate', async () => {
  const { ines, id } = await withDeck();
  const copy = await ines.post<{ id: string }>(`decks/${id}/copy`);
  const copied = await ines.open(`deck:${copy.body.id}`);
  expect(readDeck(copied.doc).title).toBe('Tides (copy)');
  await ines.request('DELETE', `decks/${id}`);
  expect((await ines.get<{ id: string }[]>('decks')).body.map((d) => d.id)).toEqual([copy.body.id]);
  await expect(ines.open(`deck:${id}`)).rejects.toThrow('not-yours');
  expect((await ines.post(`decks/${id}/restore`)).status).toBe(204);
  expect((await ines.get<unknown[]>('decks')).body).toHaveLength(2);
  ines.close();
});

import {
  addChoice,
  readDeck,
  type CopyOffer,
  type DeckCard,
  type DeckPeople,
  type Invitation,
  type Mail,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import {
  letterTo,
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
  const { body } = await ines.post<{ id: string }>('decks', { title: 'Tides' });
  return { ines, id: body.id };
}
const people = async (who: Visitor, id: string) => (await who.get<DeckPeople>(`decks/${id}`)).body;
const roles = async (who: Visitor, id: string) =>
  (await people(who, id)).people.map(({ name, role }) => `${name}: ${role}`);

test('an invitation goes to the outbox, is accepted once, and by nobody else', async () => {
  const { ines, id } = await withDeck();
  const [tomas, nora] = [await signUp(server.url, 'Tomas'), await signUp(server.url, 'Nora')];
  const invited = await ines.post(`decks/${id}/invitations`, {
    email: ` ${tomas.email.toUpperCase()} `,
    role: 'coauthor',
  });
  expect([invited.status, invited.body]).toEqual([200, { isInOutbox: true }]);
  const [letter] = (await ines.get<Mail[]>('outbox')).body;
  expect(letter).toMatchObject({ address: tomas.email, subject: 'Ines invites you to “Tides”' });
  const token = await letterTo(ines, tomas.email);
  expect((await new Visitor(server.url).get<Invitation>(`invitations/${token}`)).body).toEqual({
    title: 'Tides',
    by: 'Ines',
    email: tomas.email,
    role: 'coauthor',
    answer: null,
    deckId: null,
  });
  expect((await people(ines, id)).invitations).toMatchObject([
    { email: tomas.email, role: 'coauthor' },
  ]);

  expect((await new Visitor(server.url).post(`invitations/${token}/accept`)).status).toBe(401);
  const other = await nora.post<{ detail: string }>(`invitations/${token}/accept`);
  expect([other.status, other.body.detail]).toEqual([
    409,
    expect.stringContaining(`is for ${tomas.email}`),
  ]);
  expect((await nora.get(`decks/${id}`)).status).toBe(404);
  // Two taps at once are one.
  const both = await Promise.all(
    [1, 2].map(() => tomas.post<{ deckId?: string }>(`invitations/${token}/accept`)),
  );
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  expect(await roles(ines, id)).toEqual(['Ines: owner', 'Tomas: coauthor']);
  expect((await people(ines, id)).invitations).toEqual([]);
  const again = await tomas.post<{ detail: string }>(`invitations/${token}/accept`);
  expect(again.body.detail).toBe('The invitation was answered already.');
  // Invitations are the owner's to see.
  expect((await people(tomas, id)).invitations).toEqual([]);
});

test('that an address has an account here is not told, and it takes none to decline', async () => {
  const { ines, id } = await withDeck();
  const tomas = await signUp(server.url, 'Tomas');
  const said = [];
  for (const email of [tomas.email, 'nobody@gobrel.example']) {
    const { status, body } = await ines.post(`decks/${id}/invitations`, { email, role: 'viewer' });
    said.push({ status, body });
  }
  expect(said[0]).toEqual(said[1]);
  const token = await letterTo(ines, 'nobody@gobrel.example');
  const stranger = new Visitor(server.url);
  expect((await stranger.post(`invitations/${token}/decline`)).status).toBe(204);
  expect((await stranger.get<Invitation>(`invitations/${token}`)).body.answer).toBe('declined');
  expect((await people(ines, id)).invitations.map(({ email }) => email)).toEqual([tomas.email]);
});

test.each([
  ['taken back', 'The invitation was taken back.'],
  ['over', 'The invitation is over. Ask Ines for another one.'],
  ['replaced', expect.stringContaining('a newer letter has replaced it')],
  ['of a deck in the trash', expect.stringContaining('its deck is gone')],
])('an invitation that is %s lets nobody in, and says so', async (what, detail) => {
  const { ines, id } = await withDeck();
  const tomas = await signUp(server.url, 'Tomas');
  const invite = () =>
    ines.post(`decks/${id}/invitations`, { email: tomas.email, role: 'coauthor' });
  await invite();
  const token = await letterTo(ines, tomas.email);
  const [open] = (await people(ines, id)).invitations;
  if (what === 'taken back') {
    await ines.request('DELETE', `decks/${id}/invitations/${open!.id}`);
  } else if (what === 'over') {
    await server.app
      .get(DataSource)
      .query(`UPDATE invitation SET ends_at = now() - interval '1 s' WHERE id = $1`, [open!.id]);
  } else if (what === 'replaced') await invite();
  else await ines.request('DELETE', `decks/${id}`);
  const answer = await tomas.post<{ detail: string }>(`invitations/${token}/accept`);
  expect(answer.body.detail).toEqual(detail);
  expect([404, 409]).toContain(answer.status);
  expect((await tomas.get(`decks/${id}`)).status).toBe(404);
});

test('a co-author works on the deck but cannot trash it or share it on, and is out at once when taken out', async () => {
  const { ines, id } = await withDeck();
  const tomas = await signUp(server.url, 'Tomas');
  await share(ines, id, tomas);
  const mine = await ines.open(`deck:${id}`);
  const theirs = await tomas.open(`deck:${id}`);
  addChoice(theirs.doc, readDeck(theirs.doc).startSlideId!, 'Together');
  await until(() => Object.keys(readDeck(mine.doc).slides).length === 2);
  const further = { email: 'vera@gobrel.example', role: 'viewer' };
  expect((await tomas.request('DELETE', `decks/${id}`)).status).toBe(404);
  expect((await tomas.post(`decks/${id}/invitations`, further)).status).toBe(404);
  await ines.request('DELETE', `decks/${id}/people/${tomas.id}`);
  await expect(tomas.open(`deck:${id}`)).rejects.toThrow('not-yours');
  ines.close();
  tomas.close();
});

test('whoever may only look reads, and writes as soon as that is allowed; the owner stays the owner', async () => {
  const { ines, id } = await withDeck();
  const vera = await signUp(server.url, 'Vera');
  await share(ines, id, vera, 'viewer');
  const seen = await vera.open(`deck:${id}`);
  const mine = await ines.open(`deck:${id}`);
  addChoice(seen.doc, readDeck(seen.doc).startSlideId!, 'Not mine');
  addChoice(mine.doc, readDeck(mine.doc).startSlideId!, 'Together');
  await until(() => Object.keys(readDeck(seen.doc).slides).length === 3);
  expect(Object.values(readDeck(mine.doc).slides).map(({ title }) => title)).not.toContain(
    'Not mine',
  );
  // Names and addresses of the others are not for whoever only looks.
  expect((await vera.request('GET', `decks/${id}`)).status).toBe(404);
  expect(
    (await ines.request('PATCH', `decks/${id}/people/${vera.id}`, { role: 'coauthor' })).status,
  ).toBe(204);
  await until(() => !seen.provider.isSynced);
  expect((await people(vera, id)).role).toBe('coauthor');
  for (const role of ['owner', 'teaches', '', undefined]) {
    const path = `decks/${id}/people/${vera.id}`;
    expect((await ines.request('PATCH', path, { role })).status).toBe(400);
  }
  await ines.request('PATCH', `decks/${id}/people/${ines.id}`, { role: 'viewer' });
  await ines.request('DELETE', `decks/${id}/people/${ines.id}`);
  expect((await ines.request('DELETE', `decks/${id}/membership`)).status).toBe(404);
  expect(await roles(ines, id)).toEqual(['Ines: owner', 'Vera: coauthor']);
  for (const who of [ines, vera]) who.close();
});

test('a deck is handed over to somebody who has it, and given back by whom it was shared with', async () => {
  const { ines, id } = await withDeck();
  const [tomas, nora] = [await signUp(server.url, 'Tomas'), await signUp(server.url, 'Nora')];
  await share(ines, id, tomas, 'viewer');
  expect((await ines.post(`decks/${id}/owner`, { personId: nora.id })).status).toBe(409);
  expect((await tomas.post(`decks/${id}/owner`, { personId: tomas.id })).status).toBe(404);
  await share(ines, id, nora, 'viewer');
  // Two at once: it has one owner all the time.
  const both = await Promise.all(
    [tomas, nora].map((to) => ines.post(`decks/${id}/owner`, { personId: to.id })),
  );
  expect(both.filter(({ status }) => status === 204)).toHaveLength(1);
  if (both[1]!.status === 204) await nora.post(`decks/${id}/owner`, { personId: tomas.id });
  await tomas.request('DELETE', `decks/${id}/people/${nora.id}`);
  expect(await roles(tomas, id)).toEqual(['Tomas: owner', 'Ines: coauthor']);
  expect((await ines.request('DELETE', `decks/${id}`)).status).toBe(404);
  expect((await ines.request('DELETE', `decks/${id}/membership`)).status).toBe(204);
  expect((await ines.get(`decks/${id}`)).status).toBe(404);
  expect(await roles(tomas, id)).toEqual(['Tomas: owner']);
});

test('what is no address or no role is told; somebody who has the deck is not invited; nobody floods others with letters', async () => {
  const { ines, id } = await withDeck();
  const tomas = await signUp(server.url, 'Tomas');
  await share(ines, id, tomas);
  const invite = async (email: unknown, role: unknown = 'viewer') => {
    const { status, body } = await ines.post<{ detail: string }>(`decks/${id}/invitations`, {
      email,
      role,
    });
    return `${status} ${body?.detail ?? ''}`;
  };
  expect(await invite('tomas')).toMatch(/^400/);
  expect(await invite(['a@b.example'])).toMatch(/^400/);
  expect(await invite(`a@b.example\r\nBcc: all@gobrel.example`)).toMatch(/^400/);
  expect(await invite('a@b.example', 'owner')).toMatch(/^400/);
  expect(await invite(ines.email)).toBe('409 The deck is yours already.');
  expect(await invite(tomas.email)).toMatch(/^409 Tomas has the deck already/);
  // Letters hold up nobody else's statements, however many are sent at once.
  const [together, oneByOne] = [Array.from({ length: 20 }), Array.from({ length: 38 })];
  const sent = await Promise.all(together.map((_, at) => invite(`t${at}@gobrel.example`)));
  expect(new Set(sent)).toEqual(new Set(['200 ']));
  for (const at of oneByOne.keys()) await invite(`w${at}@gobrel.example`);
  await invite('w59@gobrel.example');
  expect(await invite('w60@gobrel.example')).toMatch(/^429/);
});

test('a copy is taken from an address, with all that is in the deck, its line of origin and nothing of its lessons', async () => {
  const { ines, id } = await withDeck();
  const [tomas, nora] = [await signUp(server.url, 'Tomas'), await signUp(server.url, 'Nora')];
  const deck = await ines.open(`deck:${id}`);
  addChoice(deck.doc, readDeck(deck.doc).startSlideId!, 'Row out');
  await deck.acknowledged();
  await ines.post(`decks/${id}/lessons`, { allowsTypedNames: true });
  const offer = async (who: Visitor, deckId: string) => {
    await who.post(`decks/${deckId}/copies`);
    return (await people(who, deckId)).copyToken!;
  };
  const token = await offer(ines, id);
  // Asked for twice it is the same address.
  expect(await offer(ines, id)).toBe(token);
  const stranger = new Visitor(server.url);
  const offered = async () => (await stranger.get<CopyOffer>(`copies/${token}`)).body;
  // The card of a deck follows a moment later.
  await until(async () => (await offered()).summary.slides === 2);
  expect(await offered()).toMatchObject({ title: 'Tides', by: 'Ines' });
  expect((await stranger.post(`copies/${token}`)).status).toBe(401);
  const taken = await tomas.post<{ id: string }>(`copies/${token}`);
  expect(taken.status).toBe(201);
  const copy = await tomas.open(`deck:${taken.body.id}`);
  expect(readDeck(copy.doc).links).toEqual(readDeck(deck.doc).links);
  expect(await roles(tomas, taken.body.id)).toEqual(['Tomas: owner']);
  expect((await tomas.get<unknown[]>(`decks/${taken.body.id}/lessons`)).body).toEqual([]);
  // A copy of the copy has come through both.
  const further = await nora.post<{ id: string }>(`copies/${await offer(tomas, taken.body.id)}`);
  const [card] = (await nora.get<DeckCard[]>('decks')).body;
  expect(card).toMatchObject({
    id: further.body.id,
    title: 'Tides',
    origins: [
      { title: 'Tides', by: 'Ines' },
      { title: 'Tides', by: 'Tomas' },
    ],
  });
  // The address of a deck is its owner's to give and to take back.
  expect((await tomas.post(`decks/${id}/copies`)).status).toBe(404);
  await ines.request('DELETE', `decks/${id}/copies`);
  for (const gone of [token, 'null', '']) {
    expect((await nora.post(`copies/${gone}`)).status).toBe(404);
  }
  expect(await offer(ines, id)).not.toBe(token);
  for (const who of [ines, tomas]) who.close();
});

test('the outbox is read on the computer of the server, by somebody who is signed in', async () => {
  const { ines } = await withDeck();
  expect((await new Visitor(server.url).get('outbox')).status).toBe(401);
  expect((await ines.get('outbox')).status).toBe(200);
  const elsewhere = await ines.request('GET', 'outbox', undefined, {
    'x-forwarded-for': '10.0.0.7',
  });
  expect(elsewhere.status).toBe(409);
});

import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  addChoice,
  readDeck,
  type AtAddress,
  type Publication,
  type PublishSettings,
  type StudentMark,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import sharp from 'sharp';
import { DecksService } from '../decks/DecksService.js';
import { SECRETS, secretDeck } from '../testing/classroom.js';
import { share, signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
const folder = mkdtempSync(join(tmpdir(), 'gobrel-page-'));
beforeAll(async () => {
  writeFileSync(join(folder, 'index.html'), '<html><head></head><body>the page</body></html>');
  server = await startServer({ webFolder: folder });
});
afterAll(async () => {
  await server.stop();
  rmSync(folder, { recursive: true });
});

const SETTINGS: PublishSettings & { pass?: string } = {
  endsAt: null,
  allowsTries: true,
  allowsCopies: false,
  sites: [],
};

/** A teacher with a published deck, and what anybody does at its address. */
async function published(settings: Partial<typeof SETTINGS & { picture: string }> = {}) {
  const ines = await signUp(server.url);
  const deckId = await server.app.get(DecksService).adopt(ines.id, secretDeck());
  const at = `decks/${deckId}/publication`;
  const publish = (more: typeof settings = {}) =>
    ines.post<{ detail?: string }>(at, { ...SETTINGS, ...settings, ...more });
  expect((await publish()).status).toBe(204);
  const now = async (): Promise<Publication> =>
    (await ines.get<{ publication: Publication }>(at)).body.publication;
  return { ines, deckId, at, publish, now, code: (await now()).code };
}
const anyone = (): Visitor => new Visitor(server.url);
const statusOf = async (code: string, who = anyone()): Promise<number> =>
  (await who.get(`published/${code}`)).status;

test('a deck is private until it is published, and then anyone reads it, without its secrets', async () => {
  const { code, now } = await published();
  expect(code).toMatch(/^([a-z]{4}-){3}[a-z]{4}$/);
  const reader = anyone();
  const { body } = await reader.get<AtAddress>(
    `published/${code.replaceAll('-', '').toUpperCase()}`,
  );
  expect(body).toMatchObject({ needsPass: false, allowsTries: true, allowsCopies: false });
  expect(Object.keys('edition' in body ? body.edition.slides : {}).sort()).toEqual([
    'home',
    'page',
    'pier',
    'sea',
  ]);
  for (const secret of Object.values(SECRETS)) {
    expect(reader.received.join(' ')).not.toContain(secret);
  }
  expect(await now()).toMatchObject({ isWithdrawn: false, hasPass: false, openings: [] });
  expect(await statusOf('mika-rute-sola-bino')).toBe(404);
});

test('an edition stays as it was until it is published again, and what would change is told before', async () => {
  const { ines, deckId, code, now, publish } = await published();
  const deck = await ines.open(`deck:${deckId}`);
  addChoice(deck.doc, 'home', 'Once more', { slideId: 'pier' });
  await deck.acknowledged();
  expect((await now()).changes).toMatchObject({
    isSame: false,
    changed: [{ slideId: 'home', title: 'Home' }],
  });
  const before = await anyone().get<{ version: string }>(`published/${code}/version`);
  const linksOf = async (): Promise<number> => {
    const { body } = await anyone().get<AtAddress>(`published/${code}`);
    return 'edition' in body ? Object.keys(body.edition.links).length : 0;
  };
  const links = await linksOf();
  expect((await publish()).status).toBe(204);
  expect(await now()).toMatchObject({ code, changes: { isSame: true } });
  expect(await linksOf()).toBe(links + 1);
  const after = await anyone().get<{ version: string }>(`published/${code}/version`);
  expect(after.body.version).not.toBe(before.body.version);
  const editions = await server.app
    .get(DataSource)
    .query('SELECT 1 FROM edition WHERE deck_id = $1', [deckId]);
  expect(editions).toHaveLength(1);
});

test('two who publish a deck at once give it one address', async () => {
  const ines = await signUp(server.url);
  const deckId = await server.app.get(DecksService).adopt(ines.id, secretDeck());
  const at = `decks/${deckId}/publication`;
  const both = await Promise.all([1, 2].map(() => ines.post(at, SETTINGS)));
  expect(both.map(({ status }) => status)).toEqual([204, 204]);
  const { code } = (await ines.get<{ publication: Publication }>(at)).body.publication;
  expect(await statusOf(code)).toBe(200);
  const [{ editions }] = await server.app
    .get(DataSource)
    .query('SELECT count(*)::int AS editions FROM edition WHERE deck_id = $1', [deckId]);
  expect(editions).toBe(1);
});

test('withdrawn it is read by nobody, at any of its addresses, and comes back at the same one', async () => {
  const { ines, at, code, publish, now } = await published();
  expect((await ines.request('DELETE', at)).status).toBe(204);
  for (const [method, path, body] of [
    ['GET', '', undefined],
    ['GET', '/version', undefined],
    ['GET', '/picture', undefined],
    ['POST', '/steps', { steps: [] }],
    ['POST', '/tries', { questionId: 'q', answer: { kind: 'choice', optionIds: ['a'] } }],
    ['POST', '/pass', { pass: 'word' }],
  ] as const) {
    const answered = await anyone().request<{ detail: string }>(
      method,
      `published/${code}${path}`,
      body,
    );
    expect([path, answered.status]).toEqual([path, 410]);
    expect(answered.body.detail).toMatch(/not published any more/);
  }
  expect((await now()).isWithdrawn).toBe(true);
  expect((await ines.request('PATCH', at, SETTINGS)).status).toBe(409);
  await publish();
  expect(await statusOf(code)).toBe(200);
});

test('its end, its deck in the trash, its author deleted: nobody reads it', async () => {
  const { ines, deckId, code, publish, at } = await published();
  const database = server.app.get(DataSource);
  const past = await publish({ endsAt: '2020-01-01T08:00:00Z' });
  expect([past.status, past.body.detail]).toEqual([409, 'That end has passed already.']);
  await database.query(`UPDATE publication SET ends_at = now() - interval '1 second'`);
  expect(await statusOf(code)).toBe(410);
  await ines.request('PATCH', at, { ...SETTINGS, endsAt: '2099-01-01T08:00:00Z' });
  expect(await statusOf(code)).toBe(200);
  await ines.request('DELETE', `decks/${deckId}`);
  expect(await statusOf(code)).toBe(410);
  await database.query('DELETE FROM deck WHERE id = $1', [deckId]);
  expect(await statusOf(code)).toBe(404);
});

test('a pass word is asked for before anything is told, wrong ones only so often, and another one shuts out the old', async () => {
  const { ines, code, at } = await published({ pass: 'lantern' });
  const reader = anyone();
  expect((await reader.get<AtAddress>(`published/${code}`)).body).toEqual({ needsPass: true });
  expect((await reader.get(`published/${code}/version`)).status).toBe(401);
  expect((await reader.post(`published/${code}/steps`, { steps: [] })).status).toBe(401);
  const tell = (pass: string, who = reader) => who.post(`published/${code}/pass`, { pass });
  expect((await tell('lamp')).status).toBe(403);
  expect((await tell('lantern')).status).toBe(204);
  expect((await reader.get<AtAddress>(`published/${code}`)).body.needsPass).toBe(false);
  // One that is not said stays.
  await ines.request('PATCH', at, { ...SETTINGS, allowsTries: false });
  expect((await reader.get<AtAddress>(`published/${code}`)).body.needsPass).toBe(false);
  await ines.request('PATCH', at, { ...SETTINGS, pass: 'beacon' });
  expect((await reader.get<AtAddress>(`published/${code}`)).body.needsPass).toBe(true);
  const guesser = anyone();
  const guesses = [];
  for (let guess = 0; guess < 12; guess++) guesses.push((await tell('no', guesser)).status);
  expect(guesses.slice(-2)).toEqual([403, 429]);
  expect((await tell('beacon', guesser)).status).toBe(429);
  await ines.request('PATCH', at, { ...SETTINGS, pass: '' });
  expect(await statusOf(code)).toBe(200);
}, 60_000);

test('questions are tried where that is allowed: the mark is reckoned here, and nothing is kept', async () => {
  const { ines, code, at } = await published();
  const attempt = (body: object) =>
    anyone().post<StudentMark & { detail?: string }>(`published/${code}/tries`, body);
  const answer = (optionId: string) => ({ kind: 'choice', optionIds: [optionId] });
  const right = await attempt({ questionId: 'q', answer: answer('a') });
  expect(right.body).toMatchObject({ points: 1, explanation: SECRETS.explanation });
  expect((await attempt({ questionId: 'q', answer: answer('b') })).body.score).toBe(0);
  // The explanation would be half of the key.
  for (const said of [
    undefined,
    { kind: 'choice', optionIds: [] },
    { kind: 'number', text: '3' },
  ]) {
    const empty = await attempt({ questionId: 'q', answer: said });
    expect([empty.status, empty.body.detail]).toEqual([409, 'Give an answer first.']);
  }
  expect((await attempt({ questionId: 'boat', answer: answer('a') })).status).toBe(404);
  expect((await attempt({ questionId: '__proto__', answer: answer('a') })).status).toBe(404);
  await ines.request('PATCH', at, { ...SETTINGS, allowsTries: false });
  expect((await attempt({ questionId: 'q', answer: answer('a') })).status).toBe(409);
  const { count } = (
    await server.app.get(DataSource).query('SELECT count(*)::int AS count FROM answer')
  )[0];
  expect(count).toBe(0);
});

test('openings and ways are counted, what is not in the deck is not, and nothing says by whom', async () => {
  const { code, now } = await published();
  const tell = (...steps: [string, string][]) =>
    anyone().post(`published/${code}/steps`, {
      steps: steps.map(([slideId, via]) => ({ slideId, via })),
    });
  await Promise.all([
    tell(['pier', 'start'], ['sea', 'row'], ['home', 'home-link']),
    tell(['sea', 'row'], ['pier', 'start'], ['hidden', 'row'], ['sea', 'made-up']),
  ]);
  const { openings, walks } = await now();
  expect(openings.map(({ count }) => count)).toEqual([2]);
  expect(walks).toEqual({
    slides: { pier: 2, sea: 2, home: 1 },
    links: { start: 2, row: 2, 'home-link': 1 },
  });
  expect(
    (await tell(...Array.from({ length: 61 }, () => ['pier', 'start'] as [string, string]))).status,
  ).toBe(400);
});

test('a copy is of the edition, not of what came after, and only where copies may be taken', async () => {
  const { ines, deckId, code, at } = await published();
  const tomas = await signUp(server.url, 'Tomas');
  expect((await tomas.post(`published/${code}/copies`)).status).toBe(409);
  expect((await anyone().post(`published/${code}/copies`)).status).toBe(401);
  const deck = await ines.open(`deck:${deckId}`);
  addChoice(deck.doc, 'home', 'Not published yet', { slideId: 'pier' });
  await deck.acknowledged();
  await ines.request('PATCH', at, { ...SETTINGS, allowsCopies: true });
  const { body, status } = await tomas.post<{ id: string }>(`published/${code}/copies`);
  expect(status).toBe(201);
  const copy = await tomas.open(`deck:${body.id}`);
  const wordings = Object.values(readDeck(copy.doc).links).map(({ wording }) => wording);
  expect(wordings).toContain('Row out');
  expect(wordings).not.toContain('Not published yet');
  const [card] = (await tomas.get<{ origins: object[] }[]>('decks')).body;
  expect(card!.origins).toEqual([{ title: 'Tides', by: 'Ines' }]);
});

test('only its owner publishes; who builds sees that it is; who looks does not', async () => {
  const { ines, deckId, at } = await published();
  const [tomas, nora] = [await signUp(server.url, 'Tomas'), await signUp(server.url, 'Nora')];
  await share(ines, deckId, tomas, 'coauthor');
  await share(ines, deckId, nora, 'viewer');
  expect((await tomas.get(at)).status).toBe(200);
  expect((await nora.get(at)).status).toBe(404);
  for (const who of [tomas, nora, anyone()]) {
    for (const method of ['POST', 'PATCH', 'DELETE']) {
      const { status } = await who.request(method, at, method === 'DELETE' ? undefined : SETTINGS);
      expect([401, 404]).toContain(status);
    }
  }
});

test.each([
  [{ sites: ['not a site at all'] }, 'A site is an address as https://school.example.'],
  [{ sites: ['https://ok.example', "https://x.example; script-src 'unsafe-inline'"] }, /site/],
  [{ endsAt: 'tomorrow' }, 'The end is a day and a time.'],
  [{ allowsTries: 'yes' }, 'Questions can be tried, or not.'],
  [{ picture: '../../etc' }, 'That is no picture that was brought before.'],
])('settings that are none change nothing: %j', async (wrong, detail) => {
  const { ines, at, now } = await published();
  const answered = await ines.request<{ detail: string }>('PATCH', at, { ...SETTINGS, ...wrong });
  expect(answered.status).toBe(400);
  expect(answered.body.detail).toMatch(detail);
  expect(await now()).toMatchObject(SETTINGS);
});

describe('the page at the address', () => {
  const page = async (code: string, headers: Record<string, string> = {}) => {
    const response = await fetch(`${server.url}/at/${code}`, { headers });
    return {
      text: await response.text(),
      ancestors: /frame-ancestors ([^;]*)/.exec(
        response.headers.get('content-security-policy')!,
      )?.[1],
      frameOptions: response.headers.get('x-frame-options'),
    };
  };

  it('is a card for those who show addresses, with the picture of the first slide', async () => {
    const ines = await signUp(server.url);
    const form = new FormData();
    const bytes = await sharp({
      create: { width: 64, height: 36, channels: 3, background: 'teal' },
    })
      .png()
      .toBuffer();
    form.append('file', new Blob([new Uint8Array(bytes)]), 'first.png');
    const { body } = await ines.post<{ hash: string }>('assets', form);
    expect((await anyone().get(`assets/${body.hash}`)).status).toBe(404);
    const { code, ines: owner, at } = await published({ picture: body.hash });
    expect((await anyone().get(`assets/${body.hash}`)).status).toBe(200);
    const { text } = await page(code);
    expect(text).toContain('<meta property="og:title" content="Tides">');
    expect(text).toContain(`content="${server.url}/api/published/${code}/picture"`);
    const picture = await fetch(`${server.url}/api/published/${code}/picture`);
    expect([picture.status, picture.headers.get('content-type')]).toEqual([200, 'image/png']);
    await owner.request('PATCH', at, { ...SETTINGS, pass: 'lantern' });
    expect((await anyone().get(`assets/${body.hash}`)).status).toBe(404);
    const reader = anyone();
    await reader.post(`published/${code}/pass`, { pass: 'lantern' });
    expect((await reader.get(`assets/${body.hash}`)).status).toBe(200);
    await owner.request('DELETE', at);
    expect((await reader.get(`assets/${body.hash}`)).status).toBe(404);
  });

  it('tells nothing of a deck with a pass word, and its title is text, whatever is in it', async () => {
    const secret = await published({ pass: 'lantern' });
    expect((await page(secret.code)).text).not.toContain('og:');
    const { ines, deckId, code, publish } = await published();
    const deck = await ines.open(`deck:${deckId}`);
    deck.doc.getMap('deck').set('title', `"><script>alert('x')</script>`);
    await deck.acknowledged();
    await publish();
    const { text } = await page(code);
    expect(text).toContain('&quot;&gt;&lt;script&gt;');
    expect(text).not.toContain('<script>alert');
  });

  it('stands on the sites that are listed, on all, or on none, and says so elsewhere', async () => {
    const nowhere = await published();
    expect(await page(nowhere.code)).toMatchObject({ ancestors: "'self'", frameOptions: null });
    const all = await published({ sites: null });
    expect((await page(all.code)).ancestors).toBe('*');
    const some = await published({ sites: ['School.example', 'http://localhost:8080/pages'] });
    expect((await page(some.code)).ancestors).toBe(
      "'self' https://school.example http://localhost:8080",
    );
    const framed = (site: string) =>
      page(some.code, { 'sec-fetch-dest': 'iframe', referer: `${site}/a/page` });
    expect((await framed('https://school.example')).text).toContain('the page');
    const other = await framed('https://other.example');
    expect(other.text).toContain('may not be shown on this site');
    expect(other.text).not.toContain('the page');
    // A deck that is gone says so also where it stood.
    expect((await page('mika-rute-sola-bino')).ancestors).toBe('*');
  });
});

test('the school’s site shows what frames a published deck of this server, and nothing else', async () => {
  const site = async (html: string): Promise<string> =>
    (await fetch(`${server.url}/stand-ins/school-site?html=${encodeURIComponent(html)}`)).text();
  const port = new URL(server.url).port;
  const ours = await site(
    `<iframe src="http://localhost:${port}/at/mika-rute-sola-bino" title="Tides" width="640" height="404"></iframe>`,
  );
  expect(ours).toContain(
    `<iframe src="http://localhost:${port}/at/mika-rute-sola-bino" title="Tides" style="width:640px;height:404px"`,
  );
  for (const wrong of [
    '<iframe src="https://elsewhere.example/at/mika-rute-sola-bino"></iframe>',
    `<iframe src="http://localhost:${port}/deck/x"></iframe>`,
    '<iframe src="javascript:alert(1)"></iframe>',
    '<script>alert(1)</script>',
  ]) {
    const shown = await site(wrong);
    expect(shown).toContain('There is no frame of a published deck in that.');
    expect(shown).not.toContain('<iframe');
    expect(shown).not.toContain('<script');
  }
});

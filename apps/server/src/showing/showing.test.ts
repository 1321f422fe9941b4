import {
  readShow,
  shownSlide,
  type PublishedDeck,
  type GivenShow,
  type SteeredShow,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import { openClassroom, SECRETS, type Classroom } from '../testing/classroom.js';
import { signUp, startServer, until, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer({ proxies: 1 });
  room = await openClassroom(server);
});
afterAll(() => server.stop());

async function give(): Promise<GivenShow> {
  const { body } = await room.ines.post<{ show: GivenShow }>(`decks/${room.deckId}/show`);
  return body.show;
}
async function follower(code: string): Promise<Visitor> {
  const visitor = new Visitor(server.url);
  expect((await visitor.post('follow', { code })).status).toBe(200);
  return visitor;
}
const place = (slideId: string, by = 'laptop', count = 1): string =>
  JSON.stringify({ kind: 'place', walk: [{ slideId, via: 'jump' }], by, count });

test('a show is followed without an account, steered from two devices, and ends for all of them', async () => {
  const show = await give();
  expect(await give()).toEqual(show);
  const tia = await follower(show.code.toLowerCase().replace(' ', ''));
  const { body } = await tia.get<PublishedDeck>(`shows/${show.id}/edition`);
  expect(body.edition.slides.pier).toBeDefined();
  const laptop = await room.ines.open(`show:${show.id}`);
  const followed = await tia.open(`show:${show.id}`);
  laptop.provider.sendStateless(place('pier'));
  await until(() => shownSlide(readShow(followed.doc).place) === 'pier');

  const phone = new Visitor(server.url);
  const { body: invited } = await room.ines.post<{ code: string }>(`shows/${show.id}/remotes`);
  expect((await phone.post('remotes', { code: invited.code })).status).toBe(200);
  // The code is used up.
  expect((await new Visitor(server.url).post('remotes', { code: invited.code })).status).toBe(404);
  expect((await phone.get<{ id: string }>('remotes/mine')).body.id).toBe(show.id);
  const { body: held } = await phone.get<SteeredShow>(`shows/${show.id}/deck`);
  expect(held.deck.slides.pier?.notes).toBe(SECRETS.note);
  const remote = await phone.open(`show:${show.id}`);
  remote.provider.sendStateless(place('lamp', 'phone'));
  await until(() => shownSlide(readShow(laptop.doc).place) === 'lamp');
  await until(() => shownSlide(readShow(followed.doc).place) === 'lamp');

  // Let go, it steers no more.
  await room.ines.request('DELETE', `shows/${show.id}/remotes`);
  expect((await phone.get<{ id: string | null }>('remotes/mine')).body.id).toBeNull();
  await expect(phone.open(`show:${show.id}`)).rejects.toThrow();

  const everything = tia.received.join('\n');
  for (const secret of Object.values(SECRETS)) expect(everything).not.toContain(secret);
  await room.ines.request('DELETE', `shows/${show.id}`);
  await until(() => readShow(followed.doc).ended !== null);
  expect((await tia.get(`shows/${show.id}/edition`)).status).toBe(404);
  expect((await new Visitor(server.url).post('follow', { code: show.code })).status).toBe(404);
  const [{ editions }] = await server.app
    .get(DataSource)
    .query<[{ editions: number }]>(
      'SELECT count(*)::int AS editions FROM edition WHERE id IN (SELECT edition_id FROM show)',
    );
  expect(editions).toBe(0);
});

test('who follows says nothing, writes nothing, and opens nothing else', async () => {
  const show = await give();
  const tia = await follower(show.code);
  const laptop = await room.ines.open(`show:${show.id}`);
  laptop.provider.sendStateless(place('pier'));
  await until(() => shownSlide(readShow(laptop.doc).place) === 'pier');
  const followed = await tia.open(`show:${show.id}`);
  followed.provider.sendStateless(place('lamp', 'tia'));
  followed.doc.getMap('show').set('place', { walk: [{ slideId: 'lamp', via: 'jump' }] });
  await new Promise((resolve) => setTimeout(resolve, 400));
  expect(shownSlide(readShow(laptop.doc).place)).toBe('pier');
  for (const name of [`deck:${room.deckId}`, `lesson:${room.lessonId}`, `desk:${room.lessonId}`]) {
    await expect(tia.open(name)).rejects.toThrow();
  }
  expect((await tia.get(`shows/${show.id}/deck`)).status).toBe(404);
  expect((await tia.post(`shows/${show.id}/remotes`)).status).toBe(404);
  // Not with another show's id, nor a sign that was made up.
  const forged = new Visitor(server.url);
  const [name, value] = [...tia.cookies].find(([key]) => key.includes('follower'))!;
  forged.cookies.set(name, `${show.id}.abcdefgh.${value.split('.')[2]!}`);
  expect((await forged.get(`shows/${show.id}/edition`)).status).toBe(404);
  await expect(forged.open(`show:${show.id}`)).rejects.toThrow();
  await room.ines.request('DELETE', `shows/${show.id}`);
});

test('what a teacher’s own device writes into the document of a show is not taken', async () => {
  const show = await give();
  const laptop = await room.ines.open(`show:${show.id}`);
  laptop.doc.getMap('show').set('version', 'forged');
  laptop.doc.getMap('show').set('ended', { readAt: 'x' });
  const again = await room.ines.open(`show:${show.id}`);
  expect(readShow(again.doc)).toMatchObject({ ended: null });
  expect(readShow(again.doc).version).not.toBe('forged');
  await room.ines.request('DELETE', `shows/${show.id}`);
});

test('a show is where it was after everybody has left it; the deck as it is now is given out again', async () => {
  const show = await give();
  const tia = await follower(show.code);
  const laptop = await room.ines.open(`show:${show.id}`);
  laptop.provider.sendStateless(place('pier'));
  await until(() => shownSlide(readShow(laptop.doc).place) === 'pier');
  laptop.close();
  const placed = async (): Promise<boolean> => {
    const [row] = await server.app
      .get(DataSource)
      .query<{ place: object | null }[]>('SELECT place FROM show WHERE id = $1', [show.id]);
    return row!.place !== null;
  };
  await until(placed);
  const followed = await tia.open(`show:${show.id}`);
  expect(shownSlide(readShow(followed.doc).place)).toBe('pier');
  const { version } = readShow(followed.doc);
  expect((await room.ines.post(`shows/${show.id}/edition`)).status).toBe(204);
  expect(readShow(followed.doc).version).toBe(version);
  const deck = await room.ines.open(`deck:${room.deckId}`);
  deck.doc.getMap('deck').set('title', 'Tides at night');
  await deck.acknowledged();
  await room.ines.post(`shows/${show.id}/edition`);
  await until(() => readShow(followed.doc).version !== version);
  const { body } = await tia.get<PublishedDeck>(`shows/${show.id}/edition`);
  expect(body.edition.title).toBe('Tides at night');
  await room.ines.request('DELETE', `shows/${show.id}`);
});

test('a show ends by itself: with its deck, and after half a day; another teacher has none of it', async () => {
  const show = await give();
  const tia = await follower(show.code);
  const nora = await signUp(server.url);
  for (const [method, path] of [
    ['DELETE', `shows/${show.id}`],
    ['POST', `shows/${show.id}/remotes`],
    ['GET', `decks/${room.deckId}/show`],
  ] as const) {
    expect((await nora.request(method, path)).status).toBe(404);
  }
  const database = server.app.get(DataSource);
  await database.query(`UPDATE show SET started_at = now() - interval '13 hours' WHERE id = $1`, [
    show.id,
  ]);
  expect((await tia.get(`shows/${show.id}/edition`)).status).toBe(404);
  const next = await give();
  expect(next.id).not.toBe(show.id);
  const [old] = await database.query<{ ended_at: Date | null }[]>(
    'SELECT ended_at FROM show WHERE id = $1',
    [show.id],
  );
  expect(old!.ended_at).not.toBeNull();
  const tess = await follower(next.code);
  await room.ines.request('DELETE', `decks/${room.deckId}`);
  expect((await tess.get(`shows/${next.id}/edition`)).status).toBe(404);
});

test('codes are not guessed for long', async () => {
  const guess = (path: string, n: number) =>
    new Visitor(server.url).request(
      'POST',
      path,
      { code: `TERN ${222 + n}` },
      {
        'x-forwarded-for': '10.9.8.7',
      },
    );
  for (const path of ['follow', 'remotes']) {
    let last = 0;
    for (let n = 0; n < 65 && last !== 429; n++) last = (await guess(path, n)).status;
    expect(last).toBe(429);
  }
});

import type { NewElement } from '@gobrel/core';
import { deck, element, leftOut, slide, way } from '@gobrel/core/testing';
import { DataSource } from 'typeorm';
import { openClassroom } from '../testing/classroom.js';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';
import { hashesIn, letGo } from './uses.js';

let server: TestServer;
let ines: Visitor;
beforeAll(async () => {
  server = await startServer();
  ines = await signUp(server.url);
});
afterAll(() => server.stop());

/** A WAV of a hundred samples, told from others by its first. */
const wav = (first: number): Buffer =>
  Buffer.concat([
    Buffer.from(
      '524946460000000057415645666d74201000000001000100401f0000401f0000010008006461746100000000',
      'hex',
    ),
    Buffer.alloc(100, first),
  ]);

async function kept(where: 'media' | 'files', bytes: Buffer | string): Promise<string> {
  const form = new FormData();
  form.append('file', new Blob([new Uint8Array(Buffer.from(bytes))]), 'kept');
  const { status, body } = await ines.request<{ hash: string }>('POST', where, form);
  expect(status).toBe(201);
  return body.hash;
}

const gets = async (who: Visitor, path: string): Promise<boolean> =>
  (await fetch(`${server.url}/api/${path}`, { headers: { cookie: who.cookie } })).status === 200;

const sound = (hash: string): NewElement => ({
  kind: 'media',
  medium: 'sound',
  name: 'horn',
  layer: 'content',
  box: { x: 0, y: 0, w: 300, h: 80 },
  media: { hash, type: 'audio/wav', size: 144, seconds: 0.1 },
});

test('a sound and a file are given to those who may read what uses them, and to nobody else', async () => {
  const [heard, hidden] = [await kept('media', wav(1)), await kept('media', wav(2))];
  const file = await kept('files', 'The tides of Petrel Isle');
  const room = await openClassroom(
    server,
    deck(
      slide(
        'pier: The pier',
        element(sound(heard)),
        way('Tides', { kind: 'file', file: { hash: file, name: 'tides.txt', size: 24 } }),
      ),
      slide('hidden: Hidden', leftOut(), element(sound(hidden))),
    ),
  );
  const ada = await room.join('Ada');
  const elsewhere = await (await openClassroom(server)).join('Bela');
  const tomas = await signUp(server.url, 'Tomas');
  const open = [`media/${heard}`, `files/${file}/tides.txt`];
  for (const path of open) {
    // Ines has brought it; who teaches the room and who learns there may read the deck.
    for (const who of [ines, room.ines, ada]) expect(await gets(who, path)).toBe(true);
    for (const who of [elsewhere, tomas, new Visitor(server.url)])
      expect(await gets(who, path)).toBe(false);
  }
  expect(await gets(room.ines, `media/${hidden}`)).toBe(true);
  expect(await gets(ada, `media/${hidden}`)).toBe(false);
  await room.ines.request('DELETE', `lessons/${room.lessonId}/students/${ada.folioId}`);
  for (const path of open) expect(await gets(ada, path)).toBe(false);
});

test('what nothing uses goes after a while, and comes back when it is sent again', async () => {
  const [used, unused] = [await kept('media', wav(3)), await kept('media', wav(4))];
  const file = await kept('files', 'nobody links to this');
  const room = await openClassroom(server, deck(slide('pier: The pier', element(sound(used)))));
  const database = server.app.get(DataSource);
  const grow = async (): Promise<void> => {
    for (const table of ['media', 'file'])
      await database.query(
        `UPDATE ${table} SET created_at = now() - interval '8 days' WHERE hash = ANY($1)`,
        [[used, unused, file]],
      );
  };
  await grow();
  // Sent once more just now: somebody is about to use it.
  await kept('files', 'nobody links to this');
  await letGo(database);
  expect(await gets(room.ines, `media/${used}`)).toBe(true);
  expect(await gets(ines, `media/${unused}`)).toBe(false);
  expect(await gets(ines, `files/${file}/x`)).toBe(true);
  await grow();
  await letGo(database);
  expect(await gets(ines, `files/${file}/x`)).toBe(false);
  await kept('media', wav(4));
  expect(await gets(ines, `media/${unused}`)).toBe(true);
});

test('names are found in any bytes as their definition says', () => {
  /** A run's first 64 digits, where no digit stands before. */
  const plainly = (bytes: Buffer): string[] => [
    ...new Set(bytes.toString('latin1').match(/(?<![0-9a-f])[0-9a-f]{64}/g)),
  ];
  let state = 20261128;
  const below = (most: number): number => (state = (state * 48271) % 2147483647) % most;
  let found = 0;
  for (let turn = 0; turn < 3000; turn++) {
    const share = turn % 5 === 0 ? 60 : 985;
    const bytes = Buffer.from(
      Array.from({ length: below(400) }, () =>
        below(1000) < share ? '0123456789abcdef'.charCodeAt(below(16)) : below(256),
      ),
    );
    const names = hashesIn(bytes);
    expect(names).toEqual(plainly(bytes));
    found += names.length;
  }
  expect(found).toBeGreaterThan(1000);
  // A letter of two bytes is no digit, also when its last byte would be one by itself.
  expect(hashesIn('\u0161'.repeat(64))).toEqual([]);
});

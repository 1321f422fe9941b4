import { addChoice, answer, readDeck, readFolio, readLessonState } from '@gobrel/core';
import * as encoding from 'lib0/encoding';
import { DataSource } from 'typeorm';
import WebSocket from 'ws';
import * as Y from 'yjs';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { startServer, until, Visitor, type TestServer } from '../testing/testServer.js';
import { UpdateStore } from './UpdateStore.js';

let server: TestServer;
let room: Classroom;
let ada: Visitor & { folioId: string };
let bela: Visitor & { folioId: string };
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
  ada = await room.join('Ada');
  bela = await room.join('Bela');
});
afterEach(() => {
  ada.close();
  bela.close();
  room.ines.close();
});
afterAll(() => server.stop());

const storedBytes = async (name: string): Promise<number> =>
  (await server.app.get(UpdateStore).load(name)).bytes;

test('a student’s socket opens neither the deck, nor the desk, nor another student’s folio', async () => {
  for (const name of [`deck:${room.deckId}`, `desk:${room.lessonId}`, `folio:${bela.folioId}`]) {
    await expect(ada.open(name)).rejects.toThrow('not-yours');
  }
});

test('what may only be read cannot be written, and nobody else sees the try', async () => {
  const state = await ada.open(`lesson:${room.lessonId}`);
  const other = await bela.open(`lesson:${room.lessonId}`);
  state.doc.getMap('lesson').set('99', { version: 99, pace: 'together', isEnded: true });
  const teacher = await room.ines.open(`folio:${ada.folioId}`);
  const own = await ada.open(`folio:${ada.folioId}`);
  answer(teacher.doc, 'q', { kind: 'choice', optionIds: ['a'] }, 1);
  answer(own.doc, 'mark', { kind: 'choice', optionIds: [] }, 1);
  await own.acknowledged();
  await until(() => readFolio(teacher.doc).answers.mark !== undefined);
  expect(readFolio(own.doc).answers.q).toBeUndefined();
  expect(readLessonState(other.doc)).toMatchObject({ pace: 'own', isEnded: false });
  expect(await storedBytes(`lesson:${room.lessonId}`)).toBe(0);
});

/** A raw socket that authenticates on a document and then sends what it likes; resolves when it is put out. */
function rawSocket(who: Visitor, name: string, send: Uint8Array[]): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = new WebSocket(`${server.url.replace('http', 'ws')}/sync`, {
      headers: { cookie: who.cookie, origin: server.url },
    });
    const timer = setTimeout(() => {
      socket.terminate();
      reject(new Error('it was let be'));
    }, 50_000);
    socket.on('open', () => {
      socket.send(
        message(name, 2, (e) => {
          encoding.writeVarUint(e, 0);
          encoding.writeVarString(e, 'cookie');
        }),
      );
      setTimeout(() => send.forEach((bytes) => socket.send(bytes)), 150);
    });
    const done = (reason: string): void => {
      clearTimeout(timer);
      socket.terminate();
      resolve(reason);
    };
    socket.on('close', () => done('socket closed'));
    socket.on('message', (data: Buffer) => {
      const text = data.toString('latin1');
      for (const reason of ['not-understood', 'too-large']) if (text.includes(reason)) done(reason);
    });
  });
}

function message(
  name: string,
  type: number,
  rest: (encoder: encoding.Encoder) => void,
): Uint8Array {
  const encoder = encoding.createEncoder();
  encoding.writeVarString(encoder, name);
  encoding.writeVarUint(encoder, type);
  rest(encoder);
  return encoding.toUint8Array(encoder);
}

const updateMessage = (name: string, update: Uint8Array): Uint8Array =>
  message(name, 0, (e) => {
    encoding.writeVarUint(e, 2);
    encoding.writeVarUint8Array(e, update);
  });

test('forged messages close the connection and leave nothing behind', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const folio = `folio:${ada.folioId}`;
  const lesson = `lesson:${room.lessonId}`;
  const before = await storedBytes(folio);
  const broadcast = message(lesson, 6, (e) => encoding.writeVarString(e, 'to everyone'));
  const presence = message(lesson, 1, (e) => encoding.writeVarUint8Array(e, new Uint8Array([0])));
  expect(await rawSocket(ada, lesson, [broadcast])).toBe('not-understood');
  expect(await rawSocket(ada, lesson, [presence])).toBe('not-understood');
  expect(
    await rawSocket(ada, folio, [updateMessage(folio, new Uint8Array([9, 9, 9, 9, 200]))]),
  ).toBe('not-understood');
  expect(await rawSocket(ada, folio, [new Uint8Array(3_000_000)])).toBe('socket closed');
  expect(await storedBytes(folio)).toBe(before);
  quiet.mockRestore();
});

test('a teacher may paste more at once than a student’s device may send', async () => {
  const open = await room.ines.open(`deck:${room.deckId}`);
  open.doc.getMap('slides').set('large', new Y.Map([['notes', 'x'.repeat(4_000_000)]]));
  await open.acknowledged();
  open.doc.getMap('slides').delete('large');
  await open.acknowledged();
  open.close();
});

test('a socket from another site is not let in', async () => {
  const refused = new Promise<string>((resolve) => {
    const socket = new WebSocket(`${server.url.replace('http', 'ws')}/sync`, {
      headers: { cookie: ada.cookie, origin: 'https://elsewhere.example' },
    });
    socket.on('open', () => resolve('open'));
    socket.on('error', (error) => resolve(error.message));
  });
  expect(await refused).toContain('403');
});

test('an acknowledged update is in the database', async () => {
  const open = await room.ines.open(`deck:${room.deckId}`);
  for (let i = 0; i < 20; i++) {
    const added = addChoice(open.doc, 'pier', `choice ${i}`);
    await open.acknowledged();
    const { doc } = await server.app.get(UpdateStore).load(`deck:${room.deckId}`);
    expect(added.ok && readDeck(doc).slides[added.slideId]?.title).toBe(`choice ${i}`);
  }
});

test('while the disk waits a change is passed on at once, and acknowledged on no device until it is kept', async () => {
  const name = `folio:${ada.folioId}`;
  const [laptop, desk] = [await ada.open(name), await room.ines.open(name)];
  const lock = server.app.get(DataSource).createQueryRunner();
  await lock.startTransaction();
  await lock.query('LOCK TABLE doc_update IN SHARE MODE');
  answer(laptop.doc, 'q', { kind: 'choice', optionIds: ['late'] }, 1);
  await until(() => JSON.stringify(readFolio(desk.doc)).includes('late'));
  // A copy of the laptop's document on another device, which then has nothing of its own to add.
  const copy = new Y.Doc();
  Y.applyUpdate(copy, Y.encodeStateAsUpdate(laptop.doc));
  const phone = await ada.open(name, copy);
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect([laptop.provider.hasUnsyncedChanges, phone.provider.hasUnsyncedChanges]).toEqual([
    true,
    true,
  ]);
  await lock.rollbackTransaction();
  await lock.release();
  await Promise.all([laptop.acknowledged(), phone.acknowledged()]);
  const stored = await server.app.get(UpdateStore).load(name);
  expect(JSON.stringify(readFolio(stored.doc).answers.q)).toContain('late');
});

test('an update that the database refuses for a while is tried until it is kept', async () => {
  const database = server.app.get(DataSource);
  const open = await ada.open(`folio:${ada.folioId}`);
  await database.query('ALTER TABLE doc_update RENAME TO doc_update_away');
  answer(open.doc, 'q', { kind: 'choice', optionIds: ['kept'] }, 2);
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(open.provider.hasUnsyncedChanges).toBe(true);
  await database.query('ALTER TABLE doc_update_away RENAME TO doc_update');
  await open.acknowledged();
  const { doc } = await server.app.get(UpdateStore).load(`folio:${ada.folioId}`);
  expect(JSON.stringify(readFolio(doc).answers.q)).toContain('kept');
});

test('compacting keeps what the document says and takes fewer rows', async () => {
  const store = server.app.get(UpdateStore);
  const doc = new Y.Doc();
  doc.on('update', (update: Uint8Array) => void store.append('test', update));
  for (let i = 0; i < 300; i++) doc.getMap('m').set(`k${i % 10}`, i);
  await store.append('test', Y.encodeStateAsUpdate(doc));
  const rows = async (): Promise<number> =>
    Number(
      (
        await server.app
          .get(DataSource)
          .query<{ n: string }[]>(`SELECT count(*) AS n FROM doc_update WHERE name = 'test'`)
      )[0]!.n,
    );
  expect(await rows()).toBe(301);
  expect(await store.compact('test')).toBe(true);
  expect(await rows()).toBe(0);
  doc.getMap('m').set('after', 1);
  await store.append('test', Y.encodeStateAsUpdate(doc));
  const { doc: loaded } = await store.load('test');
  expect(loaded.getMap('m').toJSON()).toEqual(doc.getMap('m').toJSON());
});

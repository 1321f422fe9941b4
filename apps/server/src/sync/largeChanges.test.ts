import { answer } from '@gobrel/core';
import * as Y from 'yjs';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { startServer, type TestServer } from '../testing/testServer.js';
import { SyncService } from './SyncService.js';
import { UpdateStore } from './UpdateStore.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const MUCH = 1500;

/** As much as a whole lesson without a network brings, and more: some thousand changes in one message. */
function changeMuch(doc: Y.Doc): void {
  doc.transact(() => {
    const answers = doc.getMap('answers');
    for (let at = 0; at < MUCH; at += 1)
      answers.set(
        `q${at}`,
        new Y.Map([
          ['a', 1],
          ['b', at],
        ]),
      );
  });
}

const stored = async (name: string): Promise<number> =>
  (await server.app.get(UpdateStore).load(name)).doc.getMap('answers').size;

test('a large change of one is taken after what others say meanwhile, and all of it is on disk when it is acknowledged', async () => {
  const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
  const name = `folio:${ada.folioId}`;
  const large = await ada.open(name);
  const small = await bela.open(`folio:${bela.folioId}`);
  const kept: string[] = [];
  changeMuch(large.doc);
  const all = [large.acknowledged().then(() => kept.push('large'))];
  answer(small.doc, 'q', { kind: 'choice', optionIds: ['a'] }, 1);
  all.push(small.acknowledged().then(() => kept.push('small')));
  // What she says after it waits for it: the order in which somebody wrote is kept.
  answer(large.doc, 'last', { kind: 'choice', optionIds: ['a'] }, 2);
  await Promise.all(all);
  expect(kept).toEqual(['small', 'large']);
  expect(await stored(name)).toBe(MUCH + 1);
  for (const who of [ada, bela]) who.close();
});

test('a lesson that is held in the middle of a large change takes no more of it, and the rest comes afterwards', async () => {
  const cleo = await room.join('Cleo');
  const name = `folio:${cleo.folioId}`;
  const open = await cleo.open(name);
  const sync = server.app.get(SyncService);
  const held = new Promise<() => void>((resolve) => {
    sync.hocuspocus.documents.get(name)!.once('update', () => resolve(sync.freeze(name)));
  });
  changeMuch(open.doc);
  await held;
  await new Promise((resolve) => setTimeout(resolve, 300));
  const some = await stored(name);
  expect(some).toBeGreaterThan(0);
  expect(some).toBeLessThan(MUCH);
  expect(open.provider.hasUnsyncedChanges).toBe(true);
  sync.reopen(name);
  open.close();
  const again = await cleo.open(name);
  Y.applyUpdate(again.doc, Y.encodeStateAsUpdate(open.doc));
  await again.acknowledged();
  expect(await stored(name)).toBe(MUCH);
  cleo.close();
});

test('a device that goes in the middle of a large change brings the rest when it comes back', async () => {
  const dora = await room.join('Dora');
  const name = `folio:${dora.folioId}`;
  const open = await dora.open(name);
  const teacher = await room.ines.open(name);
  const begun = new Promise((resolve) => teacher.doc.once('update', resolve));
  changeMuch(open.doc);
  await begun;
  open.close();
  const again = await dora.open(name);
  Y.applyUpdate(again.doc, Y.encodeStateAsUpdate(open.doc));
  await again.acknowledged();
  expect(await stored(name)).toBe(MUCH);
  for (const who of [dora, room.ines]) who.close();
});

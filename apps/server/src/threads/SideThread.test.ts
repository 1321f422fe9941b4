import { resolve } from 'node:path';
import * as Y from 'yjs';
import type { Cut, ToCut } from '../sync/cuttingWorker.js';
import { SideThread } from './SideThread.js';

const cutting = (): SideThread<ToCut, Cut | null> =>
  new SideThread({
    file: resolve('apps/server/dist/sync/cuttingWorker.js'),
    memory: 500,
    young: 4,
  });
const cutter = cutting();
afterAll(() => cutter.close());

function written(changes: number): Y.Doc {
  const doc = new Y.Doc();
  for (let at = 0; at < changes; at += 1) doc.getMap('answers').set(`q${at}`, { at });
  return doc;
}

test('an update is cut into pieces that make the same document', async () => {
  const doc = written(2500);
  const update = Y.encodeStateAsUpdate(doc);
  const cut = await cutter.do('a', { update, most: 1000, known: null });
  expect(cut).toMatchObject({ changes: 2500, isKnown: false });
  expect(cut!.pieces).toHaveLength(3);
  const again = new Y.Doc();
  for (const piece of cut!.pieces) Y.applyUpdate(again, piece);
  expect(again.getMap('answers').toJSON()).toEqual(doc.getMap('answers').toJSON());
});

test('what a document holds already is not cut; what it lacks is', async () => {
  const doc = written(50);
  const known = Y.encodeSnapshot(Y.snapshot(doc));
  const all = Y.encodeStateAsUpdate(doc);
  await expect(cutter.do('a', { update: all, most: 10, known })).resolves.toEqual({
    changes: 50,
    isKnown: true,
    pieces: [],
  });
  doc.getMap('answers').delete('q7');
  const more = Y.encodeStateAsUpdate(doc);
  await expect(cutter.do('a', { update: more, most: 10, known })).resolves.toMatchObject({
    isKnown: false,
  });
});

test('what is no update is none, and the next one is cut all the same; of one person after another', async () => {
  const update = Y.encodeStateAsUpdate(written(3));
  const order: string[] = [];
  const cut = (who: string, what: Uint8Array): Promise<unknown> =>
    cutter.do(who, { update: what, most: 10, known: null }).then((done) => {
      order.push(who);
      return done;
    });
  const junk = Uint8Array.from({ length: 400 }, (_, at) => (at * 31) % 251);
  const all = [cut('a', junk), cut('a', update), cut('a', update), cut('b', update)];
  const [first, ...others] = await Promise.all(all);
  expect(first).toBeNull();
  for (const done of others) expect(done).toMatchObject({ changes: 3 });
  expect(order).toEqual(['a', 'a', 'b', 'a']);
});

test('when its thread is lost, another one does what it was at; when it is closed, nobody', async () => {
  const own = cutting();
  const order = { update: Y.encodeStateAsUpdate(written(20_000)), most: 5000, known: null };
  const lost = own.do('a', order);
  own.end();
  await expect(lost).resolves.toMatchObject({ changes: 20_000 });
  const never = own.do('a', order);
  own.close();
  await expect(never).resolves.toBeNull();
});

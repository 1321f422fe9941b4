import { median, percentile, describe, report } from './measure.mjs';
import { teacherOf } from './classAtWork.mjs';
import { Device, runServer } from './servers.mjs';
import { openSocket } from './socket.mjs';

/**
 * A slide change in a show that 300 devices follow, until the last of them has it; against as many that read one document
 * of a bare relay. Rounds alternate.
 */
const FOLLOWERS = 300;
const CHANGES = Number(process.env.CHANGES ?? 40);
const ROUNDS = Number(process.env.ROUNDS ?? 3);
const LAMP = '00000000-0000-4000-8000-000000000001';

/** @typedef {Awaited<ReturnType<ReturnType<typeof openSocket>['open']>>} Opened */

/**
 * Milliseconds from each change until the last follower has it.
 * @param {Opened[]} followers @param {(count: number) => void} change @param {(doc: import('yjs').Doc) => unknown} countIn
 * @returns {Promise<number[]>}
 */
async function measured(followers, change, countIn) {
  const took = [];
  for (let n = 0; n < CHANGES; n++) {
    const count = ++changes;
    const all = Promise.all(
      followers.map(
        ({ doc }) =>
          new Promise((resolve) => {
            const look = () => {
              if (countIn(doc) !== count) return;
              doc.off('update', look);
              resolve(undefined);
            };
            doc.on('update', look);
          }),
      ),
    );
    const from = performance.now();
    change(count);
    await all;
    took.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
  return took;
}
let changes = 0;

/** @param {string} url @param {string} name @param {() => Promise<string>} cookieOf @returns {Promise<Opened[]>} */
async function opened(url, name, cookieOf) {
  const all = [];
  for (let n = 0; n < FOLLOWERS; n++) all.push(await openSocket(url, await cookieOf()).open(name));
  return all;
}

const [gobrel, bare] = await Promise.all([
  runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' }),
  runServer('bench/bareRelay.mjs'),
]);
const teacher = await teacherOf(gobrel.url);
const { show } = await teacher.post(`decks/${LAMP}/show`);
const followers = await opened(gobrel.url, `show:${show.id}`, async () => {
  const device = new Device(gobrel.url);
  await device.post('follow', { code: show.code });
  return device.cookie;
});
const presenter = await openSocket(gobrel.url, teacher.cookie).open(`show:${show.id}`);
const readers = await opened(bare.url, 'show', async () => '');
const writer = await openSocket(bare.url).open('show');

const shown = () =>
  measured(
    followers,
    (count) =>
      presenter.provider.sendStateless(
        JSON.stringify({
          kind: 'place',
          walk: [{ slideId: count % 2 ? 'tower' : 'lamp-out', via: 'jump' }],
          by: 'bench',
          count,
        }),
      ),
    (doc) => doc.getMap('show').get('place')?.count,
  );
const relayed = () =>
  measured(
    readers,
    (count) =>
      writer.doc.getMap('show').set('place', { walk: [{ slideId: 'tower', via: 'jump' }], count }),
    (doc) => doc.getMap('show').get('place')?.count,
  );

await relayed();
await shown();
/** @type {number[][]} */
const base = [];
/** @type {number[][]} */
const product = [];
for (let round = 0; round < ROUNDS; round++) {
  base.push(await relayed());
  product.push(await shown());
}
await Promise.all([gobrel.stop(), bare.stop()]);
report({
  name: 'followers-of-a-show',
  bar: 1.5,
  ratio: median(
    product.map((took, at) => percentile(took, 0.95) / percentile(base[at] ?? [1], 0.95)),
  ),
  baseline: describe(base.flat()),
  product: describe(product.flat()),
  note: `from a slide change to the last of ${FOLLOWERS} followers`,
});
process.exit(0);

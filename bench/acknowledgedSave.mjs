import pg from 'pg';
import { describe, percentile, report } from './measure.mjs';
import { openSocket } from './socket.mjs';
import { Device, runServer } from './servers.mjs';

/**
 * From a change to the server's word that it is on disk, one after the other; against a bare INSERT and COMMIT of as
 * many bytes into the same cluster. Both take turns.
 */
const SAVES = Number(process.env.SAVES ?? 600);

const server = await runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' });
const teacher = new Device(server.url);
await teacher.post('session', { email: 'ines@gobrel.example', password: 'petrel-isle-lamp' });
const socket = openSocket(server.url, teacher.cookie);
const { doc, provider } = await socket.open('deck:00000000-0000-4000-8000-000000000002');
const database = new pg.Client({ connectionString: process.env.DATABASE_URL });
await database.connect();
await database.query(
  'CREATE TABLE IF NOT EXISTS bench_row (id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, name text, data bytea)',
);

/** @type {Buffer} */
let lastUpdate = Buffer.alloc(40);
doc.on('update', (update) => (lastUpdate = Buffer.from(update)));

/** @param {number} number */
async function save(number) {
  const start = performance.now();
  const acknowledged = new Promise((resolve) => {
    const check = (/** @type {{ number: number }} */ { number: waiting }) => {
      if (waiting > 0) return;
      provider.off('unsyncedChanges', check);
      resolve(undefined);
    };
    provider.on('unsyncedChanges', check);
  });
  doc.getMap('deck').set('bench', number);
  await acknowledged;
  return performance.now() - start;
}

async function bareInsert() {
  const start = performance.now();
  await database.query('BEGIN');
  await database.query('INSERT INTO bench_row (name, data) VALUES ($1, $2)', ['deck', lastUpdate]);
  await database.query('COMMIT');
  return performance.now() - start;
}

const baseline = [];
const product = [];
for (let number = 0; number < SAVES; number++) {
  const [saved, inserted] = [await save(number), await bareInsert()];
  if (number >= 20) {
    product.push(saved);
    baseline.push(inserted);
  }
}
socket.close();
await database.end();
await server.stop();
report({
  name: 'acknowledged-save',
  bar: 3,
  ratio: percentile(product, 0.95) / percentile(baseline, 0.95),
  baseline: describe(baseline),
  product: describe(product),
  note: 'milliseconds, one change after the other, fsync on',
});

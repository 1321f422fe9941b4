import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { atWork, joinedClass, teacherOf } from './classAtWork.mjs';
import { describe, median, percentile, report } from './measure.mjs';
import { runServer } from './servers.mjs';

/** A class of thirty at work, without and with two hundred readers of a published deck on the same server. Rounds alternate. */
const CLASS = 30;
const READERS = 200;
const SECONDS = Number(process.env.SECONDS ?? 10);
const ROUNDS = Number(process.env.ROUNDS ?? 3);
const LAMP = '00000000-0000-4000-8000-000000000001';

const server = await runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' });
const teacher = await teacherOf(server.url);
await teacher.post(`decks/${LAMP}/publication`, {
  endsAt: null,
  allowsTries: true,
  allowsCopies: false,
  sites: [],
});
const { publication } = await teacher.get(`decks/${LAMP}/publication`);
const { folios } = await joinedClass(teacher, CLASS);
let told = '';

/** @param {boolean} isRead @returns {Promise<number[]>} */
async function measured(isRead) {
  if (!isRead) return atWork(server.url, folios, teacher.cookie, SECONDS);
  const script = join(import.meta.dirname, 'readersAtWork.mjs');
  // They have devices of their own: here they get what nobody else wants.
  const readers = spawn(
    'chrt',
    ['--idle', '0', process.execPath, script, server.url, publication.code, String(READERS)],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  told = '';
  readers.stdout.on('data', (chunk) => (told += String(chunk)));
  await new Promise((resolve) => setTimeout(resolve, 1000));
  const took = await atWork(server.url, folios, teacher.cookie, SECONDS);
  if (readers.exitCode !== null) throw new Error('The readers gave up.');
  const gone = new Promise((resolve) => readers.once('exit', resolve));
  readers.kill('SIGTERM');
  await gone;
  return took;
}

await measured(false);
/** @type {number[][]} */
const alone = [];
/** @type {number[][]} */
const beside = [];
for (let round = 0; round < ROUNDS; round++) {
  alone.push(await measured(false));
  beside.push(await measured(true));
}
await server.stop();
report({
  name: 'readers-beside-class',
  bar: 1.2,
  ratio: median(
    beside.map((took, at) => percentile(took, 0.95) / percentile(alone[at] ?? [1], 0.95)),
  ),
  baseline: describe(alone.flat()),
  product: describe(beside.flat()),
  note: `from a change to the desk, ${CLASS} students without and with ${READERS} readers, who were told ${told}`,
});

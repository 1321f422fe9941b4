import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { atWork, joinedClass, teacherOf } from './classAtWork.mjs';
import { describe, median, percentile, report } from './measure.mjs';
import { runServer } from './servers.mjs';

/**
 * Thirty honest students at work, without and with twenty devices in the same lesson that try to stop them: how long
 * from a change to the desk, how long requests take, and what memory the server takes. Rounds alternate.
 */
const HONEST = 30;
const SECONDS = Number(process.env.SECONDS ?? 10);
const ROUNDS = Number(process.env.ROUNDS ?? 3);

const server = await runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' });
const teacher = await teacherOf(server.url);
const pause = (/** @type {number} */ milliseconds) =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

/** What honest people ask meanwhile, one thing after the other. @param {string} cookie @param {{ isOver: boolean }} round */
async function asking(cookie, round) {
  /** @type {number[]} */
  const took = [];
  for (let turn = 0; !round.isOver; turn++) {
    const path = ['student/lesson', 'student/marks', 'health'][turn % 3];
    const from = performance.now();
    const answer = await fetch(`${server.url}/api/${path}`, { headers: { cookie } });
    await answer.arrayBuffer();
    took.push(performance.now() - from);
    await pause(400);
  }
  return took;
}

const { folios, joinCode } = await joinedClass(teacher, HONEST);
/** @param {'alone' | 'with hostile devices'} how */
async function measured(how) {
  const hostile =
    how === 'alone'
      ? null
      : spawn(
          // They have processors of their own in a school: here they get what nobody else wants.
          'chrt',
          [
            ...['--idle', '0', process.execPath],
            ...[join(import.meta.dirname, 'hostileDevices.mjs'), server.url, joinCode],
          ],
          {
            stdio: ['ignore', 'pipe', 'ignore'],
          },
        );
  let tried = '';
  hostile?.stdout.on('data', (chunk) => (tried += String(chunk)));
  if (hostile) await pause(2000);
  const round = { isOver: false };
  const requests = folios.slice(0, 3).map(({ cookie }) => asking(cookie, round));
  let megabytes = 0;
  const watch = setInterval(() => (megabytes = Math.max(megabytes, server.usage().megabytes)), 200);
  const synced = await atWork(server.url, folios, teacher.cookie, SECONDS);
  round.isOver = true;
  clearInterval(watch);
  const asked = (await Promise.all(requests)).flat();
  if (hostile) {
    if (hostile.exitCode !== null) throw new Error('The hostile devices gave up.');
    const gone = new Promise((resolve) => hostile.once('exit', resolve));
    hostile.kill('SIGTERM');
    await gone;
  }
  return { synced, asked, megabytes, tried: tried.trim() };
}

await measured('alone');
/** @type {Awaited<ReturnType<typeof measured>>[]} */
const alone = [];
/** @type {Awaited<ReturnType<typeof measured>>[]} */
const harried = [];
for (let round = 0; round < ROUNDS; round++) {
  alone.push(await measured('alone'));
  harried.push(await measured('with hostile devices'));
}
await server.stop();

const p95s = (/** @type {typeof alone} */ rounds, /** @type {'synced' | 'asked'} */ what) =>
  rounds.map((round) => percentile(round[what], 0.95));
const ratio = (/** @type {'synced' | 'asked'} */ what) =>
  median(p95s(harried, what).map((value, at) => value / (p95s(alone, what)[at] ?? 1)));
const longest = Math.max(...harried.flatMap(({ asked }) => asked));
report({
  name: 'hostile-class-sync',
  bar: 2,
  ratio: ratio('synced'),
  baseline: describe(alone.flatMap(({ synced }) => synced)),
  product: describe(harried.flatMap(({ synced }) => synced)),
  note: `from a change to the desk, ${HONEST} honest students without and with 20 hostile devices; tried: ${harried.at(-1)?.tried}`,
});
report({
  name: 'hostile-class-requests',
  bar: 2,
  ratio: ratio('asked'),
  baseline: describe(alone.flatMap(({ asked }) => asked)),
  product: describe(harried.flatMap(({ asked }) => asked)),
  note: `requests of honest students; the longest took ${Math.round(longest)} ms (aim 1000)`,
});
report({
  name: 'hostile-class-memory',
  bar: 1.5,
  // Against the class before anybody hostile was there: what they leave behind is theirs.
  ratio: Math.max(...harried.map(({ megabytes }) => megabytes)) / (alone[0]?.megabytes ?? 1),
  baseline: { megabytes: alone.map(({ megabytes }) => megabytes) },
  product: { megabytes: harried.map(({ megabytes }) => megabytes) },
});

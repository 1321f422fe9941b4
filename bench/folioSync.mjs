import { atWork, bareFolios, joinedClass, teacherOf } from './classAtWork.mjs';
import { describe, percentile, report } from './measure.mjs';
import { runServer } from './servers.mjs';

/**
 * 200 students at 5 updates a second each, and a desk that watches all folios: how long from a student's change to
 * the desk's copy of it. Baseline: a bare relay that stores nothing. Product: storing before relaying, projecting
 * into rows, marking and tallying. Rounds alternate, so that both see the same machine.
 */
const STUDENTS = Number(process.env.STUDENTS ?? 200);
const SECONDS = Number(process.env.SECONDS ?? 8);
const ROUNDS = Number(process.env.ROUNDS ?? 5);

const relay = await runServer('bench/bareRelay.mjs');
const server = await runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' });
const teacher = await teacherOf(server.url);

/** @type {number[][]} */
const baseline = [];
/** @type {number[][]} */
const product = [];
const usage = [];
for (let number = 0; number < ROUNDS; number++) {
  const bare = bareFolios(String(number), STUDENTS);
  baseline.push(await atWork(relay.url, bare, '', SECONDS));
  const { folios } = await joinedClass(teacher, STUDENTS);
  const before = server.usage().cpu;
  product.push(await atWork(server.url, folios, teacher.cookie, SECONDS));
  usage.push({
    cpuSeconds: Math.round((server.usage().cpu - before) * 10) / 10,
    megabytes: server.usage().megabytes,
  });
}
const relayUsage = relay.usage();
await relay.stop();
await server.stop();

/** The middle round's p95: a round in which the machine stood still for a moment decides nothing. */
const middle = (/** @type {number[][]} */ rounds) =>
  percentile(
    rounds.map((values) => percentile(values, 0.95)),
    0.5,
  );
const p95s = (/** @type {number[][]} */ rounds) =>
  rounds.map((values) => percentile(values, 0.95).toFixed(1)).join(', ');
report({
  name: 'folio-sync',
  bar: 1.5,
  ratio: middle(product) / middle(baseline),
  baseline: { ...describe(baseline.flat()), megabytes: relayUsage.megabytes },
  product: { ...describe(product.flat()), usage },
  note: `ratio of the middle rounds' p95 to a watching desk, ${STUDENTS} students × 5 a second; p95 by round, ms: bare ${p95s(baseline)}; product ${p95s(product)}`,
});

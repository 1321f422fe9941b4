import { answer, answersMap, place, visit } from '@gobrel/core';
import { describe, percentile, report } from './measure.mjs';
import { openSocket } from './socket.mjs';
import { Device, runServer } from './servers.mjs';

/**
 * 200 students at 5 updates a second each, and a desk that watches all folios: how long from a student's change to
 * the desk's copy of it. Baseline: a bare relay that stores nothing. Product: storing before relaying, projecting
 * into rows, marking and tallying. Rounds alternate, so that both see the same machine.
 */
const STUDENTS = Number(process.env.STUDENTS ?? 200);
const SECONDS = Number(process.env.SECONDS ?? 8);
const ROUNDS = Number(process.env.ROUNDS ?? 5);
const PER_SECOND = 5;

/**
 * @param {string} url
 * @param {{ name: string, cookie: string }[]} folios
 * @param {string} deskCookie
 * @returns {Promise<number[]>} latencies in milliseconds
 */
async function round(url, folios, deskCookie) {
  const desk = openSocket(url, deskCookie);
  /** @type {number[]} */
  const latencies = [];
  const students = [];
  for (const { name, cookie } of folios) {
    const socket = openSocket(url, cookie);
    const { doc } = await socket.open(name);
    /** When each update that the desk has not seen yet was made; updates of one document keep their order. */
    const sent = /** @type {number[]} */ ([]);
    const watched = await desk.open(name);
    watched.doc.on('update', () => {
      const at = sent.shift();
      if (at !== undefined) latencies.push(performance.now() - at);
    });
    doc.on('update', (_update, origin) => origin === 'command' && sent.push(performance.now()));
    students.push({ doc, socket });
  }
  const end = performance.now() + SECONDS * 1000;
  await Promise.all(
    students.map(async ({ doc }, index) => {
      await pause((index / students.length) * (1000 / PER_SECOND));
      for (let turn = 0; performance.now() < end; turn++) {
        work(doc, turn);
        await pause(1000 / PER_SECOND);
      }
    }),
  );
  await pause(1500);
  for (const { socket } of students) socket.close();
  desk.close();
  await pause(500);
  return latencies;
}

/** Mostly pieces moved, now and then an answer or a step. @param {import('yjs').Doc} doc @param {number} turn */
function work(doc, turn) {
  const now = Date.now();
  if (turn % 5 === 3) {
    const optionIds = [['a', 'b', 'c'][(turn + answersMap(doc).size) % 3] ?? 'a'];
    answer(doc, 'q-seen', { kind: 'choice', optionIds }, now);
  } else if (turn % 5 === 4) visit(doc, turn % 2 ? 'wire' : 'keeper-sees', 'start', now);
  else
    place(doc, 'wire', {
      [['copper-wire', 'cotton-string', 'twig'][turn % 3] ?? 'twig']: { x: turn % 900, y: 500 },
    });
}

const pause = (/** @type {number} */ milliseconds) =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

const relay = await runServer('bench/bareRelay.mjs');
const server = await runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' });
const teacher = new Device(server.url);
await teacher.post('session', { email: 'ines@gobrel.example', password: 'petrel-isle-lamp' });

/** @type {number[][]} */
const baseline = [];
/** @type {number[][]} */
const product = [];
const usage = [];
for (let number = 0; number < ROUNDS; number++) {
  baseline.push(
    await round(
      relay.url,
      Array.from({ length: STUDENTS }, (_, index) => ({
        name: `folio:${number}-${index}`,
        cookie: '',
      })),
      '',
    ),
  );
  const deck = '00000000-0000-4000-8000-000000000001';
  const lesson = await teacher.post(`decks/${deck}/lessons`, { allowsTypedNames: true });
  const { joinCode } = await teacher.get(`lessons/${lesson.id}`);
  const folios = [];
  for (let index = 0; index < STUDENTS; index++) {
    const student = new Device(server.url);
    const { folioId } = await student.post('student/join', {
      code: joinCode,
      name: `Student ${index}`,
    });
    folios.push({ name: `folio:${folioId}`, cookie: student.cookie });
  }
  const before = server.usage().cpu;
  product.push(await round(server.url, folios, teacher.cookie));
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
  note: `ratio of the middle rounds' p95 to a watching desk, ${STUDENTS} students × ${PER_SECOND} a second; p95 by round, ms: bare ${p95s(baseline)}; product ${p95s(product)}`,
});

import { openSocket } from './socket.mjs';
import { describe, percentile, report } from './measure.mjs';
import { Device, runServer } from './servers.mjs';

/**
 * A class of 200 that joins within ten seconds: from pressing Join to standing on the first slide, which takes the code,
 * the name, the lesson, and two documents over a socket of one's own. The baseline is the same pattern of visits to a
 * bare relay: one plain request and two documents.
 */
const STUDENTS = Number(process.env.STUDENTS ?? 200);
const WITHIN = 10_000;

const pause = (/** @type {number} */ milliseconds) =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

/** @param {(index: number) => Promise<{ close: () => void }>} join */
async function storm(join) {
  /** @type {number[]} */
  const times = [];
  const open = await Promise.all(
    Array.from({ length: STUDENTS }, async (_, index) => {
      await pause((index / STUDENTS) * WITHIN);
      const from = performance.now();
      const socket = await join(index);
      times.push(performance.now() - from);
      return socket;
    }),
  );
  for (const socket of open) socket.close();
  return times;
}

const relay = await runServer('bench/bareRelay.mjs');
const server = await runServer('apps/server/dist/main.js', { GOBREL_DEMO: '1' });
const teacher = new Device(server.url);
await teacher.post('session', { email: 'ines@gobrel.example', password: 'petrel-isle-lamp' });
const deck = '00000000-0000-4000-8000-000000000001';
const lesson = await teacher.post(`decks/${deck}/lessons`, { allowsTypedNames: true });
const { joinCode } = await teacher.get(`lessons/${lesson.id}`);
const desk = openSocket(server.url, teacher.cookie);
await desk.open(`desk:${lesson.id}`);

const baseline = await storm(async (index) => {
  await fetch(relay.url).catch(() => null);
  const socket = openSocket(relay.url);
  await Promise.all([socket.open(`folio:${index}`), socket.open('lesson:0')]);
  return socket;
});
const before = server.usage();
const product = await storm(async (index) => {
  const student = new Device(server.url);
  await student.post('student/look', { code: joinCode });
  const { folioId } = await student.post('student/join', { code: joinCode, name: `S ${index}` });
  await student.get('student/lesson');
  const socket = openSocket(server.url, student.cookie);
  await Promise.all([socket.open(`folio:${folioId}`), socket.open(`lesson:${lesson.id}`)]);
  return socket;
});
const after = server.usage();
desk.close();
await relay.stop();
await server.stop();
report({
  name: 'join-storm-200',
  // Our own aim; the design sets none.
  bar: 15,
  ratio: percentile(product, 0.95) / percentile(baseline, 0.95),
  baseline: describe(baseline),
  product: describe(product),
  note: `server: ${(after.cpu - before.cpu).toFixed(1)} CPU seconds for ${STUDENTS}, ${after.megabytes} MB`,
});

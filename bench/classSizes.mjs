import { atWork, bareFolios, joinedClass, teacherOf } from './classAtWork.mjs';
import { describe, percentile, report } from './measure.mjs';
import { runServer } from './servers.mjs';

/**
 * What a class costs by its size: the server's processor time and memory for each student at work, beside a bare relay
 * with the same class. Each size has servers of its own, so that memory is that of one class.
 */
const SIZES = (process.env.SIZES ?? '50,200,500').split(',').map(Number);
const SECONDS = Number(process.env.SECONDS ?? 8);

const round = (/** @type {number} */ value, places = 2) => Number(value.toFixed(places));

/** @param {string} script @param {Record<string, string>} env @param {(url: string) => Promise<any>} prepare */
async function measured(script, env, prepare) {
  const server = await runServer(script, env);
  const { folios, cookie } = await prepare(server.url);
  const before = server.usage();
  const latencies = await atWork(server.url, folios, cookie, SECONDS);
  const after = server.usage();
  await server.stop();
  const students = folios.length;
  return {
    p95: percentile(latencies, 0.95),
    shown: {
      students,
      ...describe(latencies),
      cpuMillisecondsPerStudentAndSecond: round(
        ((after.cpu - before.cpu) * 1000) / students / SECONDS,
      ),
      megabytes: after.megabytes,
      kilobytesPerStudent: Math.round(((after.megabytes - before.megabytes) * 1024) / students),
    },
  };
}

/** @type {Awaited<ReturnType<typeof measured>>[]} */
const baseline = [];
/** @type {Awaited<ReturnType<typeof measured>>[]} */
const product = [];
for (const students of SIZES) {
  baseline.push(
    await measured('bench/bareRelay.mjs', {}, async () => ({
      folios: bareFolios('bare', students),
      cookie: '',
    })),
  );
  product.push(
    await measured('apps/server/dist/main.js', { GOBREL_DEMO: '1' }, async (url) => {
      const teacher = await teacherOf(url);
      return { folios: (await joinedClass(teacher, students)).folios, cookie: teacher.cookie };
    }),
  );
}
/** What each student of the largest class costs against one of the smallest: 1 is a cost that grows with the class. */
const perStudent = product.map(({ shown }) => shown.cpuMillisecondsPerStudentAndSecond);
report({
  name: 'class-sizes',
  bar: 2,
  ratio: (perStudent.at(-1) ?? Number.NaN) / (perStudent[0] ?? Number.NaN),
  baseline: baseline.map(({ shown }) => shown),
  product: product.map(({ shown }) => shown),
  note: `ratio of processor time per student, ${SIZES.at(-1)} against ${SIZES[0]}; p95 to the desk against the relay: ${product.map(({ p95 }, at) => `${SIZES[at]}: ${round(p95 / (baseline[at]?.p95 ?? Number.NaN))}`).join(', ')}`,
});

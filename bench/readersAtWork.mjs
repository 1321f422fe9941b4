/**
 * Two hundred readers of a published deck at one address, as at a school: each opens it, fetches its pictures, walks a
 * step every few seconds and looks whether it is still there. Run by `readers.mjs` until it is ended; then it tells what
 * was answered how often, and how long it took.
 */
const [url = '', code = '', count = '200'] = process.argv.slice(2);

const pause = (/** @type {number} */ milliseconds) =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));
/** @type {Record<string, number>} */
const answered = {};
/** @type {number[]} */
const took = [];

/** @param {string} path @param {unknown} [body] */
async function ask(path, body) {
  const from = performance.now();
  const response = await fetch(`${url}/api/${path}`, {
    method: body ? 'POST' : 'GET',
    headers: { origin: url, ...(body ? { 'content-type': 'application/json' } : {}) },
    body: body ? JSON.stringify(body) : undefined,
  });
  const text = await response.text();
  took.push(performance.now() - from);
  const kind = `${path.split('/')[0]} ${response.status}`;
  answered[kind] = (answered[kind] ?? 0) + 1;
  return text;
}

/** @param {number} number */
async function reader(number) {
  await pause(number * 10);
  const { edition } = JSON.parse(await ask(`published/${code}`));
  const pictures = [...new Set(JSON.stringify(edition).match(/[0-9a-f]{64}/g) ?? [])];
  // A page fetches those of the slides that it shows.
  for (const hash of pictures.slice(0, 12)) await ask(`assets/${hash}?w=1280`);
  const slides = Object.keys(edition.slides);
  for (let step = 0; ; step++) {
    const slideId = slides[(number + step) % slides.length];
    await ask(`published/${code}/steps`, { steps: [{ slideId, via: step ? 'jump' : 'start' }] });
    await pause(2500);
    await ask(`published/${code}/version`);
    await pause(2500);
  }
}

for (let number = 0; number < Number(count); number++) void reader(number);
process.on('SIGTERM', () => {
  took.sort((a, b) => a - b);
  const p95 = Math.round(took[Math.floor(took.length * 0.95)] ?? 0);
  process.stdout.write(`${JSON.stringify(answered)}, p95 ${p95} ms`, () => process.exit(0));
});

import { readFileSync, writeFileSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openBrowser } from './browser.mjs';
import { crowdedDeck } from './crowdedDeck.mjs';
import { describe, median, report } from './measure.mjs';

/**
 * A deck of 300 slides with 20 things each that is taken along: what its making holds up on the page of who makes it, and
 * how long its file takes to open. The baseline of opening is the same file with a script that only writes a word.
 */
const ROUNDS = 9;
const { page, context, putDeck, close } = await openBrowser();
const folder = await mkdtemp(join(tmpdir(), 'gobrel-along-'));
const file = join(folder, 'deck.html');

const { address } = await putDeck(crowdedDeck(300, 20));
await page.goto(`${address}/map`);
await page.getByRole('button', { name: 'Share' }).click();
await page.evaluate(() => {
  const kept = /** @type {{ tasks: number[] } & typeof globalThis} */ (globalThis);
  kept.tasks = [];
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) kept.tasks.push(duration);
  }).observe({ type: 'longtask' });
});
const save = page.getByRole('button', { name: 'Save the file' });
const [longest, made] = /** @type {[number[], number[]]} */ ([[], []]);
for (let round = 0; round < ROUNDS; round += 1) {
  await page.getByRole('radio', { name: 'With anyone' }).click();
  await page.waitForTimeout(round === 0 ? 5000 : 1000);
  const tasksNow = () =>
    page.evaluate(() =>
      /** @type {{ tasks: number[] } & typeof globalThis} */ (globalThis).tasks.splice(0),
    );
  await tasksNow();
  const from = performance.now();
  await page.getByRole('radio', { name: 'Take along' }).click();
  await save.waitFor();
  made.push(performance.now() - from);
  longest.push(Math.max(0, ...(await tasksNow())));
}
const [download] = await Promise.all([page.waitForEvent('download'), save.click()]);
await download.saveAs(file);

const whole = readFileSync(file, 'utf8');
const script = whole.lastIndexOf('<script type="module">');
const plain = join(folder, 'plain.html');
writeFileSync(
  plain,
  // As many bytes, in something that is not run.
  `${whole.slice(0, script)}<script type="text/plain">${whole.slice(script + 22)}<script>document.getElementById('root').innerHTML = '<button>On</button>'</script></body></html>`,
);
/** Milliseconds until a file that is opened shows its first slide. @param {string} path */
async function opened(path) {
  const reader = await context.newPage();
  const begun = performance.now();
  await reader.goto(`file://${path}`);
  await reader.getByRole('button', { name: 'On', exact: true }).waitFor();
  await reader.evaluate(() => new Promise((done) => requestAnimationFrame(() => done(null))));
  const took = performance.now() - begun;
  await reader.close();
  return took;
}
const [base, product] = /** @type {[number[], number[]]} */ ([[], []]);
for (let round = 0; round < ROUNDS; round += 1) {
  base.push(await opened(plain));
  product.push(await opened(file));
}
await close();
await rm(folder, { recursive: true });
report({
  name: 'take-along-longest-task',
  bar: 1,
  ratio: median(longest) / 50,
  baseline: { ms: 50 },
  product: describe(longest),
  note: `a file of ${(whole.length / 1e6).toFixed(1)} MB from 300 slides with 6,000 things, made in ${Math.round(median(made))} ms; tasks under 50 ms are not told by browsers`,
});
report({
  name: 'take-along-opens',
  bar: 2000 / median(base),
  ratio: median(product) / median(base),
  baseline: describe(base),
  product: describe(product),
  note: 'until the first slide stands there; the bar is 2 s',
});
process.exit(0);

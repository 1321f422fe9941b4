import { frameTimes, openBrowser } from './browser.mjs';
import { generatedDeck } from './generatedDeck.mjs';
import { panMap } from './panning.mjs';
import { describe, median, percentile, report } from './measure.mjs';

/**
 * Panning a map of 500 slides against the same number of bare boxes moved in the same browser, and the longest task on
 * the main thread while the same map is laid out. The mouse is moved once a frame; a frame's time is that to the next.
 */
const SLIDES = 500;
const STEPS = 150;
const ROUNDS = 3;
const { page, putDeck, close } = await openBrowser();
const { address } = await putDeck(generatedDeck(SLIDES));

/** Boxes as large and as far apart as cards, in one layer that is moved. */
async function bareBoxes() {
  await page.goto('about:blank');
  await page.evaluate((count) => {
    const layer = document.createElement('div');
    layer.style.cssText = 'position:absolute;left:0;top:0;transform-origin:0 0';
    for (let index = 0; index < count; index += 1) {
      const box = document.createElement('div');
      const [x, y] = [(index % 60) * 270, Math.floor(index / 60) * 150];
      box.style.cssText = `position:absolute;left:${x}px;top:${y}px;width:150px;height:110px;background:#fff;border:1px solid #ded6c6`;
      layer.append(box);
    }
    document.body.replaceChildren(layer);
    document.body.style.overflow = 'hidden';
    /** @type {any} */ (window).bench = (/** @type {number} */ step) => {
      layer.style.transform = `translate(${-step * 20}px, ${Math.sin(step / 10) * 200}px) scale(0.6)`;
    };
  }, SLIDES);
  return frameTimes(page, STEPS);
}

/** Milliseconds of the longest task on the main thread while the whole map is laid out anew. */
async function longestTask() {
  await page.goto(`${address}/map`);
  await page.locator('.react-flow__node-card').first().waitFor();
  await page.waitForTimeout(3000);
  await page.evaluate(() => {
    /** @type {any} */ (window).tasks = [];
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) /** @type {any} */ (window).tasks.push(entry.duration);
    }).observe({ entryTypes: ['longtask'] });
  });
  await page.getByRole('button', { name: /^Tidy all cards/ }).click();
  await page.waitForTimeout(8000);
  return /** @type {Promise<number[]>} */ (page.evaluate(() => /** @type {any} */ (window).tasks));
}

const [bare, product] = /** @type {[number[][], number[][]]} */ ([[], []]);
for (let round = 0; round < ROUNDS; round += 1) {
  bare.push(await bareBoxes());
  product.push(await panMap(page, address, STEPS));
}
const slowest = (/** @type {number[][]} */ rounds) =>
  median(rounds.map((times) => percentile(times, 1)));
report({
  name: 'map-pan-500',
  bar: 2,
  ratio: slowest(product) / slowest(bare),
  baseline: { ...describe(bare.flat()), slowest: slowest(bare) },
  product: { ...describe(product.flat()), slowest: slowest(product) },
  note: 'slowest frame of a round, the middle of five rounds',
});
const tasks = await longestTask();
report({
  name: 'map-layout-500',
  bar: 1,
  ratio: Math.max(0, ...tasks) / 50,
  baseline: { most: 50 },
  product: { tasks: tasks.map(Math.round) },
  note: 'milliseconds of main-thread tasks of 50 or more while 500 slides are laid out; browsers list no shorter ones',
});
await close();

import { openBrowser } from './browser.mjs';
import { generatedDeck } from './generatedDeck.mjs';
import { describe, median, report } from './measure.mjs';
import { panMap } from './panning.mjs';

/**
 * What scenery costs: the same deck with it and without it in the same browser, turn by turn. Panning a map of 500
 * slides near enough for pictures to be seen, and opening a deck of 300 on a slide until that slide is painted.
 */
const STEPS = 150;
const ROUNDS = 5;
const BAR = 1.15;
const { page, putDeck, close } = await openBrowser();

/**
 * A deck whose slides all show the harbour, or nothing; its address, and that of its first slide.
 * @param {number} slides
 * @param {'none' | 'full'} scenery
 */
async function deckOf(slides, scenery) {
  const deck = generatedDeck(slides);
  for (const slide of Object.values(deck.slides))
    Object.assign(slide, { theme: 'harbour', scenery });
  const { address, slideIds } = await putDeck(deck);
  return { map: address, first: `${address}/slide/${slideIds[0]}` };
}

/** @param {string} address */
async function opening(address) {
  await page.goto('about:blank');
  const from = performance.now();
  await page.goto(address);
  await page
    .getByRole('group', { name: /^Stage: / })
    .getByText('Slide 0 by the sea')
    .waitFor();
  return performance.now() - from;
}

/** @param {string} what @param {(address: string) => Promise<number>} measure @param {string[]} addresses */
async function compare(what, measure, [plain = '', scenic = '']) {
  const [without, withIt] = /** @type {[number[], number[]]} */ ([[], []]);
  await measure(plain);
  await measure(scenic);
  for (let round = 0; round < ROUNDS; round += 1) {
    without.push(await measure(plain));
    withIt.push(await measure(scenic));
  }
  report({
    name: what,
    bar: BAR,
    ratio: median(withIt) / median(without),
    baseline: describe(without),
    product: describe(withIt),
    note: 'milliseconds, the middle of five rounds that take turns',
  });
}

const mean = (/** @type {number[]} */ all) => all.reduce((sum, one) => sum + one, 0) / all.length;
const [plain500, scenic500] = [await deckOf(500, 'none'), await deckOf(500, 'full')];
await compare('scenery-pan-500', async (address) => mean(await panMap(page, address, STEPS)), [
  plain500.map,
  scenic500.map,
]);
const [plain300, scenic300] = [await deckOf(300, 'none'), await deckOf(300, 'full')];
await compare('scenery-open-300', opening, [plain300.first, scenic300.first]);
await close();

import { frameTimes } from './browser.mjs';

/**
 * Milliseconds of each frame while a map is moved about, near enough for its pictures to be seen.
 * @param {import('@playwright/test').Page} page
 * @param {string} address of the deck
 * @param {number} steps
 */
export async function panMap(page, address, steps) {
  await page.goto(`${address}/map`);
  await page.locator('.react-flow__node-card').first().waitFor();
  const pane = page.locator('.react-flow__pane');
  const box = await pane.boundingBox();
  if (!box) throw new Error('no map');
  // As near as in the baseline; the pictures of what is seen first are painted before it begins.
  await page.evaluate(() => {
    const event = (/** @type {string} */ type, /** @type {number} */ x, /** @type {number} */ y) =>
      new MouseEvent(type, {
        bubbles: true,
        cancelable: true,
        view: window,
        button: 0,
        buttons: 1,
        clientX: x,
        clientY: y,
      });
    const at = document.querySelector('.react-flow__pane');
    /** @type {any} */ (window).bench = (/** @type {number} */ step) => {
      if (step === 0) at?.dispatchEvent(event('mousedown', 640, 400));
      window.dispatchEvent(event('mousemove', 640 - step * 20, 400 + Math.sin(step / 10) * 200));
    };
  });
  await page.mouse.move(640, 400);
  for (let turn = 0; turn < 12; turn += 1) await page.mouse.wheel(0, -120);
  await page.waitForTimeout(2500);
  return frameTimes(page, steps);
}

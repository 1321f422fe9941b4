import { frameTimes, openBrowser } from './browser.mjs';
import { crowdedDeck, words } from './crowdedDeck.mjs';
import { describe, median, percentile, report } from './measure.mjs';
import { readPlainDeck } from '@gobrel/core';

/**
 * The slide editor in the hand: dragging and resizing one of 300 things, against the same move of one of 300 bare boxes
 * in the same browser; and typing into a text of 2,000 words, against typing into bare editable paragraphs of the same
 * words. One step a frame; a frame's time is that to the next.
 */
const THINGS = 300;
const STEPS = 120;
const ROUNDS = 5;
const { page, putDeck, close } = await openBrowser();
const { address, slideIds } = await putDeck(crowdedDeck(1, THINGS));
const slideAddress = `${address}/slide/${slideIds[0]}`;

/** @param {'move' | 'resize'} what */
async function bareBoxes(what) {
  await page.goto('about:blank');
  await page.evaluate(
    ({ count, what }) => {
      for (let index = 0; index < count; index += 1) {
        const box = document.createElement('div');
        const [x, y] = [(index % 24) * 34, Math.floor(index / 24) * 32];
        box.textContent = `thing ${index}`;
        box.style.cssText = `position:absolute;left:${x}px;top:${y}px;width:30px;height:28px;border:1px solid #ded6c6;font-size:8px`;
        document.body.append(box);
      }
      const box = /** @type {HTMLElement} */ (document.body.children[150]);
      /** @type {any} */ (window).bench = (/** @type {number} */ step) => {
        if (what === 'move') {
          box.style.left = `${200 + step * 2}px`;
          box.style.top = `${200 + Math.sin(step / 8) * 80}px`;
        } else {
          box.style.width = `${30 + step}px`;
          box.style.height = `${28 + step / 2}px`;
        }
      };
    },
    { count: THINGS, what },
  );
  return frameTimes(page, STEPS);
}

/** @param {'move' | 'resize'} what */
async function onStage(what) {
  await page.goto(slideAddress);
  await page
    .locator('[data-target]')
    .nth(THINGS - 1)
    .waitFor();
  await page.locator('[data-target]').nth(150).click();
  await page.locator('[data-handle=se]').waitFor();
  await page.evaluate((what) => {
    const at = document.querySelectorAll(
      what === 'move' ? '[data-target][aria-pressed=true]' : '[data-handle=se]',
    )[0];
    if (!at) throw new Error('nothing in hand');
    const from = at.getBoundingClientRect();
    const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
    // A made-up pointer cannot be captured.
    Element.prototype.setPointerCapture = () => undefined;
    const send = (/** @type {string} */ type, /** @type {number} */ step) =>
      at.dispatchEvent(
        new PointerEvent(type, {
          bubbles: true,
          cancelable: true,
          pointerId: 1,
          button: 0,
          buttons: 1,
          clientX: x + step * 2,
          clientY: y + Math.sin(step / 8) * 80,
        }),
      );
    /** @type {any} */ (window).bench = (/** @type {number} */ step) => {
      if (step === 0) send('pointerdown', 0);
      send('pointermove', step);
    };
  }, what);
  return frameTimes(page, STEPS);
}

const slowest = (/** @type {number[][]} */ rounds) =>
  median(rounds.map((times) => percentile(times, 1)));
for (const what of /** @type {const} */ (['move', 'resize'])) {
  const [bare, product] = /** @type {[number[][], number[][]]} */ ([[], []]);
  for (let round = 0; round < ROUNDS; round += 1) {
    bare.push(await bareBoxes(what));
    product.push(await onStage(what));
  }
  report({
    name: `stage-${what}-1-of-300`,
    bar: 2,
    ratio: slowest(product) / slowest(bare),
    baseline: { ...describe(bare.flat()), slowest: slowest(bare) },
    product: { ...describe(product.flat()), slowest: slowest(product) },
    note: 'slowest frame of a round, the middle of five rounds',
  });
}

const WORDS = 2000;
const essay = Array.from({ length: WORDS / 40 }, (_, at) =>
  Array.from({ length: 40 }, (_, word) => ['tide', 'lamp', 'rock', 'storm'][(at + word) % 4]).join(
    ' ',
  ),
);
const typed = await putDeck(
  readPlainDeck({
    title: 'Essay',
    theme: 'paper',
    startSlideId: 'e',
    links: {},
    slides: {
      e: {
        id: 'e',
        title: 'Essay',
        layout: 'empty',
        elements: [
          {
            id: 'essay',
            kind: 'text',
            style: 'caption',
            layer: 'content',
            size: 8,
            box: { x: 40, y: 40, w: 1200, h: 640 },
            text: { type: 'doc', content: essay.flatMap((line) => words(line).content) },
          },
        ],
      },
    },
  }),
);

/** Types one letter a frame at the caret. */
const typing = () => {
  /** @type {any} */ (window).bench = (/** @type {number} */ step) => {
    document.execCommand('insertText', false, step % 6 === 5 ? ' ' : 'x');
  };
};

async function bareTyping() {
  await page.goto('about:blank');
  await page.evaluate((lines) => {
    document.body.style.cssText = 'width:800px;font-size:5px';
    document.body.contentEditable = 'true';
    document.body.replaceChildren(
      ...lines.map((line) => Object.assign(document.createElement('p'), { textContent: line })),
    );
    document.body.focus();
  }, essay);
  await page.evaluate(typing);
  return frameTimes(page, STEPS);
}

async function typingOnStage() {
  await page.goto(`${typed.address}/slide/${typed.slideIds[0]}`);
  await page.locator('[data-target]').first().dblclick();
  await page.locator('.ProseMirror-focused').waitFor();
  await page.evaluate(typing);
  return frameTimes(page, STEPS);
}

const [bare, product] = /** @type {[number[][], number[][]]} */ ([[], []]);
for (let round = 0; round < ROUNDS; round += 1) {
  bare.push(await bareTyping());
  product.push(await typingOnStage());
}
const middle = (/** @type {number[][]} */ rounds) =>
  median(rounds.map((times) => percentile(times, 0.95)));
report({
  name: 'typing-2000-words',
  bar: 2,
  ratio: middle(product) / middle(bare),
  baseline: describe(bare.flat()),
  product: describe(product.flat()),
  note: 'a letter a frame: p95 of a round, the middle of five rounds',
});
await close();

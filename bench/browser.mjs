import { chromium } from '@playwright/test';
import { BROWSER_ARGUMENTS, browserProgram } from '../scripts/browser.mjs';
import { join } from 'node:path';
import { pasteSlides, renameDeck, told } from '@gobrel/core';
import { Device, runServer } from './servers.mjs';
import { openSocket } from './socket.mjs';

/** A server with its interface, a teacher signed in, and a browser to measure in. */
export async function openBrowser() {
  const server = await runServer('apps/server/dist/main.js', {
    GOBREL_WEB: join(import.meta.dirname, '..', 'apps/web/dist'),
  });
  const teacher = new Device(server.url);
  await teacher.post('accounts', {
    email: 'bench@gobrel.example',
    name: 'Bench',
    password: 'a long password',
  });
  const browser = await chromium.launch({
    executablePath: browserProgram(),
    args: [...BROWSER_ARGUMENTS, '--js-flags=--expose-gc', '--enable-precise-memory-info'],
  });
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    baseURL: server.url,
  });
  const [name = '', value = ''] = teacher.cookie.split('=');
  await context.addCookies([{ name, value, url: server.url }]);
  return {
    server,
    context,
    page: await context.newPage(),
    teacher,
    /**
     * Puts slides and links into a new deck; its address comes back.
     * @param {import('@gobrel/core').Deck} deck
     */
    async putDeck(deck) {
      const { id } = await teacher.post('decks', { title: deck.title });
      const socket = openSocket(server.url, teacher.cookie);
      const { doc, provider } = await socket.open(`deck:${id}`);
      const saved = async () => {
        for (let turn = 0; provider.hasUnsyncedChanges; turn += 1) {
          if (turn > 1500) throw new Error('the deck was not saved within half a minute');
          await new Promise((done) => setTimeout(done, 20));
        }
      };
      renameDeck(doc, deck.title);
      const slides = Object.values(deck.slides);
      const links = Object.values(deck.links);
      const slideIds = [];
      // One change is limited in size; links need all of their slides at once.
      const portion = links.length > 0 ? slides.length : 20;
      for (let from = 0; from < slides.length; from += portion) {
        const clip = { deckId: id, slides: slides.slice(from, from + portion), links };
        const pasted = pasteSlides(doc, clip, id, { dx: 0, dy: 0 });
        if (!pasted.ok) throw new Error(told(pasted));
        slideIds.push(...pasted.slideIds);
        await saved();
      }
      socket.close();
      return { address: `/deck/${id}`, slideIds };
    },
    async close() {
      await browser.close();
      await server.stop();
    },
  };
}

/**
 * Milliseconds between the frames of a move: `step` is called in the page once a frame, `steps` times, with the number
 * of the step. It may use `window.bench`, which `prepare` has set.
 * @param {import('@playwright/test').Page} page
 * @param {number} steps
 */
export function frameTimes(page, steps) {
  return page.evaluate(
    (count) =>
      new Promise((resolve) => {
        /** @type {number[]} */
        const times = [];
        let last = performance.now();
        let step = 0;
        const frame = (/** @type {number} */ now) => {
          if (step > 1) times.push(now - last);
          last = now;
          if (step === count) return resolve(times);
          const { bench } = /** @type {{ bench: (step: number) => void } & Window} */ (
            /** @type {unknown} */ (window)
          );
          bench(step);
          step += 1;
          requestAnimationFrame(frame);
        };
        requestAnimationFrame(frame);
      }),
    steps,
  );
}

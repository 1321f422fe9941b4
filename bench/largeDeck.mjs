import * as Y from 'yjs';
import { createHistory, DeckReader, setBox, setGround } from '@gobrel/core';
import { pasteSlides, told } from '@gobrel/core';
import { openBrowser } from './browser.mjs';
import { crowdedDeck } from './crowdedDeck.mjs';
import { describe, median, report, timed } from './measure.mjs';

/**
 * A deck of 300 slides with 6,000 things: undoing 500 steps, one background for all slides, opening it, and what 20
 * decks that were opened and closed leave behind.
 */
const SLIDES = 300;
const deck = crowdedDeck(SLIDES, 20);

/** The same in a document: slides as maps, with nothing but what a step or a background changes. */
function bareDocument() {
  const doc = new Y.Doc();
  doc.transact(() => {
    for (let index = 0; index < SLIDES; index += 1) {
      const slide = new Y.Map();
      doc.getMap('slides').set(`c${index}`, slide);
      slide.set('box', { x: 0, y: 0, w: 10, h: 10 });
    }
  });
  return doc;
}
function fullDocument() {
  const doc = new Y.Doc();
  const clip = { deckId: 'bench', slides: Object.values(deck.slides), links: [] };
  const pasted = pasteSlides(doc, clip, 'bench', { dx: 0, dy: 0 });
  if (!pasted.ok) throw new Error(told(pasted));
  return { doc, slideIds: pasted.slideIds };
}

const STEPS = 500;
const [bareUndo, undo] = /** @type {[number[], number[]]} */ ([[], []]);
for (let round = 0; round < 5; round += 1) {
  const bare = bareDocument();
  const manager = new Y.UndoManager(bare.getMap('slides'), { captureTimeout: 0 });
  for (let step = 0; step < STEPS; step += 1) {
    const slide = /** @type {Y.Map<unknown>} */ (bare.getMap('slides').get(`c${step % SLIDES}`));
    slide.set('box', { x: step, y: 0, w: 10, h: 10 });
  }
  // Whoever shows it reads what has changed after each step.
  bareUndo.push(
    timed(() => {
      for (let step = 0; step < STEPS; step += 1) {
        manager.undo();
        const slide = /** @type {Y.Map<unknown>} */ (
          bare.getMap('slides').get(`c${step % SLIDES}`)
        );
        JSON.stringify(slide);
      }
    }),
  );
  const { doc, slideIds } = fullDocument();
  const reader = new DeckReader(doc);
  const history = createHistory(doc);
  reader.read();
  for (let step = 0; step < STEPS; step += 1) {
    const slideId = slideIds[step % SLIDES] ?? '';
    const [element] = reader.read().slides[slideId]?.elements ?? [];
    if (!element) throw new Error('no element');
    const moved = setBox(doc, slideId, element.id, { ...element.box, x: step });
    if (!moved.ok) throw new Error(told(moved));
  }
  undo.push(
    timed(() => {
      for (let step = 0; step < STEPS; step += 1) {
        history.undo();
        reader.read();
      }
    }),
  );
}
report({
  name: 'undo-500-steps',
  bar: 20,
  ratio: median(undo) / median(bareUndo),
  baseline: describe(bareUndo),
  product: describe(undo),
  note: 'our own aim; in a deck of 300 slides and 6,000 things, the deck read after each step; the bare document has neither',
});

const [bareGround, ground] = /** @type {[number[], number[]]} */ ([[], []]);
for (let round = 0; round < 9; round += 1) {
  const bare = bareDocument();
  bareGround.push(
    timed(() => {
      bare.transact(() => {
        for (const slide of bare.getMap('slides').values()) {
          /** @type {Y.Map<unknown>} */ (slide).set('ground', { fill: '#17505C', tint: '' });
        }
      });
      for (const slide of bare.getMap('slides').values()) JSON.stringify(slide);
    }),
  );
  const { doc, slideIds } = fullDocument();
  const reader = new DeckReader(doc);
  reader.read();
  ground.push(
    timed(() => {
      setGround(doc, slideIds, { fill: '#17505C' });
      reader.read();
    }),
  );
}
report({
  name: 'background-300-slides',
  bar: 10,
  ratio: median(ground) / median(bareGround),
  baseline: describe(bareGround),
  product: describe(ground),
  note: 'set in one step and the deck read again; the bare document has no things on its slides',
});

const { page, putDeck, close } = await openBrowser();
const { address, slideIds } = await putDeck(deck);

/** Opens it within the interface that is already there: milliseconds until the slide can be touched. */
async function opening() {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Decks' }).waitFor();
  // What is kept in the browser is not what is measured.
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) if (name) indexedDB.deleteDatabase(name);
  });
  // Noted in the page: the way to whoever waits outside of it is not measured.
  return page.evaluate(
    (to) =>
      new Promise((/** @type {(milliseconds: number) => void} */ done) => {
        const from = performance.now();
        new MutationObserver((_changes, observer) => {
          if (!document.querySelector('[data-target]')) return;
          observer.disconnect();
          requestAnimationFrame(() => done(performance.now() - from));
        }).observe(document.body, { childList: true, subtree: true });
        history.pushState({}, '', to);
        window.dispatchEvent(new PopStateEvent('popstate'));
      }),
    `${address}/slide/${slideIds[0]}`,
  );
}

/** The bytes of the document as the socket brings them, decoded in the same browser by the same library. */
async function fetching() {
  const { rolldown } = await import('rolldown');
  const bundle = await rolldown({
    input: 'entry',
    cwd: import.meta.dirname,
    platform: 'browser',
    plugins: [
      {
        name: 'entry',
        resolveId: (id) => (id === 'entry' ? 'entry' : null),
        load: (id) =>
          id === 'entry'
            ? `import { HocuspocusProvider } from '@hocuspocus/provider';
               window.fetchDeck = (name) => new Promise((done) => {
                 const from = performance.now();
                 const provider = new HocuspocusProvider({
                   url: location.origin.replace('http', 'ws') + '/sync', name, token: 'cookie',
                   onSynced: () => { done(performance.now() - from); provider.destroy(); },
                 });
               });`
            : null,
      },
    ],
  });
  const { output } = await bundle.generate({ format: 'iife' });
  return output[0].code;
}
const script = await fetching();
const [bytes, usable] = /** @type {[number[], number[]]} */ ([[], []]);
for (let round = 0; round < 7; round += 1) {
  await page.goto('/sign-in');
  await page.evaluate(script);
  bytes.push(
    await page.evaluate(
      (name) => /** @type {any} */ (window).fetchDeck(name),
      `deck:${address.replace('/deck/', '')}`,
    ),
  );
  usable.push(await opening());
}
report({
  name: 'open-300-slides',
  bar: 1.5,
  ratio: median(usable) / median(bytes),
  baseline: describe(bytes),
  product: describe(usable),
  note: 'from the list of decks to a first slide that can be touched, nothing kept in the browser',
});

/** Bytes of the heap after everything that can be let go was let go. */
async function heap() {
  for (let turn = 0; turn < 3; turn += 1) {
    await page.evaluate(() => /** @type {any} */ (globalThis).gc());
    await page.waitForTimeout(200);
  }
  return page.evaluate(() => /** @type {any} */ (performance).memory.usedJSHeapSize);
}
await page.goto('/');
/** @param {string} to */
const go = (to) =>
  page.evaluate((path) => {
    history.pushState({}, '', path);
    window.dispatchEvent(new PopStateEvent('popstate'));
  }, to);
const visit = async () => {
  await go(`${address}/slide/${slideIds[0]}`);
  await page.locator('[data-target]').first().waitFor();
  await go('/');
  await page.getByRole('heading', { name: 'Decks' }).waitFor();
};
// What is loaded once and kept is not what leaks.
for (let turn = 0; turn < 2; turn += 1) await visit();
const before = await heap();
for (let turn = 0; turn < 20; turn += 1) await visit();
const after = await heap();
report({
  name: 'memory-after-20-decks',
  bar: 1.2,
  ratio: after / before,
  baseline: { megabytes: Math.round(before / 1e5) / 10 },
  product: { megabytes: Math.round(after / 1e5) / 10 },
  note: 'heap after a deck of 6,000 things was opened and closed 20 times',
});
await close();

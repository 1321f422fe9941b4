import { Checker } from '../packages/core/dist/index.js';
import { generatedDeck } from './generatedDeck.mjs';
import { describe, median, report, timed } from './measure.mjs';

/**
 * The full check of decks with three links to a slide, against one bare pass over those links: each link taken up,
 * both its slides and the thing that carries it looked up, ways out and ways in counted. Both are measured on fresh
 * copies of the deck, in turn, and the medians compared. The check keeps nothing from one run to the next.
 * @param {import('@gobrel/core').Deck} deck
 */
function barePass(deck) {
  /** @type {Map<string, import('@gobrel/core').Link[]>} */
  const waysOut = new Map();
  /** @type {Map<string, import('@gobrel/core').Link[]>} */
  const waysIn = new Map();
  let carried = 0;
  for (const id of Object.keys(deck.slides)) {
    waysOut.set(id, []);
    waysIn.set(id, []);
  }
  for (const link of Object.values(deck.links)) {
    const { from, target, carrier } = link;
    waysOut.get(from)?.push(link);
    if (target.kind === 'slide') waysIn.get(target.slideId)?.push(link);
    const elementId = carrier.kind === 'none' ? '' : carrier.elementId;
    if (deck.slides[from]?.elements.some(({ id }) => id === elementId)) carried += 1;
  }
  return carried;
}

/** @type {{ n: number, f: number } | null} */
let last = null;
for (const n of [300, 1000, 5000]) {
  const [bare, full, again] = /** @type {[number[], number[], number[]]} */ ([[], [], []]);
  for (let round = 0; round < 15; round += 1) {
    const deck = generatedDeck(n);
    bare.push(timed(() => barePass(deck)));
    const fresh = structuredClone(deck);
    const checker = new Checker();
    full.push(timed(() => checker.check(fresh)));
    const changed = /** @type {import('@gobrel/core').Deck} */ ({
      ...fresh,
      slides: { ...fresh.slides, s5: { ...fresh.slides['s5'], title: 'Changed' } },
    });
    again.push(timed(() => checker.check(changed)));
  }
  const [b, f, a] = /** @type {[number, number, number]} */ ([bare, full, again].map(median));
  report({
    name: `full-check-${n}`,
    bar: 10,
    ratio: f / b,
    baseline: describe(bare),
    product: describe(full),
    note:
      `${n} slides, ${3 * n} links; after one change ${a.toFixed(1)} ms` +
      (last
        ? `; ${(f / last.f).toFixed(1)} × the last for ${(n / last.n).toFixed(1)} × the slides`
        : ''),
  });
  last = { n, f };
}

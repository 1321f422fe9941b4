import { Checker } from '../packages/core/dist/index.js';
import { generatedDeck } from './generatedDeck.mjs';
import { describe, median, paired, report, timed } from './measure.mjs';

/**
 * The full check of decks with three links to a slide, against one bare pass over those links: each link taken up,
 * both its slides and the thing that carries it looked up, ways out and ways in counted. Both are measured in pairs on
 * fresh copies of the deck. The check keeps nothing from one run to the next.
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
  const made = generatedDeck(n);
  const measured = paired({
    make: () => structuredClone(made),
    baseline: barePass,
    product: (deck) => new Checker().check(deck),
    most: n > 1000 ? 30 : 80,
  });
  const again = [];
  for (let round = 0; round < 9; round += 1) {
    const deck = structuredClone(made);
    const checker = new Checker();
    checker.check(deck);
    const changed = /** @type {import('@gobrel/core').Deck} */ ({
      ...deck,
      slides: { ...deck.slides, s5: { ...deck.slides['s5'], title: 'Changed' } },
    });
    again.push(timed(() => checker.check(changed)));
  }
  const f = median(measured.product);
  report({
    name: `full-check-${n}`,
    bar: 10,
    ratio: measured.ratio,
    baseline: describe(measured.baseline),
    product: describe(measured.product),
    note:
      `${n} slides, ${3 * n} links; after one change ${median(again).toFixed(1)} ms` +
      `; ratios of pairs scatter by ${(100 * measured.scatter).toFixed(0)} %` +
      (last
        ? `; ${(f / last.f).toFixed(1)} × the last for ${(n / last.n).toFixed(1)} × the slides`
        : ''),
  });
  last = { n, f };
}

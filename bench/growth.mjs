import { clustersOf, mapRegions, studentView } from '../packages/core/dist/index.js';
import { generatedDeck } from './generatedDeck.mjs';
import { describe, median, report, timed } from './measure.mjs';

/**
 * What was once found to grow faster than what it is given: each measured at one size and at four times that, in turn.
 * Near linear is a ratio of about four; the bar leaves room for caches that are outgrown.
 * @param {number} n
 */
function nested(n) {
  /** @type {Record<string, unknown>} */
  const sections = {};
  /** @type {Record<string, unknown>} */
  const slides = {};
  for (let at = 0; at < n; at += 1) {
    const parentId = at > 0 ? `s${at - 1}` : null;
    sections[`s${at}`] = { id: `s${at}`, name: '', tint: 'petrol', isFolded: false, parentId };
    slides[`a${at}`] = { id: `a${at}`, x: at, y: at, sectionId: `s${at}` };
  }
  const deck = /** @type {import('@gobrel/core').Deck} */ (
    /** @type {unknown} */ ({ sections, slides })
  );
  return () => mapRegions(deck);
}

/** @param {number} n */
function seen(n) {
  const deck = generatedDeck(n);
  return () => studentView({ ...deck, slides: structuredClone(deck.slides) });
}

/** Markers of a whole school in one spot. @param {number} n */
function inOneSpot(n) {
  const spots = Array.from({ length: n }, (_, at) => ({
    x: 0.5 + Math.sin(at * 12.9898) * 0.02,
    y: 0.5 + Math.sin(at * 78.233) * 0.02,
  }));
  return () => clustersOf(spots);
}

for (const [name, n, make] of /** @type {const} */ ([
  ['growthOfRegions', 400, nested],
  ['growthOfStudentView', 1250, seen],
  ['growthOfClusters', 5000, inOneSpot],
])) {
  const [small, large] = [make(n), make(4 * n)];
  /** @type {[number[], number[]]} */
  const [ofSmall, ofLarge] = [[], []];
  for (let round = 0; round < 9; round += 1) {
    ofSmall.push(timed(small));
    ofLarge.push(timed(large));
  }
  report({
    name,
    bar: 8,
    ratio: median(ofLarge.map((time, at) => time / (ofSmall[at] ?? 1))),
    baseline: describe(ofSmall),
    product: describe(ofLarge),
    note: `${4 * n} against ${n}`,
  });
}

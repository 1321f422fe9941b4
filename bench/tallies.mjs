import {
  clustersOf,
  countAnswer,
  likeGroups,
  questionsOn,
  readDeck,
  sampleAnswer,
  STARTERS,
  addStarter,
  tallyOf,
} from '../packages/core/dist/index.js';
import * as Y from 'yjs';
import { describe, median, percentile, report, timed } from './measure.mjs';

/**
 * What one more answer costs a tally of 30, 300 and 3,000 answers, for every kind of question. The baseline is the cost
 * at 30: incremental kinds stay flat. Below it how long a worker is at work on 3,000 markers and 3,000 short answers,
 * against one pass over them.
 */
const SIZES = [30, 300, 3000];
const BLOCK = 200;
const ROUNDS = 25;

/** @param {number} seed */
function chance(seed) {
  let state = seed;
  return (/** @type {number} */ below) => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 1;
    return (state >>> 8) % below;
  };
}

/** One question of each kind, out of the starters. */
function questions() {
  const doc = new Y.Doc();
  for (const starter of STARTERS) addStarter(doc, starter);
  const found = new Map();
  for (const slide of Object.values(readDeck(doc).slides)) {
    for (const element of questionsOn(slide)) {
      if (!found.has(element.question.kind)) found.set(element.question.kind, element);
    }
  }
  return [...found.values()];
}

const ratios = [];
const told = [];
for (const element of questions()) {
  const random = chance(7);
  const answers = Array.from({ length: 3000 }, (_, index) =>
    sampleAnswer(element, index % 3 > 0, random),
  );
  const block = answers.slice(0, BLOCK);
  /** @type {number[]} */
  const costs = SIZES.map((size) => {
    const tally = tallyOf(element.question, answers.slice(0, size));
    const times = [];
    for (let round = 0; round < ROUNDS; round++) {
      times.push(
        timed(() => {
          for (const answer of block) countAnswer(tally, answer, 1);
          for (const answer of block) countAnswer(tally, answer, -1);
        }),
      );
    }
    // Of a machine that others share the quickest runs say most.
    return percentile(times, 0.2) / (2 * BLOCK);
  });
  const [small = 0, , large = 0] = costs;
  const ratio = large / small;
  ratios.push(ratio);
  told.push(`${element.question.kind} ${(large * 1000).toFixed(2)} µs (${ratio.toFixed(2)})`);
}
report({
  name: 'tally-3000-answers',
  // Flat, give or take what a shared machine does.
  bar: 2,
  ratio: Math.max(...ratios),
  baseline: { size: 30 },
  product: { size: 3000, medianRatio: Math.round(median(ratios) * 100) / 100 },
  note: told.join(', '),
});

const random = chance(11);
const spots = Array.from({ length: 3000 }, (_, index) => {
  const isGrouped = index % 10 < 7;
  const x = isGrouped ? 0.3 + (index % 3) * 0.2 : random(1000) / 1000;
  const y = isGrouped ? 0.4 : random(1000) / 1000;
  return { x: Math.min(1, x + random(60) / 1000), y: Math.min(1, y + random(60) / 1000) };
});
const WORDS = ['lantern', 'lighthouse', 'copper wire', 'the mirror', 'storm petrel', 'harbour'];
/** @type {Record<string, number>} */
const texts = {};
for (let index = 0; index < 3000; index++) {
  const word = WORDS[random(WORDS.length)] ?? 'lamp';
  const at = random(word.length);
  const letter = String.fromCharCode(97 + random(26));
  const slip = random(3) === 0 ? `${word.slice(0, at)}${letter}${word.slice(at + 1)}` : word;
  const text = random(4) === 0 ? `${slip} ${random(400)}` : slip;
  texts[text] = (texts[text] ?? 0) + 1;
}
/** @type {number[][]} */
const rounds = [];
for (let round = 0; round < 7; round++) {
  rounds.push([
    timed(() => clustersOf(spots)),
    timed(() => likeGroups(texts)),
    timed(() => JSON.stringify([spots, texts])),
  ]);
}
const [clustering, grouping, passing] = [0, 1, 2].map((at) =>
  rounds.map((times) => times[at] ?? 0),
);
report({
  name: 'heavy-tallies-3000',
  // Our own aim; what a person feels is that the page never waits: this runs in a worker.
  bar: 2000,
  ratio: (median(clustering ?? []) + median(grouping ?? [])) / median(passing ?? []),
  baseline: describe(passing ?? []),
  product: describe(clustering ?? []),
  note: `grouping ${Object.keys(texts).length} different texts of 3,000: ${median(grouping ?? []).toFixed(0)} ms; on the main thread only the hand-over, ${median(passing ?? []).toFixed(1)} ms`,
});

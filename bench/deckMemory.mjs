import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { generatedDeck } from './generatedDeck.mjs';
import { report } from './measure.mjs';

/** What a deck of 1,000 slides takes on the heap as it is read, against a copy of it, whose objects are all compact. */
setFlagsFromString('--expose-gc');
const collect = /** @type {() => void} */ (runInNewContext('gc'));
const DECKS = 4;

/** @param {() => object} make @returns {{ megabytes: number, made: object[] }} what one of them takes */
function room(make) {
  collect();
  const before = process.memoryUsage().heapUsed;
  const made = Array.from({ length: DECKS }, make);
  collect();
  return { megabytes: (process.memoryUsage().heapUsed - before) / DECKS / 1e6, made };
}

const read = room(() => generatedDeck(1000));
const copied = room(() => structuredClone(/** @type {object} */ (read.made[0])));
report({
  name: 'deck-memory',
  bar: 1.25,
  ratio: read.megabytes / copied.megabytes,
  baseline: { megabytes: Math.round(copied.megabytes * 100) / 100 },
  product: { megabytes: Math.round(read.megabytes * 100) / 100 },
  note: '1,000 slides with 5,000 things on them',
});

import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import {
  arrangementFor,
  Checker,
  FINDING_KINDS,
  readDeck,
  refOf,
  setOut,
  setScenery,
  setThemeForAll,
  textHeight,
  SIDES,
  takenUp,
  textType,
  themeNamed,
  THEMES,
  waysToSetOut,
} from '../packages/core/dist/index.js';
import { contentBySeed, slideWith } from '../packages/core/dist/testing/contents.js';
import { describe, percentile, report, timed } from './measure.mjs';

/**
 * Slides set out: each of 3,000 generated contents, themes in turn, is given all its arrangements, and Check is asked of
 * every one; then 300 slides are given the one that each takes, in a worker. The bars are times of the design's own (8 ms, 1 s), so the ratios are shares of
 * them. The baseline is the least that any composition must do: each text of the slide measured once in seven sizes.
 */
const CONTENTS = 3000;
const LOOKS = new Set(['touch', 'reading', 'pictures']);
const NOT_OURS = new Set(['many-words', 'no-alt', 'no-credit']);

/** @param {number} seed */
const slideBySeed = (seed) => {
  const name = /** @type {string} */ (THEMES[seed % THEMES.length]);
  const theme = refOf(name, SIDES[Math.floor(seed / THEMES.length) % 2] ?? 'light');
  return { theme, ...slideWith(contentBySeed(seed)) };
};

if (!isMainThread) {
  const slides = Array.from({ length: Number(workerData) }, (_, seed) => slideBySeed(seed)).map(
    ({ slide, theme }) => ({ slide: takenUp(slide), theme }),
  );
  const took = timed(() =>
    slides.forEach(({ slide, theme }) =>
      arrangementFor(slide, themeNamed(theme, 'full'), { name: null, isChosen: false }),
    ),
  );
  parentPort?.postMessage(took);
} else {
  for (let seed = 0; seed < 100; seed += 1) {
    const { slide, theme } = slideBySeed(seed);
    waysToSetOut(slide, themeNamed(theme, 'full'));
  }
  /** @type {number[]} */ const bare = [];
  /** @type {number[]} */ const whole = [];
  let [offered, none, broken, fewer] = [0, 0, 0, 0];
  for (let seed = 0; seed < CONTENTS; seed += 1) {
    const { doc, slide, slideId, theme } = slideBySeed(seed);
    bare.push(
      timed(() => {
        for (const element of slide.elements) {
          if (element.kind !== 'text') continue;
          const type = textType(element, themeNamed(theme));
          for (let size = 24; size < 52; size += 4)
            textHeight(element.text, 600, { ...type, size });
        }
      }),
    );
    /** @type {ReturnType<typeof waysToSetOut>} */ let ways = [];
    whole.push(timed(() => (ways = waysToSetOut(slide, themeNamed(theme, 'full')))));
    offered += ways.length;
    if (ways.length === 0) none += 1;
    if (ways.length < 6) fewer += 1;
    setThemeForAll(doc, theme);
    setScenery(doc, null, 'full');
    for (const { name } of ways) {
      setOut(doc, [slideId], name);
      broken += new Checker()
        .check(readDeck(doc))
        .findings.filter(
          (finding) =>
            finding.slideId === slideId &&
            LOOKS.has(FINDING_KINDS[finding.kind].group) &&
            !NOT_OURS.has(finding.kind),
        ).length;
    }
  }
  report({
    name: 'set-out-slide',
    bar: 1,
    ratio: percentile(whole, 0.99) / 8,
    baseline: describe(bare),
    product: describe(whole),
    note: `${offered} arrangements of ${CONTENTS} contents; ${broken} rules broken; ${none} contents without one, ${fewer} with fewer than six`,
  });
  const took = await new Promise((resolve, reject) => {
    const worker = new Worker(new URL(import.meta.url), { workerData: 300 });
    worker.once('message', resolve);
    worker.once('error', reject);
  });
  report({
    name: 'set-out-300',
    bar: 1,
    ratio: Number(took) / 1000,
    baseline: { bar: 1000 },
    product: { ms: Math.round(Number(took)) },
  });
}

import * as Y from 'yjs';
import {
  applyPlan,
  parsePlan,
  planBase,
  planChange,
  planOf,
  printPlan,
  readDeck,
  routeGraph,
} from '../packages/core/dist/index.js';
import { describe, median, report, timed } from './measure.mjs';

/**
 * A written plan of 1,000 items: in (read, compared with an empty deck, done), out (printed), and compared once more
 * after one line has changed. The baseline is the least that any way in must do: the same 1,000 slides with a title
 * and a text each, put into a document as plain maps.
 */
const ITEMS = 1000;
const lines = ['- Item 0: It begins here.'];
for (let index = 1; index < ITEMS; index += 1) {
  const depth = 1 + (index % 7);
  const join =
    index % 10 === 0 ? '[Item 0](#item-0)' : `**Item ${index}** The tide comes in over the rocks.`;
  lines.push(`${'  '.repeat(depth)}- Choice ${index}: ${join}`);
}
const plan = `${lines.join('\n')}\n`;

const [bare, inward, outward, again] = /** @type {[number[], number[], number[], number[]]} */ ([
  [],
  [],
  [],
  [],
]);
for (let round = 0; round < 9; round += 1) {
  bare.push(
    timed(() => {
      const doc = new Y.Doc();
      doc.transact(() => {
        for (let index = 0; index < ITEMS; index += 1) {
          const slide = new Y.Map();
          doc.getMap('slides').set(`s${index}`, slide);
          slide.set('title', `Item ${index}`);
          const text = new Y.XmlFragment();
          slide.set('text', text);
          const paragraph = new Y.XmlElement('paragraph');
          text.insert(0, [paragraph]);
          paragraph.insert(0, [new Y.XmlText('The tide comes in over the rocks.')]);
        }
      });
    }),
  );
  const doc = new Y.Doc();
  inward.push(
    timed(() => {
      const deck = readDeck(doc);
      applyPlan(doc, planChange(deck, planBase(deck, routeGraph(deck)), parsePlan(plan).items));
    }),
  );
  const deck = readDeck(doc);
  const graph = routeGraph(deck);
  outward.push(timed(() => printPlan(planOf(deck, graph))));
  const changed = plan.replace('**Item 501**', '**Item five hundred and one**');
  again.push(timed(() => planChange(deck, planBase(deck, graph), parsePlan(changed).items)));
}
report({
  name: 'plan-text-1000',
  // Our own aim; the design sets none.
  bar: 20,
  ratio: median(inward) / median(bare),
  baseline: describe(bare),
  product: describe(inward),
  note: `out ${median(outward).toFixed(1)} ms; compared after one change ${median(again).toFixed(1)} ms`,
});

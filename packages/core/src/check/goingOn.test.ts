import type * as Y from 'yjs';
import {
  applyMend,
  Checker,
  planOf,
  printPlan,
  readDeck,
  routeGraph,
  type Finding,
} from '../index.js';
import { choice, deck, ending, leftOut, pattern, slide } from '../testing/builder.js';

const findings = (doc: Y.Doc): Finding[] => new Checker().check(readDeck(doc)).findings;
const stuck = (doc: Y.Doc): Finding[] => findings(doc).filter(({ kind }) => kind === 'dead-end');
const labels = (doc: Y.Doc): string[][] =>
  stuck(doc).map(({ mends }) => mends.map(({ label }) => label));

const LIST = (): Y.Doc => deck(slide('a'), slide('b'), slide('c'), slide('d', ending()));

test('a list of slides that nothing links goes on from each to the next', () => {
  const doc = LIST();
  expect(labels(doc)).toEqual([
    ['Go on to “b”', 'Let all 3 go on like that', 'Mark as ending', 'Add “Start over”'],
    ['Go on to “c”', 'Mark as ending', 'Add “Start over”'],
    ['Go on to “d”', 'Mark as ending', 'Add “Start over”'],
  ]);
  expect(applyMend(doc, stuck(doc)[1]!.mends[0]!).ok).toBe(true);
  expect(stuck(doc).map(({ slideId }) => slideId)).toEqual(['a', 'c']);
});

test('all of them at once leave nothing to mend, and the plan a list', () => {
  const doc = LIST();
  expect(applyMend(doc, stuck(doc)[0]!.mends[1]!).ok).toBe(true);
  expect(findings(doc)).toEqual([]);
  const read = readDeck(doc);
  expect(printPlan(planOf(read, routeGraph(read)))).toBe(
    '- a\n  - b: [b](#b)\n- b\n  - c: [c](#c)\n- c\n  - d: [d](#d)\n- d (ending)\n',
  );
});

test('where choices end, the plan goes on behind what they belong to', () => {
  const doc = deck(
    slide('a', choice('one', 'b'), choice('two', 'c')),
    slide('b'),
    slide('c'),
    slide('d', ending()),
  );
  expect(labels(doc).map(([first]) => first)).toEqual(['Go on to “d”', 'Go on to “d”']);
});

test('what several lead to goes on behind the last of them: no ring comes about', () => {
  const doc = deck(
    slide('a', choice('on', 'x')),
    slide('x'),
    slide('b', choice('on too', 'x')),
    slide('c', ending()),
  );
  expect(labels(doc).map(([first]) => first)).toEqual(['Go on to “c”']);
  expect(applyMend(doc, stuck(doc)[0]!.mends[0]!).ok).toBe(true);
  expect(findings(doc).filter(({ kind }) => kind === 'endless-loop')).toEqual([]);
});

test('a start that is led back to goes on to the next', () => {
  const doc = deck(slide('a'), slide('b'), slide('c', choice('again', 'a')));
  expect(labels(doc).map(([first]) => first)).toEqual(['Go on to “b”', 'Go on to “c”']);
});

test('nothing goes on to what students do not get, nor from what leads somewhere', () => {
  const closed = deck(slide('a'), slide('b', leftOut()), slide('p', pattern()));
  expect(labels(closed)).toEqual([['Mark as ending', 'Add “Start over”']]);
  const led = deck(slide('a', choice('on', 'b')), slide('b', leftOut()), slide('c', ending()));
  expect(labels(led)).toEqual([['Mark as ending', 'Add “Start over”']]);
});

test('a way to a slide that is gone meanwhile leads nowhere, and none of the others is made', () => {
  const doc = LIST();
  const [, all] = stuck(doc)[0]!.mends;
  const without = deck(slide('a'), slide('b'));
  expect(applyMend(without, all!).ok).toBe(false);
  expect(Object.keys(readDeck(without).links)).toEqual([]);
});

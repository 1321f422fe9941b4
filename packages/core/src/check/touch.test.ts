import {
  applyMend,
  Checker,
  FINDING_KINDS,
  idOf,
  linkElement,
  readDeck,
  routeGraph,
  toSlide,
  type Finding,
  type Link,
} from '../index.js';
import { choice, deck, element, ending, slide, type SlidePart } from '../testing/builder.js';

/** Hotspots in one place, each leading to an ending of its own unless `target` says where to. */
function heap(count: number, target?: string): Finding[] {
  const names = Array.from({ length: count }, (_, n) => `h${n}`);
  const spots: SlidePart[] = names.map((id) =>
    element({
      id,
      kind: 'hotspot',
      layer: 'content',
      name: id,
      box: { x: 300, y: 200, w: 200, h: 100 },
    }),
  );
  const ends = names.map((id) => slide(`end-${id}`, ending()));
  const doc = deck(slide('a', ...spots), ...ends);
  for (const id of names) linkElement(doc, 'a', id, toSlide(target ?? `end-${id}`));
  return new Checker().check(readDeck(doc)).findings.filter(({ kind }) => kind === 'overlap');
}

test('two in one spot are one finding with a way to part them', () => {
  const [only, ...rest] = heap(2);
  expect(rest).toEqual([]);
  expect(only).toMatchObject({ elementIds: ['h0', 'h1'], mends: [{ do: 'box', elementId: 'h1' }] });
});

test('of many in one spot each is told once, with what it shares it with', () => {
  const found = heap(4);
  expect(found.map(({ elementIds }) => elementIds?.at(-1))).toEqual(['h1', 'h2', 'h3']);
  expect(found[2]!.elementIds).toEqual(['h0', 'h1', 'h2', 'h3']);
  expect(found[2]!.why).toContain('2 more');
});

test('what leads to the same place may share a spot', () => {
  expect(heap(5, 'end-h0')).toEqual([]);
});

test('a slide full of links in one spot has no more findings than links', () => {
  const links = 150;
  const found = heap(links);
  expect(found).toHaveLength(links - 1);
  expect(Math.max(...found.map(({ elementIds }) => elementIds!.length))).toBeLessThan(20);
});

test('choices that have no room are told together, and spread over slides that lead on: all are met, in their order', () => {
  const names = Array.from({ length: 40 }, (_, at) => `way ${at + 1}`);
  const doc = deck(
    slide('a: Which?', ...names.map((name, at) => choice(name, `e${at}`))),
    ...names.map((_, at) => slide(`e${at}`, ending())),
  );
  const told = (): Finding[] =>
    new Checker()
      .check(readDeck(doc))
      .findings.filter(({ kind }) => FINDING_KINDS[kind].group === 'touch');
  const [only, ...more] = told();
  expect(more).toEqual([]);
  expect(only).toMatchObject({ kind: 'crowded', why: expect.stringContaining('Of 40 choices') });
  const [mend] = only!.mends;
  const before = Object.keys(readDeck(doc).links);
  expect(applyMend(doc, mend!).ok).toBe(true);
  expect(told()).toEqual([]);
  expect(applyMend(doc, mend!)).toMatchObject({ ok: false, code: 'mend.fits' });
  const after = readDeck(doc);
  // The links are the same ones: what is counted of them stays theirs.
  for (const id of before) expect(after.links[id]).toBeDefined();
  const met: string[] = [];
  const { waysOut, to } = routeGraph(after);
  for (let at: string | undefined = 'a'; at !== undefined;) {
    const ways: Link[] = waysOut.get(idOf(at)) ?? [];
    met.push(...ways.map(({ wording }) => wording).filter((wording) => wording !== 'More'));
    const on = ways.find(({ wording }) => wording === 'More');
    at = on && to.get(on.id)?.[0];
  }
  expect(met).toEqual(names);
  expect(
    Object.values(after.slides).filter(({ title }) => title.startsWith('Which?')),
  ).toHaveLength(6);
});

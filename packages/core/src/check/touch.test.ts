import { Checker, linkElement, readDeck, toSlide, type Finding } from '../index.js';
import { deck, element, ending, slide, type SlidePart } from '../testing/builder.js';

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

import fc from 'fast-check';
import * as Y from 'yjs';
import {
  addSection,
  addStop,
  addTrail,
  linkElement,
  moveStop,
  readDeck,
  removeElements,
  removeLink,
  removeStop,
  sectionPath,
  setSection,
  toSlide,
  type Deck,
} from '../index.js';
import { deck, ending, slide, text } from '../testing/builder.js';

const SLIDES = ['a', 'b', 'c'];
const SECTIONS = ['s', 't', 'u'];

const acts = fc.record({
  who: fc.nat(2),
  what: fc.constantFrom('into', 'out', 'move', 'stop', 'unstop', 'link', 'unlink', 'erase'),
  one: fc.nat(2),
  other: fc.nat(2),
});
/** What three editors do, and who hears of whom when: between two of them the network comes and goes. */
const history = fc.array(
  fc.oneof(
    acts,
    fc.record({ who: fc.nat(2), what: fc.constant('hear'), one: fc.nat(2), other: fc.nat(2) }),
  ),
  { maxLength: 25 },
);

function act(doc: Y.Doc, { what, one, other }: { what: string; one: number; other: number }): void {
  const stops = readDeck(doc).trails[0]?.stops ?? [];
  const stop = stops[one % Math.max(1, stops.length)]?.id ?? '';
  const before = stops[other % Math.max(1, stops.length)]?.id ?? null;
  if (what === 'into') setSection(doc, SECTIONS[one]!, { parentId: SECTIONS[other]! });
  if (what === 'out') setSection(doc, SECTIONS[one]!, { parentId: null });
  if (what === 'move') moveStop(doc, 'r', stop, before);
  if (what === 'stop') addStop(doc, 'r', SLIDES[one]!);
  if (what === 'unstop') removeStop(doc, 'r', stop);
  if (what === 'link') linkElement(doc, 'a', `x${one}`, toSlide(SLIDES[other]!));
  if (what === 'unlink') {
    for (const { id, carrier } of Object.values(readDeck(doc).links)) {
      if (carrier.kind === 'element' && carrier.elementId === `x${one}`) removeLink(doc, id);
    }
  }
  if (what === 'erase' && one === 2) removeElements(doc, 'a', [`x${other}`], 'stay');
}

const hear = (to: Y.Doc, from: Y.Doc): void =>
  Y.applyUpdate(to, Y.encodeStateAsUpdate(from, Y.encodeStateVector(to)));

function expectSound(read: Deck): void {
  for (const { stops } of read.trails) {
    expect(new Set(stops.map(({ id }) => id)).size).toBe(stops.length);
  }
  for (const id of Object.keys(read.sections)) {
    const path = sectionPath(read, id).map((section) => section.id);
    expect(new Set(path).size).toBe(path.length);
  }
  const carriers = Object.values(read.links).flatMap(({ carrier }) =>
    carrier.kind === 'element' ? [carrier.elementId] : [],
  );
  expect(new Set(carriers).size).toBe(carriers.length);
}

test('three who edit one deck, with the network between them coming and going, end with the same sound deck', () => {
  const first = deck(
    slide('a', text('One', { id: 'x0' }), text('Two', { id: 'x1' }), text('Three', { id: 'x2' })),
    slide('b'),
    slide('c', ending()),
  );
  addTrail(first, { id: 'r', name: 'Round', slideIds: ['a', 'b', 'c'] });
  fc.assert(
    fc.property(history, (happenings) => {
      const editors = [0, 1, 2].map((index) => {
        const doc = new Y.Doc();
        doc.clientID = index + 1;
        hear(doc, first);
        // Each brings a section of their own, so that no two have them in the same order.
        addSection(doc, { id: SECTIONS[index]!, name: 'Part', slideIds: [SLIDES[index]!] });
        return doc;
      });
      for (const to of editors) for (const from of editors) hear(to, from);
      for (const happening of happenings) {
        const doc = editors[happening.who]!;
        if (happening.what === 'hear') hear(doc, editors[happening.one]!);
        else act(doc, happening);
        expectSound(readDeck(doc));
      }
      for (const to of editors) for (const from of editors) hear(to, from);
      const [one, ...others] = editors.map((doc) => readDeck(doc));
      expectSound(one!);
      for (const other of others) expect(other).toEqual(one);
    }),
    { numRuns: 600 },
  );
});

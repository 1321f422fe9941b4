import fc from 'fast-check';
import type * as Y from 'yjs';
import {
  addChoice,
  addCloseUpStop,
  addSection,
  addTrail,
  beginWalk,
  hasNestedSections,
  isAtChoice,
  jump,
  readDeck,
  routeGraph,
  setElement,
  toSlide,
  trailToWalk,
  walkAlong,
  walkBack,
  walkBeside,
  walkOn,
  type ElementId,
  type SectionId,
  type ShownStep,
  type SlideId,
  type TrailId,
  type WalkGround,
} from '../index.js';
import { idOf } from '../parts/ids.js';
import { choice, deck, element, ending, slide, text, way } from '../testing/builder.js';

const S = (name: string): SlideId => idOf(name);
const ground = (doc: Y.Doc, isLed = false): WalkGround => {
  const read = readDeck(doc);
  return { deck: read, graph: routeGraph(read), trail: trailToWalk(read, null), isLed };
};
const path = (walk: readonly ShownStep[] | null): string =>
  walk?.map(({ slideId }) => slideId).join(' ') ?? 'waits';
/** As far as arrows lead, at most so often. */
function toTheEnd(on: WalkGround, most = 40): ShownStep[] {
  let walk = beginWalk(on, null);
  for (let left = most; left > 0; left--) {
    const next = walkOn(on, walk);
    if (!next) break;
    walk = next;
  }
  return walk;
}
const withTrail = (doc: Y.Doc, ...slides: string[]): Y.Doc => {
  addTrail(doc, { id: idOf<TrailId>('long'), name: 'Long', slideIds: slides.map(S) });
  return doc;
};
const STORY = (): Y.Doc =>
  deck(
    slide('gate', choice('left', 'wood'), choice('right', 'hill')),
    slide('wood', choice('on', 'lake'), choice('home', 'hill')),
    slide('hill', choice('down', 'lake')),
    slide('lake', ending()),
  );

test('arrows go along the only way out, and wait where there are choices', () => {
  const on = ground(STORY());
  expect(path(toTheEnd(on))).toBe('gate');
  const chosen = walkAlong(on, beginWalk(on, null), on.graph.waysOut.get(S('gate'))![1]!.id)!;
  expect(path(walkOn(on, chosen))).toBe('gate hill lake');
  expect(walkOn(on, walkOn(on, chosen)!)).toBeNull();
});

test('a trail that was chosen decides where one of the choices leads to its next stop, and nowhere else', () => {
  const doc = withTrail(STORY(), 'gate', 'wood', 'hill', 'lake');
  expect(path(toTheEnd(ground(doc, true)))).toBe('gate wood hill lake');
  expect(path(toTheEnd(ground(doc)))).toBe('gate');
  const jumping = withTrail(STORY(), 'gate', 'lake');
  expect(path(toTheEnd(ground(jumping, true)))).toBe('gate');
});

test('what the trail chose is known as the link that was taken', () => {
  const on = ground(withTrail(STORY(), 'gate', 'wood', 'lake'), true);
  expect(toTheEnd(on).map(({ via }) => via)).toEqual(['start', 'gate-wood-left', 'wood-lake-on']);
});

test('a close-up on a slide with choices is flown into also when nothing was chosen', () => {
  const doc = deck(
    slide(
      'gate',
      element({
        kind: 'closeup',
        layer: 'content',
        id: idOf<ElementId>('near'),
        box: { x: 100, y: 100, w: 300, h: 168 },
        name: 'near',
      }),
      choice('left', 'wood'),
      choice('right', 'hill'),
    ),
    slide('wood', ending()),
    slide('hill', ending()),
  );
  withTrail(doc, 'gate', 'wood');
  addCloseUpStop(doc, idOf('long'), S('gate'), idOf('near'));
  const walk = toTheEnd(ground(doc));
  expect(walk.map(({ slideId, stop }) => `${slideId} ${stop}`)).toEqual(['gate 0', 'gate 1']);
});

test('things that come one by one come first, and go again on the way back', () => {
  const doc = deck(
    slide('a', text('one', { id: 'one' }), text('two', { id: 'two' }), choice('on', 'b')),
    slide('b', ending()),
  );
  setElement(doc, S('a'), idOf('one'), { comes: 1 });
  setElement(doc, S('a'), idOf('two'), { comes: 2 });
  const on = ground(doc);
  const shown = (walk: readonly ShownStep[]): string =>
    walk.map((step) => `${step.slideId}${step.shown ?? 0}`).join(' ');
  const all = toTheEnd(on);
  expect(shown(all)).toBe('a2 b0');
  expect(shown(walkBack(walkBack(all)))).toBe('a1');
  expect(shown(walkBack(walkBack(walkBack(walkBack(all)))))).toBe('a0');
});

test('back along a link goes where the walk came from, and from the first slide nowhere', () => {
  const doc = deck(
    slide('a', choice('on', 'b')),
    slide('b', way('back', { kind: 'step', step: 'back' }), way('to a', toSlide(S('a')))),
  );
  const on = ground(doc);
  const back = on.graph.waysOut.get(S('b'))!.find(({ wording }) => wording === 'back')!.id;
  expect(path(walkAlong(on, jump(on, beginWalk(on, null), S('b')), back))).toBe('a');
  expect(walkAlong(on, beginWalk(on, S('b')), back)).toBeNull();
  expect(walkAlong(on, beginWalk(on, null), idOf('none'))).toBeNull();
});

test('a deck without a slide has no walk; a slide that is gone begins at the start', () => {
  expect(beginWalk(ground(deck()), null)).toEqual([]);
  expect(walkOn(ground(deck()), [])).toBeNull();
  expect(path(beginWalk(ground(STORY()), S('gone')))).toBe('gate');
});

/** A deck of up to seven slides and any links between them, and a trail over some. */
const STORIES = fc.integer({ min: 2, max: 7 }).chain((count) => {
  const one = fc.integer({ min: 0, max: count - 1 });
  return fc.record({
    count: fc.constant(count),
    links: fc.array(fc.tuple(one, one), { maxLength: 12 }),
    stops: fc.array(one, { maxLength: 9 }),
  });
});

test('whatever the deck: nobody who was not led goes past a choice, and whoever was led only where a choice leads', () => {
  fc.assert(
    fc.property(STORIES, fc.boolean(), ({ count, links, stops }, isLed) => {
      const doc = deck(
        ...Array.from({ length: count }, (_, at) =>
          slide(
            `s${at}`,
            ...links.flatMap(([from, to], number) =>
              from === at ? [choice(`to ${to}`, `s${to}`, `l${number}`)] : [],
            ),
          ),
        ),
      );
      withTrail(doc, ...stops.map((at) => `s${at}`));
      const on = ground(doc, isLed);
      const walk = toTheEnd(on, 12);
      walk.slice(1).forEach(({ slideId }, at) => {
        const before = walk[at]!.slideId;
        if (slideId === before || !isAtChoice(on, on.deck.slides[before]!)) return;
        expect(isLed).toBe(true);
        const leads = on.graph.waysOut.get(before)!.flatMap(({ id }) => on.graph.to.get(id) ?? []);
        expect(leads).toContain(slideId);
      });
    }),
    { numRuns: 300 },
  );
});

describe('sections that lie in one another', () => {
  /** Two chapters; the second has a side room of two slides. */
  const BOOK = (): Y.Doc => {
    const doc = deck(...['a1', 'a2', 'b1', 'c1', 'c2', 'b2', 'end'].map((name) => slide(name)));
    addSection(doc, { id: idOf<SectionId>('a'), name: 'A', slideIds: ['a1', 'a2'].map(S) });
    addSection(doc, {
      id: idOf<SectionId>('b'),
      name: 'B',
      slideIds: ['b1', 'c1', 'c2', 'b2'].map(S),
    });
    addSection(doc, { id: idOf<SectionId>('c'), name: 'C', slideIds: ['c1', 'c2'].map(S) });
    return withTrail(doc, 'a1', 'a2', 'b1', 'c1', 'c2', 'b2', 'end');
  };
  const from = (name: string, way: 'across' | 'within', by: 1 | -1): string =>
    walkBeside(ground(BOOK()), beginWalk(ground(BOOK()), S(name)), way, by)?.at(-1)?.slideId ??
    'stays';

  it.each([
    ['a1', 'across', 1, 'b1'],
    ['b1', 'across', 1, 'end'],
    ['c1', 'across', 1, 'b2'],
    ['end', 'across', -1, 'b1'],
    ['c2', 'across', -1, 'b1'],
    ['b1', 'across', -1, 'a1'],
    ['a1', 'across', -1, 'stays'],
    ['a1', 'within', 1, 'a2'],
    ['a2', 'within', 1, 'stays'],
    ['b1', 'within', 1, 'c1'],
    ['c2', 'within', 1, 'stays'],
    ['c1', 'within', -1, 'stays'],
    ['b2', 'within', -1, 'c2'],
  ] as const)('from %s %s by %i: %s', (at, way, by, to) => {
    expect(from(at, way, by)).toBe(to);
  });

  it('are there only where one lies in another', () => {
    expect(hasNestedSections(ground(BOOK()))).toBe(true);
    expect(hasNestedSections(ground(withTrail(STORY(), 'gate')))).toBe(false);
  });

  it('lead nobody past a choice either', () => {
    const doc = BOOK();
    addChoice(doc, S('a1'), 'one', { slideId: S('a2') });
    addChoice(doc, S('a1'), 'two', { slideId: S('end') });
    const on = ground(doc);
    expect(walkBeside(on, beginWalk(on, null), 'across', 1)).toBeNull();
    expect(walkBeside(on, beginWalk(on, null), 'within', 1)).toBeNull();
    const led = ground(doc, true);
    expect(path(walkBeside(led, beginWalk(led, null), 'within', 1))).toBe('a1 a2');
    expect(walkBeside(led, beginWalk(led, null), 'across', 1)).toBeNull();
  });
});

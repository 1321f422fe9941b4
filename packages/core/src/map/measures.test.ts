import * as fc from 'fast-check';
import {
  endingCoverage,
  measure,
  readDeck,
  routeGraph,
  routesOf,
  wordsOf,
  type Deck,
} from '../index.js';
import { wordCount } from './measures.js';
import { choice, choiceQuestion, deck, ending, slide, text, way } from '../testing/builder.js';

const measuresOf = (read: Deck) =>
  measure(read, routesOf(read, routeGraph(read)), { wordsPerMinute: 60, secondsPerQuestion: 10 });

/** A graph given by its links; slide i takes `times[i]` seconds, as it has that many words. */
interface Plan {
  times: number[];
  links: [number, number][];
  endings: number[];
}

const SEVEN = readDeck(deck(...[0, 1, 2, 3, 4, 5, 6].map((index) => slide(`s${index}`))));

function deckOf({ times, links, endings }: Plan): Deck {
  const read = times.length <= 7 ? SEVEN : readDeck(deck(...times.map((_, i) => slide(`s${i}`))));
  const slides = Object.fromEntries(
    times.map((time, index) => {
      const known = read.slides[`s${index}`]!;
      return [
        known.id,
        {
          ...known,
          isEnding: endings.includes(index),
          elements: time
            ? [
                {
                  ...known.elements[0]!,
                  kind: 'text' as const,
                  text: {
                    type: 'doc' as const,
                    content: [
                      {
                        type: 'paragraph',
                        content: [{ type: 'text', text: 'word '.repeat(time) }],
                      },
                    ],
                  },
                } as Deck['slides'][string]['elements'][number],
              ]
            : [],
        },
      ];
    }),
  );
  const all = links.map(([from, to], index) => ({
    id: `l${index}`,
    from: `s${from}`,
    carrier: { kind: 'none' as const },
    target: { kind: 'slide' as const, slideId: `s${to}` },
    wording: '',
  }));
  return {
    ...read,
    slides,
    startSlideId: 's0',
    links: Object.fromEntries(all.map((link) => [link.id, link])),
  };
}

const plans = (isAcyclic: boolean): fc.Arbitrary<Plan> =>
  fc.integer({ min: 1, max: 7 }).chain((n) => {
    const place = fc.integer({ min: 0, max: n - 1 });
    return fc.record({
      times: fc.array(fc.integer({ min: 0, max: 5 }), { minLength: n, maxLength: n }),
      links: fc
        .array(fc.tuple(place, place), { maxLength: 14 })
        .map((links) => (isAcyclic ? links.filter(([a, b]) => a < b) : links)),
      endings: fc.uniqueArray(place, { maxLength: 3 }),
    });
  });

const linksFrom = (plan: Plan, at: number): number[] =>
  plan.links.filter(([from]) => from === at).map(([, to]) => to);

/** Whether some walk from here ends, that does not come through the start again: every walk is tried. */
function mayEnd(plan: Plan, at: number, walked: number[] = []): boolean {
  if (at === 0 || walked.includes(at)) return false;
  const ways = linksFrom(plan, at);
  const ends = plan.endings.includes(at) || ways.length === 0;
  return ends || ways.some((next) => mayEnd(plan, next, [...walked, at]));
}

/** The stations of a menu at the start: come to by slides from all of which one can only come back. */
function stations(plan: Plan): Set<number> {
  const found = new Set<number>();
  const walk = (at: number): void => {
    if (at === 0 || found.has(at) || mayEnd(plan, at)) return;
    found.add(at);
    linksFrom(plan, at).forEach(walk);
  };
  linksFrom(plan, 0).forEach(walk);
  return found;
}

/** Coming back to the start begins a new route, unless one has only been at a station of it. */
const waysFrom = (plan: Plan, at: number): number[] =>
  linksFrom(plan, at).filter((to) => to !== 0 || at === 0 || stations(plan).has(at));
const isStop = (plan: Plan, at: number): boolean =>
  plan.endings.includes(at) || waysFrom(plan, at).length === 0;

/** Every route of an acyclic plan, walked out one by one. */
function allRoutes(plan: Plan): number[][] {
  const found: number[][] = [];
  const walk = (route: number[]): void => {
    const at = route.at(-1)!;
    if (isStop(plan, at)) found.push(route);
    for (const next of waysFrom(plan, at)) walk([...route, next]);
  };
  walk([0]);
  return found;
}

function reaches(plan: Plan, from: number, without?: number): Set<number> {
  const found = new Set<number>();
  const waiting = from === without ? [] : [from];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    if (found.has(at)) continue;
    found.add(at);
    waiting.push(...waysFrom(plan, at).filter((next) => next !== without));
  }
  return found;
}

const RUNS = { numRuns: 2000 };

describe('against walking out every route', () => {
  test('acyclic decks: routes, times and coverage', () => {
    fc.assert(
      fc.property(plans(true), (plan) => {
        const routes = allRoutes(plan);
        const times = routes.map((route) => route.reduce((sum, at) => sum + plan.times[at]!, 0));
        const read = deckOf(plan);
        const measures = measuresOf(read);
        expect(measures.routes).toBe(BigInt(routes.length));
        expect(measures.hasLoops).toBe(false);
        expect(measures.shortest).toBeCloseTo(Math.min(...times), 6);
        expect(measures.longest).toBeCloseTo(Math.max(...times), 6);
        expect(measures.average).toBeCloseTo(
          times.reduce((sum, time) => sum + time, 0) / times.length,
          2,
        );
        const every = [...plan.times.keys()].filter((at) =>
          routes.every((route) => route.includes(at)),
        );
        expect([...measures.onEvery].sort()).toEqual(every.map((at) => `s${at}`).sort());
      }),
      RUNS,
    );
  });

  test('decks with loops: a loop is one place that is walked once', () => {
    fc.assert(
      fc.property(plans(false), (plan) => {
        const reach = plan.times.map((_, at) => reaches(plan, at));
        const part = plan.times.map((_, at) =>
          Math.min(...[...reach[at]!].filter((other) => reach[other]!.has(at))),
        );
        const members = (home: number): number[] =>
          [...plan.times.keys()].filter((at) => part[at] === home);
        // Routes over the loops taken as single places, one by one.
        const routes: number[][] = [];
        const walk = (route: number[]): void => {
          const home = route.at(-1)!;
          for (const at of members(home)) {
            if (isStop(plan, at)) routes.push(route);
            for (const next of waysFrom(plan, at)) {
              if (part[next] !== home) walk([...route, part[next]!]);
            }
          }
        };
        walk([part[0]!]);
        const timeOf = (home: number): number =>
          members(home).reduce((sum, at) => sum + plan.times[at]!, 0);
        const times = routes.map((route) => route.reduce((sum, home) => sum + timeOf(home), 0));
        const measures = measuresOf(deckOf(plan));
        expect(measures.routes).toBe(BigInt(routes.length));
        expect(measures.longest).toBeCloseTo(routes.length ? Math.max(...times) : 0, 6);
        // On every route: without the slide no stop is reached.
        const stops = [...reach[0]!].filter((at) => isStop(plan, at));
        const every =
          stops.length === 0
            ? []
            : [...reach[0]!].filter((at) => {
                const left = reaches(plan, 0, at);
                return stops.every((stop) => stop === at || !left.has(stop));
              });
        expect([...measures.onEvery].sort()).toEqual(every.map((at) => `s${at}`).sort());
      }),
      RUNS,
    );
  });

  test('where routes join again', () => {
    fc.assert(
      fc.property(plans(true), (plan) => {
        const measures = measuresOf(deckOf(plan));
        const joins = new Map(measures.joins.map(({ choice, at }) => [choice, at]));
        const reachable = reaches(plan, 0);
        for (const at of reachable) {
          const routes: number[][] = [];
          const walk = (route: number[]): void => {
            const here = route.at(-1)!;
            if (isStop(plan, here)) routes.push(route.slice(1));
            for (const next of waysFrom(plan, here)) walk([...route, next]);
          };
          walk([at]);
          // Stopping at the choice itself joins nowhere.
          const shared = routes[0]!.filter((other) =>
            routes.every((route) => route.includes(other)),
          );
          const hasChoice = new Set(waysFrom(plan, at)).size > 1;
          expect(joins.get(`s${at}`)).toBe(
            hasChoice && shared.length > 0 ? `s${shared[0]}` : undefined,
          );
        }
      }),
      RUNS,
    );
  });
});

test('numbers of any size, and never a hang: 200 slides in pairs have 2¹⁰⁰ routes', () => {
  const plan: Plan = { times: Array<number>(301).fill(1), links: [], endings: [300] };
  for (let index = 0; index < 100; index += 1) {
    const [at, a, b, next] = [index * 3, index * 3 + 1, index * 3 + 2, index * 3 + 3];
    plan.links.push([at, a], [at, b], [a, next], [b, next]);
  }
  const measures = measuresOf(deckOf(plan));
  expect(measures.routes).toBe(2n ** 100n);
  expect(measures.shortest).toBeCloseTo(201, 6);
  expect(measures.onEvery).toHaveLength(101);
  expect(measures.joins).toHaveLength(100);
});

test('coverage: the share of routes that come to a question', () => {
  const read = readDeck(
    deck(
      slide('a', choice('one', 'b'), choice('two', 'c'), choice('three', 'd')),
      slide('b', choice('on', 'd'), choiceQuestion('q', 'Which?', ['*x', 'y'])),
      slide('c', choice('on', 'd'), choice('on too', 'd')),
      slide('d', ending(), choiceQuestion('r', 'Which?', ['*x', 'y'])),
      slide('e', choiceQuestion('s', 'Which?', ['*x', 'y']), text('nobody comes here')),
    ),
  );
  const measures = measuresOf(read);
  expect(measures.routes).toBe(4n);
  expect(
    measures.coverage.map(({ questionId, share, isOnEvery }) => [questionId, share, isOnEvery]),
  ).toEqual([
    ['q', 0.25, false],
    ['r', 1, true],
    ['s', 0, false],
  ]);
  expect(measures.reachable).toBe(4);
});

test('a menu and its stations are one place, and back only returns', () => {
  const read = readDeck(
    deck(
      slide('menu', choice('Tides', 'tides'), choice('Winds', 'winds'), choice('Done', 'end')),
      slide('tides', choice('To the menu', 'menu'), choice('Closer', 'moon')),
      slide('moon', way('Back', { kind: 'step', step: 'back' })),
      slide('winds', choice('To the menu', 'menu')),
      slide('end', ending(), choiceQuestion('q', 'Which?', ['*x', 'y'])),
    ),
  );
  const measures = measuresOf(read);
  expect(measures.routes).toBe(1n);
  expect(measures.onEvery).toEqual(['menu', 'end']);
  expect(measures.coverage).toEqual([
    { slideId: 'end', questionId: 'q', share: 1, isOnEvery: true },
  ]);
});

test('“Start over” at the end of a branch begins a new route', () => {
  const read = readDeck(
    deck(
      slide('start', choice('Row', 'boat'), choice('Wait', 'night')),
      slide('boat', choice('North', 'home'), choice('Reef', 'wreck')),
      slide('wreck', choice('Start over', 'start')),
      slide('home', ending()),
      slide('night', ending()),
    ),
  );
  expect(measuresOf(read).routes).toBe(3n);
});

test('a deck without a start has no routes', () => {
  const read = { ...readDeck(deck(slide('a', ending()))), startSlideId: null };
  expect(measuresOf(read)).toMatchObject({ routes: 0n, reachable: 0, shortest: 0, onEvery: [] });
});

describe('which questions each ending has met', () => {
  const plan = (met: ReturnType<typeof endingCoverage>): string[] =>
    (met?.endings ?? []).map(({ slideId, met: row }) => `${slideId}: ${row.join(' ')}`);
  const metIn = (read: Deck) => endingCoverage(read, routesOf(read, routeGraph(read)));

  test('always on every way, some on a side trip, never on the other branch', () => {
    const read = readDeck(
      deck(
        slide(
          'pier',
          choiceQuestion('q1', 'Wind?', ['a']),
          choice('Row', 'sea'),
          choice('Wait', 'inn'),
        ),
        slide('sea', choice('Dive', 'deep'), choice('On', 'isle')),
        slide('deep', choiceQuestion('q2', 'Dark?', ['a']), choice('Up', 'isle')),
        slide('isle', ending()),
        slide('inn', choiceQuestion('q3', 'Tea?', ['a']), ending()),
      ),
    );
    expect(plan(metIn(read))).toEqual(['isle: always some never', 'inn: always never always']);
  });

  test('nothing to tell without endings or questions', () => {
    expect(metIn(readDeck(deck(slide('a', choiceQuestion('q', 'Why?', ['a'])))))).toBeNull();
    expect(metIn(readDeck(deck(slide('a', ending()))))).toBeNull();
  });

  test('against walking on without the slide', () => {
    fc.assert(
      fc.property(plans(false), (plan) => {
        const read = deckOf(plan);
        const asked = Object.fromEntries(
          Object.values(read.slides).map((one) => [
            one.id,
            {
              ...one,
              elements: [{ id: `q${one.id}`, kind: 'question', box: { x: 0, y: 0, w: 9, h: 9 } }],
            },
          ]),
        ) as unknown as Deck['slides'];
        const met = metIn({ ...read, slides: asked });
        for (const { slideId, met: row } of met?.endings ?? []) {
          const at = Number(slideId.slice(1));
          row.forEach((said, question) => {
            const always = !reaches(plan, 0, question).has(at);
            const some = reaches(plan, 0).has(question) && reaches(plan, question).has(at);
            expect(said).toBe(always ? 'always' : some ? 'some' : 'never');
          });
        }
      }),
      RUNS,
    );
  });
});

test('words are counted as white space parts them', () => {
  const sign = fc.constantFrom('a', 'é', '漢', ' ', '\u00a0', '\t', '\u2003', '\u0001', '\u001f');
  fc.assert(
    fc.property(fc.string({ unit: sign, maxLength: 40 }), (words) => {
      const { slides } = readDeck(deck(slide('s: S', text(words.replaceAll('\n', ' ')))));
      const said = slides.s!.elements.flatMap((one) => ('text' in one ? wordsOf(one.text) : []));
      const counted = said.join(' ').split(/\s+/).filter(Boolean).length;
      expect(wordCount(slides.s!)).toBe(counted);
    }),
  );
});

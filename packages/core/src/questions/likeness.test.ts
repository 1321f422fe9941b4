import fc from 'fast-check';
import {
  clustersOf,
  countsAs,
  densityOf,
  DENSITY_FIELDS,
  isWithinSlips,
  likeGroups,
  likeTexts,
  markAnswer,
  readDeck,
  withLikened,
  type QuestionElement,
  type Spot,
} from '../index.js';
import { deck, question, slide } from '../testing/builder.js';

describe('near texts', () => {
  test.each([
    ['lamp', 'lamp', 0, true],
    ['lamp', 'lanp', 1, true],
    ['lamp', 'lamps', 1, true],
    ['lamp', 'lapm', 1, true],
    ['lamp', 'pmal', 2, false],
    ['lighthouse', 'lihgthuose', 2, true],
    ['lighthouse', 'lighthose', 0, false],
    ['', 'ab', 2, true],
  ])('%p and %p are within %p slips: %p', (one, other, slips, isNear) => {
    expect(isWithinSlips(one, other, slips)).toBe(isNear);
    expect(isWithinSlips(other, one, slips)).toBe(isNear);
  });

  test('two texts are always within as many slips as the longer one has letters', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (one, other) => {
        expect(isWithinSlips(one, other, Math.max(one.length, other.length))).toBe(true);
      }),
    );
  });

  test('groups show what is a slip away; short words have no slips', () => {
    const groups = likeGroups({ copper: 9, coper: 2, Coppre: 1, iron: 3, irons: 1, N: 2, M: 1 });
    expect(groups).toEqual([
      {
        text: 'copper',
        count: 9,
        near: [
          { text: 'coper', count: 2 },
          { text: 'Coppre', count: 1 },
        ],
      },
      { text: 'iron', count: 3, near: [{ text: 'irons', count: 1 }] },
      { text: 'N', count: 2, near: [] },
      { text: 'M', count: 1, near: [] },
    ]);
  });

  test('no answer is lost in grouping', () => {
    const texts = fc.dictionary(fc.string({ maxLength: 8 }), fc.integer({ min: 1, max: 9 }));
    fc.assert(
      fc.property(texts, (given) => {
        const all = Object.values(given).reduce((sum, count) => sum + count, 0);
        const total = (groups: readonly { count: number }[]): number =>
          groups.reduce((sum, { count }) => sum + count, 0);
        expect(total(likeTexts(given))).toBe(all);
        const groups = likeGroups(given);
        expect(total(groups) + total(groups.flatMap(({ near }) => near))).toBe(all);
      }),
    );
  });
});

describe('markers that lie together', () => {
  const around = (x: number, y: number, count: number): Spot[] =>
    Array.from({ length: count }, (_, n) => ({ x: x + (n % 5) * 0.004, y: y + n * 0.001 }));

  test('two groups and a stray', () => {
    const { clusters, strays } = clustersOf([
      ...around(0.2, 0.2, 12),
      ...around(0.8, 0.7, 7),
      { x: 0.5, y: 0.95 },
    ]);
    expect(clusters.map(({ count }) => count)).toEqual([12, 7]);
    expect(strays).toBe(1);
    expect(clusters[0]!.x).toBeCloseTo(0.207, 2);
    expect(clusters[0]!.y).toBeCloseTo(0.2055, 3);
    expect(clusters[0]!.radius).toBeLessThan(0.02);
  });

  test('every marker is in a group or a stray, in whatever order they come', () => {
    const place = fc.record({
      x: fc.integer({ min: 0, max: 100 }),
      y: fc.integer({ min: 0, max: 100 }),
    });
    fc.assert(
      fc.property(fc.array(place, { maxLength: 60 }), (places) => {
        const spots = places.map(({ x, y }) => ({ x: x / 100, y: y / 100 }));
        const found = clustersOf(spots);
        const grouped = found.clusters.reduce((sum, { count }) => sum + count, 0);
        expect(grouped + found.strays).toBe(spots.length);
        expect(clustersOf([...spots].reverse()).clusters.length).toBe(found.clusters.length);
      }),
    );
  });

  test('density is highest where markers lie, and nothing where none do', () => {
    const field = densityOf(around(0.5, 0.5, 10));
    const at = (x: number, y: number): number =>
      field[Math.floor(y * DENSITY_FIELDS) * DENSITY_FIELDS + Math.floor(x * DENSITY_FIELDS)]!;
    expect(at(0.5, 0.5)).toBeGreaterThan(0.9);
    expect(at(0.1, 0.9)).toBe(0);
    expect(densityOf([]).every((value) => value === 0)).toBe(true);
  });
});

describe('counted as another by hand', () => {
  const likened = { coper: 'copper', kopper: 'coper', iron: 'steel' };
  test('what was written counts as what it was likened to, over several steps; a circle ends', () => {
    expect(countsAs(likened, 'kopper')).toBe('copper');
    expect(countsAs(likened, 'lamp')).toBe('lamp');
    expect(['a', 'b']).toContain(countsAs({ a: 'b', b: 'a' }, 'a'));
    expect(countsAs({}, 'toString')).toBe('toString');
  });
  test('groups are called by what they count as', () => {
    expect(likeTexts({ Kopper: 5, coper: 2, copper: 1, lamp: 1 }, likened)).toEqual([
      { text: 'copper', count: 8 },
      { text: 'lamp', count: 1 },
    ]);
  });
  test('the mark follows: what was likened to something right is right', () => {
    const word = readDeck(
      deck(
        slide(
          's',
          question(
            'q',
            '?',
            { kind: 'textEntry', points: 1 },
            {
              kind: 'textEntry',
              accepted: ['copper'],
              heedsCase: true,
              heedsAccents: true,
            },
          ),
        ),
      ),
    ).slides.s!.elements.find(({ id }) => id === 'q') as QuestionElement;
    const asked = withLikened(new Map([['q', word]]), { q: likened }).get('q')!;
    const worth = (text: string) => markAnswer(asked, { kind: 'textEntry', text });
    expect(['copper', 'Copper', 'KOPPER', 'coper ', 'iron', 'lamp'].map(worth)).toEqual([
      1, 0, 1, 1, 0, 0,
    ]);
    expect(markAnswer(word, { kind: 'textEntry', text: 'coper' })).toBe(0);
  });
});

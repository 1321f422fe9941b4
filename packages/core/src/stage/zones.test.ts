import * as fc from 'fast-check';
import {
  copyId,
  drop,
  keptOnTrack,
  lyingPieces,
  pieceOf,
  piecesIn,
  putInto,
  readCopyId,
  readDeck,
  STAGE,
  TRACKS,
  zoneUnder,
  type Box,
  type PieceRules,
  type Placements,
  type Slide,
  type ZoneElement,
} from '../index.js';
import { deck, element, piece, slide, zone } from '../testing/builder.js';

const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });
const RULES: PieceRules = {
  track: 'free',
  range: null,
  isRising: false,
  isRotatable: false,
  copies: 1,
  snaps: true,
};
const zoneWith = (rest: object, where = box(100, 300, 400, 200)) =>
  element({ kind: 'zone', layer: 'pieces', id: 'pool', name: 'pool', box: where, ...rest });
const sceneWith = (...parts: ReturnType<typeof zoneWith>[]): Slide =>
  readDeck(
    deck(
      slide(
        's: Pool',
        piece('crab', 'crab', box(100, 600, 120, 50)),
        piece('weed', 'weed', box(260, 600, 120, 50)),
        piece('limpet', 'limpet', box(420, 600, 120, 50)),
        ...parts,
      ),
    ),
  ).slides.s!;
const scene = sceneWith(
  zone('pool', 'pool', box(100, 300, 400, 200)),
  zone('deep', 'deep', box(150, 350, 200, 100)),
);
const zoneOf = (from: Slide, id = 'pool'): ZoneElement =>
  from.elements.find((one) => one.id === id) as ZoneElement;
const put = (from: Slide, ...ids: string[]): Placements =>
  ids.reduce<Placements>(
    (lie, id) => ({ ...lie, ...putInto(from, lie, id, zoneOf(from)).placements }),
    {},
  );

test('the smallest zone under the middle of a piece holds it', () => {
  expect(zoneUnder(scene, box(160, 360, 120, 50))?.id).toBe('deep');
  expect(zoneUnder(scene, box(390, 320, 100, 50))?.id).toBe('pool');
  expect(zoneUnder(scene, box(900, 320, 100, 50))).toBeNull();
});

test('pieces put in by name come to lie inside, side by side', () => {
  const one = sceneWith(zoneWith({}));
  const lie = put(one, 'crab', 'weed', 'limpet');
  expect(piecesIn(one, lie, zoneOf(one))).toEqual(['crab', 'weed', 'limpet']);
  const spots = Object.values(lie);
  expect(new Set(spots.map(({ x, y }) => `${x} ${y}`)).size).toBe(3);
});

test('a piece that is let go over the edge of a zone comes to rest within it', () => {
  const one = sceneWith(zoneWith({}));
  const { placements, zone: found } = drop(one, {}, 'crab', { x: 60, y: 310 });
  expect(found?.id).toBe('pool');
  expect(placements).toEqual({ crab: { x: 100, y: 310 } });
});

describe('turned zones', () => {
  // A strip of 600 by 80 that stands upright: turned by a quarter about (640, 360).
  const upright = (rest: object = {}): Slide =>
    sceneWith(zoneWith({ rotation: 90, ...rest }, box(340, 320, 600, 80)));

  test('take a piece where they are drawn, and not where they would lie unturned', () => {
    const one = upright();
    const middleAt = (x: number, y: number) => ({ x: x - 60, y: y - 25 });
    expect(drop(one, {}, 'crab', middleAt(640, 120)).zone?.id).toBe('pool');
    expect(drop(one, {}, 'crab', middleAt(400, 360)).zone).toBeNull();
  });

  test('hold what is put into them, whatever their turn and tidiness', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.constantFrom('free', 'row', 'grid', 'stack'),
        (rotation, tidy) => {
          const one = upright({ rotation, tidy });
          const lie = put(one, 'crab', 'weed', 'limpet');
          expect(new Set(piecesIn(one, lie, zoneOf(one)))).toEqual(
            new Set(['crab', 'weed', 'limpet']),
          );
        },
      ),
    );
  });
});

describe('tidy zones', () => {
  test('a row lines up in the middle, in the order in which pieces were let go', () => {
    const one = sceneWith(zoneWith({ tidy: 'row' }));
    const lie = put(one, 'crab', 'weed');
    const { placements } = drop(one, lie, 'limpet', { x: 90, y: 380 });
    const xs = ['limpet', 'crab', 'weed'].map((id) => placements[id]!.x);
    expect(xs).toEqual([...xs].sort((a, b) => a - b));
    expect(new Set(Object.values(placements).map(({ y }) => y))).toEqual(new Set([375]));
  });

  test('a stack lies on one heap, a grid in rows', () => {
    const stack = sceneWith(zoneWith({ tidy: 'stack' }));
    expect(put(stack, 'crab', 'weed')).toEqual({
      crab: { x: 240, y: 375 },
      weed: { x: 244, y: 371 },
    });
    const grid = sceneWith(zoneWith({ tidy: 'grid' }, box(100, 300, 270, 200)));
    const lie = put(grid, 'crab', 'weed', 'limpet');
    expect(lie.limpet!.y).toBeGreaterThan(lie.crab!.y);
  });

  test('what leaves is closed up behind', () => {
    const one = sceneWith(zoneWith({ tidy: 'row' }));
    const lie = put(one, 'crab', 'weed');
    const { placements } = drop(one, lie, 'crab', { x: 900, y: 100 });
    expect(placements.crab).toEqual({ x: 900, y: 100 });
    expect(placements.weed).toEqual({ x: 240, y: 375 });
  });
});

describe('zones that are choosy', () => {
  test('take only some, and only so many, and say why', () => {
    const choosy = sceneWith(zoneWith({ takes: ['crab'], name: 'The pool' }));
    expect(drop(choosy, {}, 'weed', { x: 200, y: 350 })).toEqual({
      placements: {},
      zone: null,
      refused: 'The pool does not take this piece.',
    });
    const small = sceneWith(zoneWith({ most: 1, name: 'The pool' }));
    const lie = put(small, 'crab');
    expect(putInto(small, lie, 'weed', zoneOf(small)).refused).toBe(
      'The pool is full: it holds one piece.',
    );
    // What lies there already may be moved about in it.
    expect(drop(small, lie, 'crab', { x: 300, y: 350 }).refused).toBeNull();
  });
});

describe('copies', () => {
  test('a heap of three, and an endless stack that always has one more', () => {
    const several = readDeck(
      deck(
        slide(
          's',
          element({
            kind: 'shape',
            shape: 'ellipse',
            layer: 'pieces',
            id: 'coin',
            box: box(100, 100, 40, 40),
            piece: { ...RULES, copies: 3 },
          }),
          element({
            kind: 'shape',
            shape: 'ellipse',
            layer: 'pieces',
            id: 'drop',
            box: box(300, 100, 40, 40),
            piece: { ...RULES, copies: 0 },
          }),
        ),
      ),
    ).slides.s!;
    expect(lyingPieces(several, {}).map(({ id }) => id)).toEqual([
      'coin',
      'coin--1',
      'coin--2',
      'drop',
    ]);
    const lie = { ...drop(several, {}, 'drop', { x: 500, y: 500 }).placements };
    expect(
      lyingPieces(several, lie)
        .map(({ id }) => id)
        .slice(-2),
    ).toEqual(['drop', 'drop--1']);
    expect(pieceOf(several, 'coin--2')?.id).toBe('coin');
    expect(pieceOf(several, 'coin--3')).toBeUndefined();
    expect(pieceOf(several, 'nothing')).toBeUndefined();
  });

  test('the identity of a copy says whose it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 }), (copy) => {
        expect(readCopyId(copyId('piece-1', copy))).toEqual({ pieceId: 'piece-1', copy });
      }),
    );
  });
});

test('a piece keeps to its track and to the stage, wherever it is pulled', () => {
  const start = box(100, 600, 120, 50);
  fc.assert(
    fc.property(
      fc.constantFrom(...TRACKS),
      ...([fc.integer({ min: -3000, max: 3000 }), fc.integer({ min: -3000, max: 3000 })] as const),
      fc.boolean(),
      (track, x, y, isRising) => {
        const range = box(200, 100, 600, 300);
        const at = keptOnTrack({ ...RULES, track, range, isRising }, start, { ...start, x, y });
        expect(
          at.x >= 0 && at.x <= STAGE.width - 120 && at.y >= 0 && at.y <= STAGE.height - 50,
        ).toBe(true);
        if (track === 'across') expect(at.y).toBe(600);
        if (track === 'down') expect(at.x).toBe(100);
        if (track === 'area')
          expect(at.x >= 200 && at.x <= 680 && at.y >= 100 && at.y <= 350).toBe(true);
        if (track === 'line') {
          const share = (at.x + 60 - 200) / 600;
          const wanted = isRising ? 400 - share * 300 : 100 + share * 300;
          expect(Math.abs(at.y + 25 - wanted)).toBeLessThan(1.5);
        }
      },
    ),
  );
});

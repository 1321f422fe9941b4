import { newElementBox, phoneReading, readDeck, readingOrder, type Box } from '../index.js';
import {
  choice,
  choiceQuestion,
  deck,
  element,
  piece,
  slide,
  text,
  zone,
} from '../testing/builder.js';

const scene = readDeck(
  deck(
    slide(
      's: Pool',
      text('Sort them', { id: 'say', box: { x: 96, y: 156, w: 500, h: 60 } }),
      piece('crab', 'crab', { x: 100, y: 600, w: 120, h: 50 }),
      piece('weed', 'weed', { x: 260, y: 600, w: 120, h: 50 }),
      zone('pool', 'pool', { x: 100, y: 300, w: 400, h: 200 }),
      zone('deep', 'deep', { x: 150, y: 350, w: 200, h: 100 }),
      choiceQuestion('q', 'Why?', ['a', 'b'], { box: { x: 700, y: 156, w: 400, h: 300 } }),
      choice('On', 's'),
      element({
        kind: 'shape',
        shape: 'ellipse',
        layer: 'content',
        id: 'map',
        box: { x: 700, y: 480, w: 100, h: 80 },
      }),
    ),
  ),
).slides.s!;

describe('reading order', () => {
  test('top to bottom, left to right, and every thing once', () => {
    expect(readingOrder(scene.elements.filter((e) => e.kind === 'text')).map((e) => e.id)).toEqual([
      's-title',
      'say',
      's-s-on-choice',
      'crab',
      'weed',
    ]);
  });
  test.each([
    [
      'a column beside another is read to its end',
      [
        [0, 0, 300, 400],
        [400, 0, 300, 100],
        [400, 120, 300, 280],
      ],
      [0, 1, 2],
    ],
    [
      'a title above two columns goes first',
      [
        [400, 100, 300, 300],
        [0, 100, 300, 300],
        [0, 0, 700, 60],
      ],
      [2, 1, 0],
    ],
    [
      'a grid is read by rows',
      [
        [0, 0, 100, 100],
        [120, 0, 100, 100],
        [0, 120, 100, 100],
        [120, 120, 100, 100],
      ],
      [0, 1, 2, 3],
    ],
    [
      'a title in the middle of its column goes before what is beside it',
      [
        [500, 0, 300, 100],
        [500, 120, 300, 300],
        [0, 200, 400, 100],
      ],
      [2, 0, 1],
    ],
    [
      'what lies across each other is read by lines',
      [
        [60, 60, 100, 100],
        [0, 0, 100, 100],
        [150, 10, 100, 100],
      ],
      [1, 2, 0],
    ],
  ] as const)('%s', (_, boxes, order) => {
    const things = boxes.map(([x, y, w, h], at) => ({
      ...scene.elements[0]!,
      id: String(at),
      box: { x, y, w, h },
    }));
    expect(readingOrder(things).map(({ id }) => Number(id))).toEqual(order);
  });
  test('a phone reads words, pieces and questions below the picture', () => {
    const reading = phoneReading(scene);
    expect(reading.title?.id).toBe('s-title');
    expect(reading.read.map((e) => e.id)).toEqual(['say', 'map']);
    expect(reading.zones.map((e) => e.id)).toEqual(['pool', 'deep']);
    expect(reading.pieces.map((e) => e.id)).toEqual(['crab', 'weed']);
    expect(reading.questions.map((e) => e.id)).toEqual(['q']);
  });
});

test('a new thing goes where nothing lies yet, as near the middle as it can', () => {
  expect(newElementBox({ ...scene, elements: [] }, { w: 280, h: 120 })).toEqual({
    x: 500,
    y: 300,
    w: 280,
    h: 120,
  });
  const spot = newElementBox(scene, { w: 200, h: 80 });
  for (const { box } of scene.elements) {
    const isApart =
      spot.x >= box.x + box.w ||
      box.x >= spot.x + spot.w ||
      spot.y >= box.y + box.h ||
      box.y >= spot.y + spot.h;
    expect(isApart).toBe(true);
  }
});

test('a new thing that finds no room is smaller, as far as it may be; on a full stage it keeps its size', () => {
  const on = (...boxes: Box[]) => ({
    elements: boxes.map((box) => ({ layer: 'content', box }) as const),
  });
  const column = on({ x: 0, y: 0, w: 800, h: 720 });
  const size = { w: 520, h: 340 };
  expect(newElementBox(column, size, 0.5)).toMatchObject({ w: 364, h: 238 });
  expect(newElementBox(column, size, 0.5).x).toBeGreaterThanOrEqual(800);
  expect(newElementBox(column, size)).toMatchObject(size);
  expect(newElementBox(on({ x: 0, y: 0, w: 1280, h: 720 }), size, 0.5)).toMatchObject(size);
});

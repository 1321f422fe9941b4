import * as Y from 'yjs';
import {
  LONGEST_SAYING,
  readShow,
  readShowTold,
  readSteering,
  restoreShow,
  shownSlide,
  spentIn,
  steer,
  tellShow,
  type InkStroke,
  type Steering,
} from '../index.js';

const place = (slideId: string, more: object = {}): string =>
  JSON.stringify({
    kind: 'place',
    walk: [{ slideId, via: 'start' }],
    trailId: null,
    closeUpId: null,
    isBlack: false,
    by: 'laptop',
    count: 1,
    ...more,
  });
const heard = (words: string): Steering => readSteering(words)!;
const stroke: InkStroke = {
  colour: '#b3372f',
  weight: 6,
  isMarker: false,
  points: [0, 0, 50, 90, 80, 60],
};

test('what was said last is where the show is, for everybody', () => {
  const [server, follower] = [new Y.Doc(), new Y.Doc()];
  server.on('update', (update: Uint8Array) => Y.applyUpdate(follower, update));
  steer(server, heard(place('pier')));
  steer(server, heard(place('lamp', { isBlack: true, by: 'phone', count: 7 })));
  const shown = readShow(follower);
  expect(shownSlide(shown.place)).toBe('lamp');
  expect(shown).toMatchObject({ place: { isBlack: true, by: 'phone', count: 7 }, ended: null });
  tellShow(server, { version: 'second', ended: { readAt: 'mika-rute-sola-bino' } });
  expect(readShow(follower)).toMatchObject({
    version: 'second',
    ended: { readAt: 'mika-rute-sola-bino' },
  });
});

test('ink lies on the slide that it was drawn on, in the order of its strokes, until it is wiped', () => {
  const doc = new Y.Doc();
  for (let weight = 1; weight <= 12; weight++) {
    steer(
      doc,
      heard(JSON.stringify({ kind: 'stroke', slideId: 'a', stroke: { ...stroke, weight } })),
    );
  }
  steer(doc, heard(JSON.stringify({ kind: 'stroke', slideId: 'a-b', stroke })));
  const weights = readShow(doc).ink['a']?.map(({ weight }) => weight);
  expect(weights).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
  steer(doc, heard(JSON.stringify({ kind: 'wipe', slideId: 'a' })));
  expect(readShow(doc).ink).toEqual({ 'a-b': [stroke] });
});

test('so many strokes lie on one slide, and no more', () => {
  const doc = new Y.Doc();
  for (let n = 0; n < 250; n++) steer(doc, { kind: 'stroke', slideId: 'a', stroke });
  expect(readShow(doc).ink['a']).toHaveLength(200);
});

test('what is not understood is not taken, and nothing of it throws', () => {
  const hostile = [
    '',
    'null',
    '{',
    '[]',
    '{"kind":"place"}',
    '{"kind":"place","walk":{}}',
    '{"kind":"place","walk":[{"slideId":"__proto__","via":"start"}]}',
    '{"kind":"place","walk":[{"slideId":"a","via":7}]}',
    '{"kind":"stroke","slideId":"a"}',
    '{"kind":"stroke","slideId":"a","stroke":{"points":[1,2]}}',
    '{"kind":"wipe","slideId":"<b>"}',
    '{"kind":"ended"}',
    `{"kind":"wipe","slideId":"a","x":"${'x'.repeat(LONGEST_SAYING)}"}`,
  ];
  for (const words of hostile) expect(readSteering(words)).toBeNull();
  expect(readSteering('{"kind":"point","at":{"x":1e9,"y":"b"}}')).toEqual({
    kind: 'point',
    at: null,
  });
  expect(readSteering('{"kind":"point","at":{"x":1e9,"y":-4}}')).toEqual({
    kind: 'point',
    at: { x: 1280, y: 0 },
  });
  for (const words of ['', '7', '{"kind":"place"}']) {
    expect(readShowTold(words)).toEqual({ kind: 'none' });
  }
});

test('of a long walk the latest steps are kept', () => {
  const walk = Array.from({ length: 1000 }, (_, n) => ({
    slideId: `s${n}`,
    via: 'trail',
    stop: n,
  }));
  const said = heard(place('x', { walk }));
  expect(said.kind === 'place' && said.walk.length).toBe(300);
  expect(said.kind === 'place' && said.walk.at(-1)).toEqual({
    slideId: 's999',
    via: 'trail',
    stop: 999,
  });
});

test('a document that is made anew begins where its show was', () => {
  const doc = new Y.Doc();
  restoreShow(doc, { walk: [{ slideId: 'lamp', via: 'jump' }], by: 'laptop', count: 3 });
  expect(shownSlide(readShow(doc).place)).toBe('lamp');
  restoreShow(doc, { walk: [{ slideId: 'pier', via: 'jump' }] });
  expect(shownSlide(readShow(doc).place)).toBe('lamp');
  restoreShow(new Y.Doc(), 'nonsense');
});

test('time is counted by section, with the slide that is shown now', () => {
  const told = readShowTold(
    JSON.stringify({
      kind: 'timing',
      followers: 3,
      startedAt: 1000,
      spent: { a: 4000, b: 1000, c: 500 },
      since: 10_000,
      now: 10_000,
    }),
  );
  if (told.kind !== 'timing') throw new Error('it is the time');
  const section = (id: string): string | null => (id === 'c' ? null : 'tower');
  expect([...spentIn(told, section, 'c', 12_000)]).toEqual([
    ['tower', 5000],
    [null, 2500],
  ]);
});

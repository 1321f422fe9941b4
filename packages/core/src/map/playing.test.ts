import { readDeck, readPace, secondsOn, setElement, writePace, type PlayPace } from '../index.js';
import { idOf } from '../parts/ids.js';
import { bare, deck, element, slide, text } from '../testing/builder.js';

const READ = (wordsPerMinute: number): PlayPace => ({ kind: 'read', wordsPerMinute });
const words = (count: number): string => Array.from({ length: count }, () => 'word').join(' ');
const oneOf = (...parts: Parameters<typeof slide>[1][]) => {
  const doc = deck(bare(slide('a', ...parts)));
  return { doc, slide: () => readDeck(doc).slides[idOf('a') as never]! };
};

test('a slide stays as long as its words take at a pace, and never less than a glance', () => {
  const { slide } = oneOf(text(words(65)));
  expect(secondsOn(slide(), READ(130))).toBeCloseTo(30);
  expect(secondsOn(slide(), READ(65))).toBeCloseTo(60);
  expect(secondsOn(oneOf().slide(), READ(130))).toBe(4);
});

test('always as long where that is wished, whatever is on it', () => {
  expect(secondsOn(oneOf(text(words(500))).slide(), { kind: 'fixed', seconds: 8 })).toBe(8);
});

test('things that come one by one share the time', () => {
  const { doc, slide } = oneOf(text(words(65), { id: 'one' }));
  setElement(doc, idOf('a'), idOf('one'), { comes: 2 });
  expect(secondsOn(slide(), READ(130))).toBeCloseTo(10);
});

test('a sound or video plays to its end', () => {
  const { slide } = oneOf(
    element({
      kind: 'media',
      layer: 'content',
      box: { x: 0, y: 0, w: 200, h: 100 },
      media: { hash: '0'.repeat(64), type: 'audio/ogg', size: 9, seconds: 47 },
    }),
  );
  expect(secondsOn(slide(), READ(130))).toBe(47);
});

test('a pace in an address is read as it was written, within bounds, and anything else is none', () => {
  for (const pace of [READ(130), { kind: 'fixed', seconds: 8 } as const]) {
    expect(readPace(writePace(pace))).toEqual(pace);
  }
  expect(readPace('9999w')).toEqual(READ(400));
  expect(readPace('0s')).toEqual({ kind: 'fixed', seconds: 1 });
  for (const wrong of [null, '', '8', 'w', '-8s', '8s;', '99999s'])
    expect(readPace(wrong)).toBeNull();
});

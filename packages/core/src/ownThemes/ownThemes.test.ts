import fc from 'fast-check';
import { drawScenery } from '../scenery/draw.js';
import { Shades } from '../scenery/shades.js';
import { readThemeData, SIDES, themeData, themeOn, wordRoom, type ThemeData } from '../index.js';
import { contrast, luminanceOf } from '../parts/luminance.js';
import { coloursOf, themeFrom, type SmallPicture } from './fromPicture.js';
import { lchOf } from './lightness.js';
import { ownOf, repaired, turnedOver } from './repair.js';

const ratio = (a: string, b: string): number => contrast(luminanceOf(a), luminanceOf(b));

/** How much of the places where words stand beside a full scenery cannot be read on. */
function unreadShare(data: ThemeData, side: 'light' | 'dark'): number {
  const theme = themeOn(undefined, {
    ref: side === 'dark' ? 'x/dark' : 'x',
    amount: 'full',
    own: { x: data },
  });
  const room = wordRoom(theme.scenery, 'words');
  const shades = new Shades(
    drawScenery({ name: theme.scenery, role: 'words', seed: 31, isQuiet: false, theme }),
  );
  let [all, unread] = [0, 0];
  for (let x = room.x + 8; x < room.x + room.w; x += 16) {
    for (let y = room.y + 8; y < room.y + room.h; y += 16) {
      all += 1;
      if (contrast(luminanceOf(theme.colours.ink), shades.at(x, y)) < 4.5) unread += 1;
    }
  }
  return unread / all;
}

function expectLegible(data: ThemeData): void {
  for (const side of SIDES) {
    const { paper, ink, head, choiceFill, choiceInk, shapeFill } = data[side];
    expect(ratio(ink, paper)).toBeGreaterThanOrEqual(4.5);
    expect(ratio(head, paper)).toBeGreaterThanOrEqual(4.5);
    expect(ratio(choiceInk, choiceFill)).toBeGreaterThanOrEqual(4.5);
    expect(ratio(ink, shapeFill)).toBeGreaterThanOrEqual(4.5);
    expect(unreadShare(data, side)).toBeLessThanOrEqual(0.1);
  }
}

const hex = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0')}`);
const seven = (keys: readonly string[]): fc.Arbitrary<Record<string, string>> =>
  fc.record(Object.fromEntries(keys.map((key) => [key, hex])));
const WORDS = ['paper', 'ink', 'head', 'choiceFill', 'choiceInk', 'shapeFill', 'line'];
const SCENE = ['sky', 'far', 'mid', 'near', 'deep', 'light', 'warm'];
const anyTheme = fc
  .record({
    light: seven(WORDS),
    dark: seven(WORDS),
    scene: fc.record({ light: seven(SCENE), dark: seven(SCENE) }),
    scenery: fc.constantFrom('hills', 'stars', 'pool', 'city', 'sheets', 'chalk'),
  })
  .map(readThemeData);

test('whatever colours a theme is given, every word can be read in it once it is repaired', () => {
  fc.assert(
    fc.property(anyTheme, (data) => expectLegible(repaired(data).data)),
    { numRuns: 12 },
  );
});

test('a theme whose colours are all one can be read', () => {
  for (const one of ['#000000', '#FFFFFF', '#808080', '#FF0000']) {
    const all = Object.fromEntries([...WORDS, ...SCENE].map((key) => [key, one]));
    const data = readThemeData({ light: all, dark: all, scene: { light: all, dark: all } });
    expectLegible(repaired(data).data);
  }
});

test('grounds stay, inks give way and keep their hue; it is said which', () => {
  const data = ownOf('paper');
  const pale = { ...data, light: { ...data.light, head: '#F2C0C0' } };
  const { data: now, repairs } = repaired(pale);
  expect(repairs).toEqual([{ side: 'light', of: 'head' }]);
  expect(now.light.paper).toBe(data.light.paper);
  expect(Math.abs(lchOf(now.light.head).h - lchOf('#F2C0C0').h)).toBeLessThan(12);
});

test('our own themes need no repair, and what is repaired needs none again', () => {
  for (const name of ['paper', 'meadow', 'harbour', 'chalk', 'city']) {
    expect(repaired(ownOf(name)).repairs).toEqual([]);
  }
  fc.assert(
    fc.property(anyTheme, (data) => {
      expect(repaired(repaired(data).data).repairs).toEqual([]);
    }),
    { numRuns: 6 },
  );
});

test('the other side of a theme is as dark as the first was light', () => {
  const { light } = ownOf('meadow');
  const dark = turnedOver(light);
  expect(luminanceOf(dark.paper)).toBeLessThan(0.1);
  expect(luminanceOf(dark.ink)).toBeGreaterThan(0.6);
});

/** A picture in stripes of colours, as wide as they are said to be. */
function striped(...stripes: [string, number][]): SmallPicture {
  const rgba: number[] = [];
  for (const [colour, width] of stripes) {
    const value = parseInt(colour.slice(1), 16);
    for (let at = 0; at < width * 10; at += 1) {
      rgba.push((value >> 16) & 255, (value >> 8) & 255, value & 255, 255);
    }
  }
  return { width: rgba.length / 40, height: 10, rgba };
}

test('the colours of a picture are found, most of it first', () => {
  const found = coloursOf(striped(['#FFFFFF', 60], ['#C4572B', 25], ['#17505C', 15]));
  expect(found.map(({ share }) => Math.round(share * 100))).toEqual([60, 25, 15]);
  expect(Math.abs(found[1]!.h - lchOf('#C4572B').h)).toBeLessThan(2);
});

test('a logo becomes a theme of its hues, legible on both sides, the same each time', () => {
  const logo = striped(['#FFFFFF', 50], ['#7A1FA2', 30], ['#2E9E4F', 20]);
  const made = themeFrom(coloursOf(logo), ownOf('meadow'));
  expectLegible(made);
  expect(Math.abs(lchOf(made.light.head).h - lchOf('#7A1FA2').h)).toBeLessThan(15);
  expect(Math.abs(lchOf(made.light.choiceFill).h - lchOf('#2E9E4F').h)).toBeLessThan(15);
  expect(themeFrom(coloursOf(logo), ownOf('meadow'))).toEqual(made);
  expect(made.head).toBe(themeData('meadow')!.head);
});

test.each([
  ['nothing but one grey', striped(['#777777', 10])],
  ['black and white', striped(['#000000', 5], ['#FFFFFF', 5])],
  ['a blinding yellow', striped(['#FFFF00', 10])],
  ['nothing that is seen', { width: 2, height: 1, rgba: [9, 9, 9, 0, 200, 9, 9, 12] }],
])('%s becomes a theme that can be read', (_, picture) => {
  expectLegible(themeFrom(coloursOf(picture), ownOf('harbour')));
});

test('any picture becomes a theme that can be read', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(hex, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 12 }),
      (stripes) => {
        expectLegible(themeFrom(coloursOf(striped(...stripes)), ownOf('city')));
      },
    ),
    { numRuns: 12 },
  );
});

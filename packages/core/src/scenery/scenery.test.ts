import fc from 'fast-check';
import {
  AMOUNTS,
  readDeck,
  refOf,
  sceneryOf,
  setBox,
  setGround,
  setScenery,
  setTheme,
  SIDES,
  SLIDE_ROLES,
  themeNamed,
  themeOn,
  THEMES,
  wordRoom,
  type Box,
  type Scenery,
} from '../index.js';
import { contrast, luminanceOf } from '../parts/luminance.js';
import { deck, slide, text } from '../testing/builder.js';
import { placesIn } from './placesIn.js';
import { drawScenery, pathOf } from './draw.js';
import { Shades, shadesOn } from './shades.js';

const allThemes = THEMES.flatMap((name) =>
  SIDES.map((side) => themeNamed(refOf(name, side), 'full')),
);
const sceneryIn = (at: Partial<Scenery>, theme = allThemes[0]!): Scenery => ({
  name: theme.scenery,
  role: 'words',
  seed: 1,
  isQuiet: false,
  theme,
  ...at,
});

/** The lowest contrast of the inks of a theme with nine tenths of what lies behind each part of a room. */
function leastContrast(scenery: Scenery, room: Box): number {
  const shades = new Shades(drawScenery(scenery));
  const { ink, head } = scenery.theme.colours;
  const inks = [ink, head].map(luminanceOf);
  const parts = placesIn(room).map((places) => {
    const ratios = places.map((at) =>
      Math.min(...inks.map((one) => contrast(one, shades.at(...at)))),
    );
    return ratios.sort((one, other) => one - other)[7]!;
  });
  return Math.min(...parts);
}
const WHOLE_SLIDE: Box = { x: 0, y: 0, w: 1280, h: 720 };

test.each(allThemes.map((theme) => [theme.ref, theme] as const))(
  'in %s words can be read beside full scenery, and anywhere on a quiet one',
  (_, theme) => {
    for (const role of SLIDE_ROLES) {
      for (let seed = 1; seed <= 6; seed += 1) {
        const full = sceneryIn({ role, seed: seed * 7919 }, theme);
        expect(leastContrast(full, wordRoom(theme.scenery, role))).toBeGreaterThanOrEqual(4.5);
        expect(leastContrast({ ...full, isQuiet: true }, WHOLE_SLIDE)).toBeGreaterThanOrEqual(4.5);
      }
    }
  },
);

test.each(allThemes.map((theme) => [theme.ref, theme.colours] as const))(
  'in %s what stands on cards can be read',
  (_, { paper, ink, head, choiceFill, choiceInk, shapeFill }) => {
    const ratio = (a: string, b: string): number => contrast(luminanceOf(a), luminanceOf(b));
    expect(ratio(ink, paper)).toBeGreaterThanOrEqual(7);
    expect(ratio(head, paper)).toBeGreaterThanOrEqual(4.5);
    expect(ratio(choiceInk, choiceFill)).toBeGreaterThanOrEqual(4.5);
    expect(ratio(ink, shapeFill)).toBeGreaterThanOrEqual(4.5);
  },
);

test('every slide has a picture of its own, the same one each time it is drawn', () => {
  for (const theme of allThemes) {
    const draw = (seed: number): string =>
      drawScenery(sceneryIn({ seed }, theme)).map(pathOf).join(' ');
    expect(draw(5)).toBe(draw(5));
    expect(new Set([5, 6, 7, 8].map(draw)).size).toBe(4);
  }
});

test('a picture stays small enough to be drawn on a phone', () => {
  for (const theme of allThemes) {
    for (const role of SLIDE_ROLES) {
      const marks = drawScenery(sceneryIn({ role, seed: 3 }, theme));
      expect(marks.length).toBeLessThan(160);
      expect(marks.map(pathOf).join('').length).toBeLessThan(60_000);
      expect(marks.map(pathOf).join('')).not.toMatch(/NaN|Infinity/);
    }
  }
});

describe('which picture a slide has', () => {
  const open = (): ReturnType<typeof deck> => {
    const doc = deck(slide('a', text('It is foggy.', { box: { x: 100, y: 100, w: 400, h: 80 } })));
    setTheme(doc, 'harbour');
    setScenery(doc, null, 'full');
    return doc;
  };
  const shown = (doc: ReturnType<typeof deck>): Scenery | null => {
    const { slides, theme } = readDeck(doc);
    return sceneryOf(slides.a!, themeOn(slides.a!, theme));
  };

  test('its theme’s, in full where words leave it room, quiet where they stand on it', () => {
    const doc = open();
    expect(shown(doc)).toMatchObject({ name: 'harbour', role: 'words', isQuiet: false });
    const body = readDeck(doc).slides.a!.elements.find(
      (one) => one.kind === 'text' && one.style === 'body',
    )!;
    setBox(doc, 'a', body.id, { x: 100, y: 560, w: 400, h: 80 });
    expect(shown(doc)).toMatchObject({ isQuiet: true });
    // On a phone the words stand below the picture.
    const { slides, theme } = readDeck(doc);
    const below = sceneryOf(slides.a!, themeOn(slides.a!, theme), ({ kind }) => kind === 'text');
    expect(below).toMatchObject({ role: 'words', isQuiet: false });
  });

  test('as much as the deck says, or the slide', () => {
    const doc = open();
    setScenery(doc, 'a', 'none');
    expect(shown(doc)).toBeNull();
    setScenery(doc, 'a', 'quiet');
    expect(shown(doc)).toMatchObject({ isQuiet: true });
    setScenery(doc, null, 'none');
    setScenery(doc, 'a', null);
    expect(shown(doc)).toBeNull();
  });

  test('none where it has a ground of its own', () => {
    const doc = open();
    setGround(doc, ['a'], { fill: '#223344' });
    expect(shown(doc)).toBeNull();
  });
});

test('Check sees the shades of the slide it looks at, and of none that has no scenery', () => {
  const doc = deck(slide('a'), slide('b'));
  setTheme(doc, 'harbour');
  setScenery(doc, 'a', 'full');
  const { slides, theme } = readDeck(doc);
  expect(shadesOn(slides.b!, themeOn(slides.b, theme))).toBeNull();
  const there = shadesOn(slides.a!, themeOn(slides.a, theme))!;
  expect(there.at(640, 700)).toBeLessThan(there.at(640, 20));
});

test('shades are as light as what was painted: fills over each other, a line by its width', () => {
  const whole = [0, 0, 1280, 0, 1280, 720, 0, 720];
  const shades = new Shades([
    { shapes: [whole], paint: '#000000', width: 0, alpha: 1 },
    { shapes: [[320, 0, 960, 0, 960, 720, 320, 720]], paint: '#ffffff', width: 0, alpha: 0.5 },
    { shapes: [[0, 648, 1280, 648]], paint: '#ffffff', width: 4, alpha: 1 },
  ]);
  expect(shades.at(100, 100)).toBe(0);
  expect(shades.at(640, 100)).toBeCloseTo(0.5);
  expect(shades.at(100, 648)).toBeCloseTo(0.25);
  expect(shades.at(-50, 9000)).toBe(0);
});

test('each amount and side of each theme is one object, however often it is asked for', () => {
  fc.assert(
    fc.property(fc.constantFrom(...THEMES), fc.constantFrom(...AMOUNTS), (name, amount) => {
      const deckTheme = { ref: name, amount, own: {} };
      expect(themeOn(undefined, deckTheme)).toBe(themeOn({ theme: null }, { ...deckTheme }));
    }),
  );
});

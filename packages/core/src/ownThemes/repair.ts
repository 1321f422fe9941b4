import { contrast, luminanceOf } from '../parts/luminance.js';
import { drawScenery } from '../scenery/draw.js';
import { placesIn } from '../scenery/placesIn.js';
import { wordRoom, type SlideRole } from '../scenery/scenery.js';
import { Shades } from '../scenery/shades.js';
import { mixed } from '../parts/mixed.js';
import {
  SIDES,
  type SceneColours,
  type Side,
  type ThemeColours,
  type ThemeData,
} from '../themes/kind.js';
import { sceneColours } from '../themes/scenes.js';
import { THEME_TABLE } from '../themes/table.js';
import { themeData, themeOn, type DeckTheme } from '../themes/theme.js';
import { hexOf, lchOf, madeToStandOut, recoloured, standsOut } from './lightness.js';

/** A colour that was changed so that words can be read. */
export interface Repair {
  side: Side;
  /** Of the words and grounds, or the scenery as a whole. */
  of: keyof ThemeColours | 'scenery';
}

/** WCAG 1.4.3, level AA, with a little to spare for rounding; running words want more. */
const LEAST = 4.6;
const LEAST_OF_INK = 7;
/** What only has to be seen. */
const LEAST_OF_LINE = 1.2;

/**
 * A theme in which every word can be read, and what had to be changed for it. Grounds stay as they are and inks give
 * way, but where no ink can be read on the paper and on shapes, shapes do.
 */
export function repaired(
  data: ThemeData,
  sides: readonly Side[] = SIDES,
): { data: ThemeData; repairs: Repair[] } {
  let now = data;
  for (const side of sides) now = repairedOn(now, side);
  const repairs = sides.flatMap((side) => [
    ...keysOf(data[side])
      .filter((of) => now[side][of] !== data[side][of])
      .map((of) => ({ side, of })),
    ...(now.scene?.[side] === data.scene?.[side] ? [] : [{ side, of: 'scenery' } as const]),
  ]);
  return { data: now, repairs };
}

const keysOf = (colours: ThemeColours): (keyof ThemeColours)[] =>
  Object.keys(colours) as (keyof ThemeColours)[];

/** Inks are found for the sky that there is; where there is none for it, the sky gives way, and inks are found anew. */
function repairedOn(data: ThemeData, side: Side): ThemeData {
  let now = data;
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    now = { ...now, [side]: legible(now[side], now.scene?.[side].sky) };
    const scene = legibleScene(now, side);
    if (!now.scene || !scene) return now;
    now = { ...now, scene: { ...now.scene, [side]: scene } };
  }
  return now;
}
const MOST_ROUNDS = 4;

function legible(colours: ThemeColours, sky = colours.paper): ThemeColours {
  const { paper, choiceFill } = colours;
  // Words stand on what the paper turns into, too, where there is an ink that can be read on both.
  const low = mixed(paper, sky, LOWEST_WORDS);
  const onPaper = (hex: string, least: number): string => {
    const onBoth = madeToStandOut(hex, [paper, low], LEAST);
    const isOn = standsOut(onBoth, [paper, low]) >= LEAST;
    return madeToStandOut(isOn ? onBoth : hex, [paper], least);
  };
  const ink = onPaper(colours.ink, LEAST_OF_INK);
  return {
    ...colours,
    ink,
    head: onPaper(colours.head, LEAST),
    choiceInk: madeToStandOut(colours.choiceInk, [choiceFill], LEAST),
    shapeFill: madeToStandOut(colours.shapeFill, [ink], LEAST),
    line: madeToStandOut(colours.line, [paper], LEAST_OF_LINE),
  };
}
/** How far the paper has turned into the sky where the lowest words stand. */
const LOWEST_WORDS = 0.7;

const ROLES: readonly SlideRole[] = ['title', 'words', 'question'];
const SEEDS = [7919, 15_838];
/** How much of what lies behind words may be something else than they can be read on: stars, a bird. */
const MOST_UNREAD = 0.08;
const STEPS = 16;

/** The colours of a side's scenery, mixed into the paper until words beside it can be read; null where they can. */
function legibleScene(data: ThemeData, side: Side): SceneColours | null {
  const { scene } = data;
  if (!scene || isSceneLegible(data, side)) return null;
  const mixedIn = blended(data, side, scene[side]);
  if (mixedIn.steps >= FEW_STEPS) return mixedIn.colours;
  // Next to nothing is left of it: perhaps more is, where all of it lies on the other side of the paper than the ink.
  const away = blended(data, side, awayFromInk(scene[side], data[side]));
  return away.steps > mixedIn.steps ? away.colours : mixedIn.colours;
}
const FEW_STEPS = STEPS / 4;

/** As much of colours over the paper as words allow, in steps of all of them. */
function blended(
  data: ThemeData,
  side: Side,
  colours: SceneColours,
): { colours: SceneColours; steps: number } {
  const left = (steps: number): SceneColours =>
    recoloured(colours, (hex) => mixed(data[side].paper, hex, steps / STEPS));
  const reads = (steps: number): boolean =>
    data.scene !== undefined &&
    isSceneLegible({ ...data, scene: { ...data.scene, [side]: left(steps) } }, side);
  if (reads(STEPS)) return { colours, steps: STEPS };
  // Nothing left of them can always be read on; all of them cannot.
  let [can, cannot] = [0, STEPS];
  while (cannot - can > 1) {
    const middle = (can + cannot) >> 1;
    if (reads(middle)) can = middle;
    else cannot = middle;
  }
  return { colours: left(can), steps: can };
}

/** Colours of the same hues, as far from the paper as they were, but darker than it where ink is light, or lighter. */
function awayFromInk(colours: SceneColours, { paper, ink }: ThemeColours): SceneColours {
  const from = lchOf(paper).l;
  const isInkLight = lchOf(ink).l > from;
  return recoloured(colours, (hex) => {
    const { l, c, h } = lchOf(hex);
    const off = Math.abs(l - from) * 0.8;
    return hexOf({ l: isInkLight ? Math.max(0.08, from - off) : Math.min(0.98, from + off), c, h });
  });
}

function isSceneLegible(data: ThemeData, side: Side): boolean {
  const ref = side === 'dark' ? 'it/dark' : 'it';
  const theme = themeOn(undefined, { ref, amount: 'full', own: { it: data } });
  const inks = [theme.colours.ink, theme.colours.head].map(luminanceOf);
  return ROLES.every((role) =>
    SEEDS.every((seed) => {
      const scenery = { name: theme.scenery, role, seed, isQuiet: false, theme };
      const shades = new Shades(drawScenery(scenery));
      return placesIn(wordRoom(theme.scenery, role)).every((places) => {
        const unread = places.filter((at) =>
          inks.some((ink) => contrast(ink, shades.at(...at)) < 4.5),
        );
        return unread.length <= MOST_UNREAD * places.length;
      });
    }),
  );
}

/** A theme that says what its scenery is painted with. */
export type PaintedTheme = ThemeData & Required<Pick<ThemeData, 'scene'>>;

/** A theme to change, as another is: what its scenery is painted with is told, too. Paper where there is no such theme. */
export function ownOf(name: string, own: DeckTheme['own'] = {}): PaintedTheme {
  const data: ThemeData = themeData(name, own) ?? THEME_TABLE.paper;
  const scene = (side: Side): SceneColours =>
    data.scene?.[side] ?? sceneColours({ ref: name, side, scene: null });
  return { ...data, scene: { light: scene('light'), dark: scene('dark') } };
}

/** The other side of a theme's colours: as light as they were dark, of the same hues. */
export function turnedOver(colours: ThemeColours): ThemeColours {
  const turn = (hex: string): string => {
    const { l, c, h } = lchOf(hex);
    return hexOf({ l: 1.18 - l, c: Math.min(c, 0.12), h });
  };
  const choice = standsOut(colours.choiceFill, [turn(colours.paper)]) >= 1.3;
  return {
    ...recoloured(colours, turn),
    ...(choice && { choiceFill: colours.choiceFill, choiceInk: colours.choiceInk }),
  };
}

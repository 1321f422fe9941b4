import { kmeans } from 'ml-kmeans';
import type { SceneColours, Side, ThemeColours, ThemeData } from '../themes/kind.js';
import { hexOf, toOklab, type Lch } from './lightness.js';
import { repaired } from './repair.js';

/** A small picture: four bytes a point, row by row. */
export interface SmallPicture {
  width: number;
  height: number;
  rgba: ArrayLike<number>;
}

/** A colour of a picture, with how much of it is in it: 0 to 1. */
export interface FoundColour extends Lch {
  share: number;
}

const MOST_COLOURS = 8;
/** More points than these tell nothing new of a picture's colours. */
const MOST_POINTS = 4000;
/** How much more a difference in colour tells apart than one in lightness: a pale page with a red line is not grey. */
const COLOURFUL = 4;
/** What is less than half there is not seen as a colour. */
const LEAST_ALPHA = 128;

/** The colours that a picture is made of, most of it first; the same ones each time. Empty where nothing is seen in it. */
export function coloursOf({ width, height, rgba }: SmallPicture): FoundColour[] {
  const every = Math.max(1, Math.floor((width * height) / MOST_POINTS));
  const points: number[][] = [];
  for (let at = 0; at < width * height; at += every) {
    const [r, g, b, alpha] = [0, 1, 2, 3].map((part) => rgba[at * 4 + part]!) as Rgba;
    if (alpha < LEAST_ALPHA) continue;
    const { l, a, b: yellow } = toOklab({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
    points.push([l, a * COLOURFUL, yellow * COLOURFUL]);
  }
  const different = new Set(points.map((point) => point.map((one) => one.toFixed(2)).join())).size;
  const k = Math.min(MOST_COLOURS, different);
  if (k === 0) return [];
  const { centroids, clusters } = kmeans(points, k, { seed: 1 });
  const sizes = centroids.map(() => 0);
  for (const one of clusters) sizes[one]! += 1;
  return centroids
    .map(([l = 0, a = 0, b = 0], at) => ({
      l,
      c: Math.hypot(a, b) / COLOURFUL,
      h: ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360,
      share: (sizes[at] ?? 0) / points.length,
    }))
    .filter(({ share }) => share > 0)
    .sort((one, other) => other.share - one.share);
}
type Rgba = [number, number, number, number];

/** Below this nobody sees a hue. */
const GREY = 0.025;

/** A theme in the colours of a picture, both sides, in which everything can be read; the rest of it as in another. */
export function themeFrom(found: readonly FoundColour[], as: ThemeData): ThemeData {
  const [most = { l: 0.9, c: 0, h: 0, share: 1 }] = found;
  // What catches the eye: colourful, and not all too little of it.
  const loud = [...found]
    .filter(({ c }) => c >= GREY)
    .sort((one, other) => strength(other) - strength(one));
  const first = loud[0] ?? most;
  const second = loud.find(({ h }) => apart(h, first.h) > 40) ?? first;
  const warm =
    [...loud].sort((one, other) => apart(one.h, WARM) - apart(other.h, WARM))[0] ?? first;
  const tinted = (of: Lch, l: number, most: number): string =>
    hexOf({ l, c: Math.min(of.c, most), h: of.h });
  const side = (is: Side): ThemeColours => {
    const isLight = is === 'light';
    return {
      paper: isLight ? tinted(most, 0.975, 0.018) : tinted(most, 0.24, 0.035),
      ink: isLight ? tinted(most, 0.27, 0.03) : tinted(most, 0.955, 0.015),
      head: isLight ? tinted(first, 0.38, 0.14) : tinted(first, 0.9, 0.09),
      choiceFill: hexOf({ l: isLight ? 0.52 : 0.8, c: Math.min(second.c, 0.16), h: second.h }),
      choiceInk: isLight ? '#FFFFFF' : tinted(second, 0.2, 0.03),
      shapeFill: isLight ? tinted(first, 0.92, 0.05) : tinted(first, 0.36, 0.06),
      line: isLight ? tinted(most, 0.82, 0.03) : tinted(most, 0.48, 0.04),
    };
  };
  const scene = (is: Side): SceneColours => {
    const isLight = is === 'light';
    const at = (l: number, of: Lch, c = 0.11): string =>
      hexOf({ l, c: Math.min(of.c, c), h: of.h });
    return isLight
      ? {
          sky: at(0.945, second, 0.035),
          far: at(0.88, second, 0.06),
          mid: at(0.78, first),
          near: at(0.66, first),
          deep: at(0.42, first),
          light: at(0.87, warm, 0.13),
          warm: at(0.62, warm, 0.17),
        }
      : {
          sky: at(0.27, second, 0.05),
          far: at(0.33, second, 0.06),
          mid: at(0.38, first),
          near: at(0.34, first),
          deep: at(0.26, first),
          light: at(0.88, warm, 0.12),
          warm: at(0.7, warm, 0.15),
        };
  };
  return repaired({
    ...as,
    light: side('light'),
    dark: side('dark'),
    scene: { light: scene('light'), dark: scene('dark') },
  }).data;
}
/** The hue of what is warm in a picture: between red and yellow, in degrees. */
const WARM = 65;

const strength = ({ c, share }: FoundColour): number => c * Math.sqrt(share);
/** How far two hues are apart, 0 to 180. */
function apart(one: number, other: number): number {
  const off = Math.abs(one - other) % 360;
  return off > 180 ? 360 - off : off;
}

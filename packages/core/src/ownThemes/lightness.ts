import {
  clampChroma,
  formatHex,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeRgb,
  useMode,
  type Oklab,
  type Rgb,
} from 'culori/fn';
import { contrast, luminanceOf } from '../parts/luminance.js';

useMode(modeRgb);
useMode(modeLrgb);
/** Of a colour with red, green and blue from 0 to 1. */
export const toOklab: (colour: Rgb) => Oklab = useMode(modeOklab);
const toOklch = useMode(modeOklch);

/** A colour by lightness and colourfulness, as the eye has them: OKLCH, hue in degrees. */
export interface Lch {
  l: number;
  c: number;
  h: number;
}

export function lchOf(hex: string): Lch {
  const { l = 0, c = 0, h = 0 } = toOklch(hex) ?? {};
  return { l, c, h };
}

/** As #RRGGBB; what a screen cannot show is made less colourful. */
export const hexOf = ({ l, c, h }: Lch): string =>
  formatHex(clampChroma({ mode: 'oklch', l, c, h }, 'oklch')).toUpperCase();

const STEP = 0.01;
const ratio = (one: string, other: string): number =>
  contrast(luminanceOf(one), luminanceOf(other));
export const standsOut = (hex: string, grounds: readonly string[]): number =>
  Math.min(...grounds.map((ground) => ratio(hex, ground)));

/**
 * The colour itself, or the nearest lightness of its hue that stands out from every ground by a contrast ratio. Where
 * none does, black or white.
 */
export function madeToStandOut(hex: string, grounds: readonly string[], least: number): string {
  if (standsOut(hex, grounds) >= least) return hex;
  const { l, c, h } = lchOf(hex);
  for (let off = STEP; off <= 1; off += STEP) {
    for (const to of [l - off, l + off]) {
      const now = hexOf({ l: Math.min(1, Math.max(0, to)), c, h });
      if (standsOut(now, grounds) >= least) return now;
    }
  }
  return standsOut(BLACK, grounds) > standsOut(WHITE, grounds) ? BLACK : WHITE;
}
const [BLACK, WHITE] = ['#000000', '#FFFFFF'];

/** The same set of named colours, each made into another. */
export const recoloured = <T extends Record<keyof T, string>>(
  colours: T,
  anew: (hex: string) => string,
): T =>
  Object.fromEntries(Object.entries<string>(colours).map(([key, hex]) => [key, anew(hex)])) as T;

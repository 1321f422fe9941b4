/** Red, green and blue, 0 to 255. */
export type Rgb = readonly [number, number, number];

export function rgbOf(hex: string): Rgb {
  const value = parseInt(hex.slice(1), 16);
  return [(value >> 16) & 255, (value >> 8) & 255, value & 255];
}

const LINEAR = Float64Array.from({ length: 256 }, (_, byte) => {
  const share = byte / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/** Relative luminance, 0 to 1 (WCAG 2.2). */
export const luminance = ([r, g, b]: Rgb): number =>
  0.2126 * LINEAR[r]! + 0.7152 * LINEAR[g]! + 0.0722 * LINEAR[b]!;

/** A deck has few colours, and each is asked for again and again. */
const known = new Map<string, number>();
const MOST_KNOWN = 2000;

/** The relative luminance of a colour as #rrggbb. */
export function luminanceOf(hex: string): number {
  let value = known.get(hex);
  if (value === undefined) {
    value = luminance(rgbOf(hex));
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(hex, value);
  }
  return value;
}

/** Contrast ratio of two luminances, 1 to 21 (WCAG 2.2). */
export const contrast = (a: number, b: number): number =>
  (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);

/** The luminance from which on dark words stand out better than white ones. */
const PALE = 0.179;

/** The ink that stands out best on a colour as #rrggbb, 4.5 to 1 or better. */
export const inkOn = (ground: string): string =>
  luminanceOf(ground) > PALE ? '#000000' : '#ffffff';

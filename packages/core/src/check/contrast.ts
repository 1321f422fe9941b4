import {
  isSpare,
  type Box,
  type PictureElement,
  type Slide,
  type SlideElement,
  type ThemeName,
} from '../deck/types.js';
import { THEME_COLOURS } from '../stage/themes.js';

/** A picture made small: `rgba` holds width × height pixels, four bytes each, from the upper left. */
export interface Pixels {
  width: number;
  height: number;
  rgba: Uint8Array | Uint8ClampedArray;
}

type Rgb = readonly [number, number, number];

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

/** Contrast ratio of two luminances, 1 to 21 (WCAG 2.2). */
export const contrast = (a: number, b: number): number =>
  (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);

/** WCAG 1.4.3, level AA: 4.5, or 3 for large type: from 24 px, bold from 18.66 px. */
export const neededContrast = (size: number, isBold: boolean): number =>
  size >= 24 || (isBold && size >= 18.66) ? 3 : 4.5;

const GRID = 8;

/**
 * The luminances that lie behind a box, on a grid of 8 × 8 points, or one for all where nothing lies behind but the
 * slide itself: the slide's fill, shapes, cards, and
 * pictures where their pixels are known. null where a picture lies behind whose pixels are not known yet.
 */
export function behind(
  slide: Slide,
  level: number,
  box: Box,
  theme: ThemeName,
  pixelsOf: (hash: string) => Pixels | undefined,
): Float64Array | null {
  const colours = THEME_COLOURS[theme];
  const ground = luminance(rgbOf(slide.fill || colours.paper));
  let points: Float64Array | null = null;
  for (let below = 0; below < level; below += 1) {
    const element = slide.elements[below]!;
    if (!touches(element.box, box) || isSpare(element)) continue;
    const paint = paintOf(element, theme, pixelsOf);
    if (paint === 'unknown') return null;
    if (!paint) continue;
    points ??= new Float64Array(GRID * GRID).fill(ground);
    for (let index = 0; index < points.length; index += 1) {
      const x = box.x + ((index % GRID) + 0.5) * (box.w / GRID);
      const y = box.y + (Math.floor(index / GRID) + 0.5) * (box.h / GRID);
      const u = (x - element.box.x) / element.box.w;
      const v = (y - element.box.y) / element.box.h;
      const over = u >= 0 && v >= 0 && u < 1 && v < 1 ? paint(u, v) : null;
      if (over) points[index] = over.alpha * over.luminance + (1 - over.alpha) * points[index]!;
    }
  }
  return points ?? Float64Array.of(ground);
}

const touches = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** What an element paints at a place in its box, given in shares of its size. */
type Paint = (u: number, v: number) => { luminance: number; alpha: number } | null;

function paintOf(
  element: SlideElement,
  theme: ThemeName,
  pixelsOf: (hash: string) => Pixels | undefined,
): Paint | 'unknown' | null {
  const solid = (hex: string): Paint => {
    const over = { luminance: luminance(rgbOf(hex)), alpha: 1 };
    return () => over;
  };
  switch (element.kind) {
    case 'shape': {
      const fill = solid(element.fill || THEME_COLOURS[theme].shapeFill);
      return (u, v) => (isInShape(element.shape, u, v) ? fill(u, v) : null);
    }
    case 'picture': {
      const pixels = pixelsOf(element.asset.hash);
      return pixels ? picturePaint(element, pixels) : 'unknown';
    }
    case 'question':
      return solid('#FFFFFF');
    case 'text':
      return element.style === 'choice' || element.layer === 'pieces'
        ? solid(THEME_COLOURS[theme].choiceFill)
        : null;
    default:
      return null;
  }
}

function isInShape(shape: string, u: number, v: number): boolean {
  if (shape === 'ellipse') return (u - 0.5) ** 2 + (v - 0.5) ** 2 <= 0.25;
  if (shape === 'triangle') return Math.abs(u - 0.5) <= v / 2;
  return true;
}

/** Pictures are fitted as the renderer fits them. */
function picturePaint({ asset, box, fit }: PictureElement, pixels: Pixels): Paint {
  const scales = [box.w / asset.width, box.h / asset.height] as const;
  const scale = fit === 'cover' ? Math.max(...scales) : Math.min(...scales);
  const shown = {
    w: fit === 'stretch' ? 1 : (asset.width * scale) / box.w,
    h: fit === 'stretch' ? 1 : (asset.height * scale) / box.h,
  };
  return (u, v) => {
    const px = (u - (1 - shown.w) / 2) / shown.w;
    const py = (v - (1 - shown.h) / 2) / shown.h;
    if (px < 0 || py < 0 || px >= 1 || py >= 1) return null;
    const at = 4 * (Math.floor(py * pixels.height) * pixels.width + Math.floor(px * pixels.width));
    const { rgba } = pixels;
    return {
      luminance: luminance([rgba[at]!, rgba[at + 1]!, rgba[at + 2]!]),
      alpha: rgba[at + 3]! / 255,
    };
  };
}

/**
 * How well an ink stands out from what is behind it: the ratio that nine tenths of the points reach, so that a single
 * speck does not count.
 */
export function standingOut(ink: string, points: Float64Array): number {
  const own = luminance(rgbOf(ink));
  if (points.length === 1) return contrast(own, points[0]!);
  const ratios = points.map((point) => contrast(own, point)).sort();
  return ratios[Math.floor(ratios.length / 10)]!;
}

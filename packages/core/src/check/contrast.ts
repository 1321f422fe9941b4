import type { Theme } from '../themes/theme.js';
import { isSpare } from '../elements/elements.js';
import type { PictureElement } from '../elements/picture/picture.js';
import type { SlideElement } from '../elements/registry.js';
import { type Slide } from '../deck/types.js';
import { luminance, luminanceOf, contrast } from '../parts/luminance.js';
import { STAGE, type Box } from '../parts/place.js';
import { type Fill } from '../parts/fill.js';
import { textFill } from '../themes/themes.js';
import { isInside, polygonsOf } from '../geometry/Pen.js';
import { groundFrame, pictureFrame } from '../stage/pictureFrame.js';
import { shadesOn } from '../scenery/shades.js';
import { shapeStrokes } from '../geometry/shapes/shapes.js';
import { boundsOf, inShares, meets } from '../geometry/transform.js';
import { sure } from '../parts/sure.js';

/** A picture made small: `rgba` holds width × height pixels, four bytes each, from the upper left. */
export interface Pixels {
  width: number;
  height: number;
  rgba: Uint8Array | Uint8ClampedArray;
}

/** WCAG 1.4.3, level AA: 4.5, or 3 for large type: from 24 px, bold from 18.66 px. */
export const neededContrast = (size: number, isBold: boolean): number =>
  size >= 24 || (isBold && size >= 18.66) ? 3 : 4.5;

const GRID = 8;

/**
 * The luminances that lie behind a box, on a grid of 8 × 8 points, or one for all where nothing lies behind but the
 * slide's own plain ground: the ground, shapes, cards, and pictures where their pixels are known. null where a picture
 * lies behind whose pixels are not known yet.
 */
export function behind(
  slide: Slide,
  level: number,
  box: Box,
  theme: Theme,
  pixelsOf: (hash: string) => Pixels | undefined,
): ArrayLike<number> | null {
  const ground = groundPaint(slide, theme, pixelsOf);
  if (ground === 'unknown') return null;
  let points =
    typeof ground === 'number' ? null : onGrid(box, new Float64Array(GRID * GRID), ground);
  for (let below = 0; below < level; below += 1) {
    const element = slide.elements[below]!;
    const { box: own, rotation, opacity } = element;
    if (!meets(boundsOf(own, rotation), box) || isSpare(element)) continue;
    const paint = paintOf(element, theme, pixelsOf);
    if (paint === 'unknown') return null;
    if (!paint) continue;
    points ??= new Float64Array(GRID * GRID).fill(ground as number);
    onGrid(box, points, (x, y) => {
      const { x: u, y: v } = inShares(own, rotation, { x, y });
      const over = u >= 0 && v >= 0 && u < 1 && v < 1 ? paint(u, v) : null;
      return over && { ...over, alpha: over.alpha * opacity };
    });
  }
  return points ?? [ground as number];
}

/** Paints over the points of the grid, in place. */
function onGrid(box: Box, points: Float64Array, paint: Paint): Float64Array {
  for (let index = 0; index < points.length; index += 1) {
    const x = box.x + ((index % GRID) + 0.5) * (box.w / GRID);
    const y = box.y + (Math.floor(index / GRID) + 0.5) * (box.h / GRID);
    const over = paint(x, y);
    if (over) points[index] = over.alpha * over.luminance + (1 - over.alpha) * points[index]!;
  }
  return points;
}

/** What is painted at a place: in shares of an element's box, or in slide units for the ground. */
type Paint = (u: number, v: number) => { luminance: number; alpha: number } | null;

/** The slide's ground: one luminance when it is plain. */
function groundPaint(
  slide: Slide,
  theme: Theme,
  pixelsOf: (hash: string) => Pixels | undefined,
): number | Paint | 'unknown' {
  const { fill, picture, tint, tintStrength } = slide.ground;
  const shades = shadesOn(slide, theme);
  const paper = theme.colours.paper;
  if (!picture && !shades && typeof fill === 'string') {
    const plain = luminanceOf(fill === 'none' || fill === '' ? paper : fill);
    return tint ? mixed(plain, luminanceOf(tint), tintStrength) : plain;
  }
  const base = fillPaint(fill === 'none' ? '' : fill, paper, STAGE.width, STAGE.height);
  const pixels = picture && pixelsOf(picture.asset.hash);
  if (picture && !pixels) return 'unknown';
  const frame = picture && groundFrame(picture);
  const sheet = tint ? luminanceOf(tint) : 0;
  return (x, y) => {
    let now = sure(
      base(x / STAGE.width, y / STAGE.height),
      'the page lies below everything',
    ).luminance;
    if (shades) now = shades.at(x, y);
    if (pixels && frame) {
      const [dx, dy] = [(x - frame.x) / frame.w, (y - frame.y) / frame.h];
      const over =
        picture.fit === 'tile' ? pixelAt(pixels, dx % 1, dy % 1) : pixelAt(pixels, dx, dy);
      if (over) now = mixed(now, over.luminance, over.alpha);
    }
    return { luminance: tint ? mixed(now, sheet, tintStrength) : now, alpha: 1 };
  };
}

const mixed = (under: number, over: number, share: number): number =>
  under * (1 - share) + over * share;

/** A fill over a box of a size in units, at shares of it. */
function fillPaint(fill: Fill, standard: string, w: number, h: number): Paint {
  if (typeof fill === 'string') {
    if (fill === 'none') return () => null;
    const over = { luminance: luminanceOf(fill || standard), alpha: 1 };
    return () => over;
  }
  const [from, to] = [luminanceOf(fill.from), luminanceOf(fill.to)];
  const angle = (fill.angle * Math.PI) / 180;
  const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
  const reach = Math.abs(dx) * w + Math.abs(dy) * h;
  return (u, v) => {
    const along = fill.isRadial
      ? Math.hypot(u - 0.5, v - 0.5) / Math.SQRT1_2
      : ((u - 0.5) * w * dx + (v - 0.5) * h * dy) / reach + 0.5;
    return { luminance: mixed(from, to, Math.min(1, Math.max(0, along))), alpha: 1 };
  };
}

function paintOf(
  element: SlideElement,
  theme: Theme,
  pixelsOf: (hash: string) => Pixels | undefined,
): Paint | 'unknown' | null {
  const { w, h } = element.box;
  switch (element.kind) {
    case 'shape': {
      if (element.fill === 'none') return null;
      const fill = fillPaint(element.fill, theme.colours.shapeFill, w, h);
      if (element.shape === 'rectangle') return fill;
      const outline = polygonsOf(shapeStrokes(element.shape, w, h, element.points));
      return (u, v) => (isInside(outline, { x: u * w, y: v * h }) ? fill(u, v) : null);
    }
    case 'picture': {
      const pixels = pixelsOf(element.asset.hash);
      return pixels ? picturePaint(element, pixels) : 'unknown';
    }
    case 'question':
      return fillPaint('#FFFFFF', '', w, h);
    case 'text': {
      const fill = textFill(element, theme);
      return fill === 'none' ? null : fillPaint(fill, '', w, h);
    }
    default:
      return null;
  }
}

function pixelAt(
  { width, height, rgba }: Pixels,
  u: number,
  v: number,
): { luminance: number; alpha: number } | null {
  if (!(u >= 0 && v >= 0 && u < 1 && v < 1)) return null;
  const at = 4 * (Math.floor(v * height) * width + Math.floor(u * width));
  return {
    luminance: luminance([rgba[at]!, rgba[at + 1]!, rgba[at + 2]!]),
    alpha: rgba[at + 3]! / 255,
  };
}

/** Pictures are fitted and cut as the renderer does it. */
function picturePaint(element: PictureElement, pixels: Pixels): Paint {
  const { box, mask, points, isFlippedAcross, isFlippedDown } = element;
  const { whole, seen } = pictureFrame(element);
  const outline =
    mask === 'rectangle' ? null : polygonsOf(shapeStrokes(mask, box.w, box.h, points));
  return (u, v) => {
    const [x, y] = [u * box.w, v * box.h];
    const isSeen = x >= seen.x && y >= seen.y && x < seen.x + seen.w && y < seen.y + seen.h;
    if (!isSeen || (outline && !isInside(outline, { x, y }))) return null;
    const across = (isFlippedAcross ? box.w - x : x) - whole.x;
    const down = (isFlippedDown ? box.h - y : y) - whole.y;
    return pixelAt(pixels, across / whole.w, down / whole.h);
  };
}

/**
 * How well an ink stands out from what is behind it: the ratio that nine tenths of the points reach, so that a single
 * speck does not count.
 */
export function standingOut(ink: string, points: ArrayLike<number>): number {
  const own = luminanceOf(ink);
  if (points.length === 1) return contrast(own, points[0]!);
  const ratios = Float64Array.from(points, (point) => contrast(own, point)).sort();
  return ratios[Math.floor(ratios.length / 10)]!;
}

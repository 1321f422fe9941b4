import { type Box, type Fill, type Outline, type SlideElement, type Theme } from '@gobrel/core';
import { dashLengths } from '../parts/dash';
import type { Canvas } from './paintText';

export type Pictures = ReadonlyMap<string, ImageBitmap>;

/** What everything on one slide is painted with. */
export interface Paint {
  context: Canvas;
  theme: Theme;
  linked: ReadonlySet<string>;
  pictures: Pictures;
}

/** Paints a thing small, in slide units, its box at the origin. */
export type Painter<E extends SlideElement> = (paint: Paint, element: E) => void;

export function setFill(
  context: Canvas,
  fill: Fill,
  standard: string,
  { w, h }: { w: number; h: number },
): void {
  if (typeof fill === 'string') {
    context.fillStyle = fill === 'none' ? 'transparent' : fill || standard;
    return;
  }
  const angle = (fill.angle * Math.PI) / 180;
  const [dx, dy] = [(Math.cos(angle) * w) / 2, (Math.sin(angle) * h) / 2];
  const gradient = fill.isRadial
    ? context.createRadialGradient(w / 2, h / 2, 0, w / 2, h / 2, Math.hypot(w, h) / 2)
    : context.createLinearGradient(w / 2 - dx, h / 2 - dy, w / 2 + dx, h / 2 + dy);
  gradient.addColorStop(0, fill.from);
  gradient.addColorStop(1, fill.to);
  context.fillStyle = gradient;
}

export const inset = ({ x, y, w, h }: Box, across: number, down: number): Box => ({
  x: x + across,
  y: y + down,
  w: w - 2 * across,
  h: h - 2 * down,
});

/** A rounded card in the fill that is set. */
export function card(context: Canvas, { x, y, w, h }: Box, line: string, weight = 2): void {
  context.beginPath();
  context.roundRect(x, y, w, h, 10);
  context.fill();
  if (!line) return;
  context.strokeStyle = line;
  context.lineWidth = weight;
  context.stroke();
}

export function strokeOutline({ context, theme }: Paint, path: Path2D, outline: Outline): void {
  if (outline.weight === 0) return;
  context.strokeStyle = outline.colour || theme.colours.ink;
  context.lineWidth = outline.weight;
  context.lineCap = context.lineJoin = 'round';
  context.setLineDash(dashLengths(outline.dash, outline.weight));
  context.stroke(path);
}

export function flip(
  context: Canvas,
  element: { box: Box; isFlippedAcross: boolean; isFlippedDown: boolean },
): void {
  const { isFlippedAcross, isFlippedDown, box } = element;
  context.translate(isFlippedAcross ? box.w : 0, isFlippedDown ? box.h : 0);
  context.scale(isFlippedAcross ? -1 : 1, isFlippedDown ? -1 : 1);
}

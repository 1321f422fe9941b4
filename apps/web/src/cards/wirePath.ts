import type { Box } from '@gobrel/core';

export type Direction = 'right' | 'down';

/** The four points of a cubic curve, x and y in turn, in map units. */
export type Curve = readonly [
  x1: number,
  y1: number,
  c1x: number,
  c1y: number,
  c2x: number,
  c2y: number,
  x2: number,
  y2: number,
];

export interface WirePath {
  curve: Curve;
  /** What the curve lies in, its control points included. */
  box: Box;
  /** Where its wording stands. */
  x: number;
  y: number;
  isBack: boolean;
  /** Dotted; a very long one is drawn faint instead: the dots of a whole curve are costly, and most are out of sight. */
  isDotted: boolean;
}

/** Map units from end to end up to which a wire that leads back is dotted. */
const LONGEST_DOTTED = 2400;

/** Map units that wires between the same two cards are held apart. */
const BOW = 34;

/**
 * The path of a wire between two cards, and where its wording stands, in map units. One that leads back runs beside
 * the cards, in one of four lanes so that several can be followed; wires between the same two cards bow `aside`. A map
 * that grows downwards is the same, turned.
 */
export function wirePath(
  sourceX: number,
  sourceY: number,
  targetX: number,
  targetY: number,
  direction: Direction = 'right',
  lane = 0,
  aside = 0,
): WirePath {
  if (direction === 'down') {
    const turned = wirePath(sourceY, sourceX, targetY, targetX, 'right', lane, aside);
    const [y1, x1, c1y, c1x, c2y, c2x, y2, x2] = turned.curve;
    return wire([x1, y1, c1x, c1y, c2x, c2y, x2, y2], turned.isBack, turned.isDotted);
  }
  const isBack = targetX < sourceX - 20;
  if (isBack) {
    const low = Math.max(sourceY, targetY) + 110 + (lane % 4) * 22;
    const reach = 90 + (lane % 4) * 12;
    const isDotted = Math.hypot(targetX - sourceX, targetY - sourceY) < LONGEST_DOTTED;
    return wire(
      [sourceX, sourceY, sourceX + reach, low, targetX - reach, low, targetX, targetY],
      isBack,
      isDotted,
    );
  }
  const bend = Math.max(30, (targetX - sourceX) / 2);
  const bow = aside * BOW;
  return wire(
    [
      ...([sourceX, sourceY, sourceX + bend, sourceY + bow] as const),
      ...([targetX - bend, targetY + bow, targetX, targetY] as const),
    ],
    isBack,
    false,
  );
}

function wire(curve: Curve, isBack: boolean, isDotted: boolean): WirePath {
  const [x1, y1, c1x, c1y, c2x, c2y, x2, y2] = curve;
  const [left, top] = [Math.min(x1, c1x, c2x, x2), Math.min(y1, c1y, c2y, y2)];
  const box = {
    x: left,
    y: top,
    w: Math.max(x1, c1x, c2x, x2) - left,
    h: Math.max(y1, c1y, c2y, y2) - top,
  };
  const [x, y] = pointOn(curve, 0.5);
  return { curve, box, x, y, isBack, isDotted };
}

/** The point of a cubic curve at a share of its way from 0 to 1 (Bernstein form). */
export function pointOn(curve: Curve, share: number): [x: number, y: number] {
  const rest = 1 - share;
  const weights = [rest ** 3, 3 * rest ** 2 * share, 3 * rest * share ** 2, share ** 3] as const;
  let [x, y] = [0, 0];
  for (let index = 0; index < 4; index += 1) {
    x += weights[index]! * curve[2 * index]!;
    y += weights[index]! * curve[2 * index + 1]!;
  }
  return [x, y];
}

/** As an SVG path. */
export function svgPath([x1, y1, c1x, c1y, c2x, c2y, x2, y2]: Curve): string {
  return `M${x1} ${y1} C${c1x} ${c1y} ${c2x} ${c2y} ${x2} ${y2}`;
}

/** How far a point lies from a curve, in map units; Infinity at once when it is further than `reach` from its box. */
export function distanceTo({ curve, box }: WirePath, x: number, y: number, reach: number): number {
  const isOff =
    x < box.x - reach ||
    y < box.y - reach ||
    x > box.x + box.w + reach ||
    y > box.y + box.h + reach;
  if (isOff) return Infinity;
  // As straight pieces: with one for every 24 units the curve is off by less than a line's width.
  const pieces = Math.min(200, Math.max(8, Math.ceil((box.w + box.h) / 24)));
  let nearest = Infinity;
  let [fromX, fromY] = pointOn(curve, 0);
  for (let piece = 1; piece <= pieces; piece += 1) {
    const [toX, toY] = pointOn(curve, piece / pieces);
    nearest = Math.min(nearest, distanceToLine(x, y, fromX, fromY, toX, toY));
    [fromX, fromY] = [toX, toY];
  }
  return nearest;
}

function distanceToLine(
  x: number,
  y: number,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
): number {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const along = ((x - x1) * dx + (y - y1) * dy) / (dx * dx + dy * dy || 1);
  const share = Math.max(0, Math.min(1, along));
  return Math.hypot(x - x1 - share * dx, y - y1 - share * dy);
}

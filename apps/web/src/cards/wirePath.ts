import type { Box } from '@gobrel/core';
import { LABEL } from './wireLabel';

export type Direction = 'right' | 'down' | 'left';

/** Cubic curves end to end: x and y of where they begin, then of two controls and the end of each, in map units. */
export type Curve = readonly number[];

export interface WirePath {
  curve: Curve;
  /** What the curve lies in, its control points included. */
  box: Box;
  /** Where the middle of its wording stands. */
  x: number;
  y: number;
  /** How wide its wording may be; 0 where there is room for none. */
  room: number;
  isBack: boolean;
  /** Dotted; a very long one is drawn faint instead: the dots of a whole curve are costly, and most are out of sight. */
  isDotted: boolean;
}

/** Map units from end to end up to which a wire that leads back is dotted. */
const LONGEST_DOTTED = 2400;

/** Map units that wires between the same two cards are held apart. */
export const BOW = 34;

/**
 * The path of a wire between two cards, and where its wording stands, in map units. One that leads back runs beside
 * the cards, in one of four lanes so that several can be followed; wires between the same two cards bow `aside`. A map
 * that grows downwards is the same, turned, and one that grows to the left the same in a mirror.
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
    return turned(wirePath(sourceY, sourceX, targetY, targetX, 'right', lane, aside), direction);
  }
  if (direction === 'left') {
    return turned(wirePath(-sourceX, sourceY, -targetX, targetY, 'right', lane, aside), direction);
  }
  if (!leadsBack(sourceX, targetX)) {
    return pathOf(curveOn(sourceX, sourceY, targetX, targetY, aside * BOW), false);
  }
  const low = Math.max(sourceY, targetY) + 110 + (lane % 4) * 22;
  return pathOf(curveBack(sourceX, sourceY, targetX, targetY, low, lane), true);
}

export const leadsBack = (sourceX: number, targetX: number): boolean => targetX < sourceX - 20;

/** One curve from card to card, its middle moved aside by three quarters of `bow`, in map units. */
export function curveOn(x1: number, y1: number, x2: number, y2: number, bow: number): Curve {
  const bend = Math.max(30, (x2 - x1) / 2);
  return [x1, y1, x1 + bend, y1 + bow, x2 - bend, y2 + bow, x2, y2];
}

/** One curve that leads back past a height that it does not quite reach. */
export function curveBack(
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  height: number,
  lane: number,
): Curve {
  const reach = 90 + (lane % 4) * 12;
  return [x1, y1, x1 + reach, height, x2 - reach, height, x2, y2];
}

/** The same as a path on a map that grows to the right, on one that grows elsewhere. */
export function turned(path: WirePath, direction: Direction): WirePath {
  if (direction === 'right') return path;
  const curve =
    direction === 'down'
      ? path.curve.map((_, at) => path.curve[at ^ 1]!)
      : path.curve.map((number, at) => (at % 2 === 0 ? 0 - number : number));
  return { ...pathOf(curve, path.isBack), isDotted: path.isDotted };
}

export function pathOf(curve: Curve, isBack: boolean): WirePath {
  let [left, top, right, foot] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let at = 0; at < curve.length; at += 2) {
    left = Math.min(left, curve[at]!);
    right = Math.max(right, curve[at]!);
    top = Math.min(top, curve[at + 1]!);
    foot = Math.max(foot, curve[at + 1]!);
  }
  const [x, y] = pointOn(curve, 0.5);
  const [[startX, startY], [endX, endY]] = [startOf(curve), endOf(curve)];
  return {
    curve,
    box: { x: left, y: top, w: right - left, h: foot - top },
    x,
    y,
    room: LABEL.widest,
    isBack,
    isDotted: isBack && Math.hypot(endX - startX, endY - startY) < LONGEST_DOTTED,
  };
}

export const startOf = (curve: Curve): [x: number, y: number] => [curve[0]!, curve[1]!];
export const endOf = (curve: Curve): [x: number, y: number] => [curve.at(-2)!, curve.at(-1)!];

/** The point at a share of the way from 0 to 1, each of its curves counted by the distance of its ends (Bernstein form). */
export function pointOn(curve: Curve, share: number): [x: number, y: number] {
  const [first, within] = curve.length === 8 ? [0, share] : pieceAt(curve, share);
  const rest = 1 - within;
  const weights = [rest ** 3, 3 * rest ** 2 * within, 3 * rest * within ** 2, within ** 3] as const;
  let [x, y] = [0, 0];
  for (let index = 0; index < 4; index += 1) {
    x += weights[index]! * curve[first + 2 * index]!;
    y += weights[index]! * curve[first + 2 * index + 1]!;
  }
  return [x, y];
}

/** Where the numbers of the curve begin that a share of the way falls on, and the share of that one. */
function pieceAt(curve: Curve, share: number): [first: number, within: number] {
  const lengthAt = (at: number): number =>
    Math.hypot(curve[at + 6]! - curve[at]!, curve[at + 7]! - curve[at + 1]!);
  let whole = 0;
  const last = curve.length - 8;
  for (let at = 0; at <= last; at += 6) whole += lengthAt(at);
  let left = share * whole;
  for (let at = 0; at < last; at += 6) {
    const length = lengthAt(at);
    if (left < length) return [at, left / length];
    left -= length;
  }
  return [last, Math.min(1, left / (lengthAt(last) || 1))];
}

/** As an SVG path. */
export function svgPath(curve: Curve): string {
  let path = `M${curve[0]} ${curve[1]}`;
  for (let at = 2; at < curve.length; at += 6) {
    path += ` C${curve.slice(at, at + 6).join(' ')}`;
  }
  return path;
}

/** The ends of straight pieces that are off the curve by less than a line's width, x and y in turn. */
export function flattened(curve: Curve): number[] {
  const points = [curve[0]!, curve[1]!];
  for (let at = 0; at + 7 < curve.length; at += 6) {
    const part = curve.slice(at, at + 8);
    const pieces = isStraight(part) ? 1 : Math.min(200, 4 + Math.ceil(spanOf(part) / 24));
    const [x1, y1, c1x, c1y, c2x, c2y, x2, y2] = part as Eight;
    for (let piece = 1; piece <= pieces; piece += 1) {
      // In plain numbers: it is asked of every way that is tried.
      const share = piece / pieces;
      const rest = 1 - share;
      const [a, b] = [rest * rest * rest, 3 * rest * rest * share];
      const [c, d] = [3 * rest * share * share, share * share * share];
      points.push(a * x1 + b * c1x + c * c2x + d * x2, a * y1 + b * c1y + c * c2y + d * y2);
    }
  }
  return points;
}
type Eight = [number, number, number, number, number, number, number, number];

const spanOf = (part: Curve): number =>
  Math.abs(part[6]! - part[0]!) + Math.abs(part[7]! - part[1]!) + Math.abs(part[3]! - part[1]!);

/** Whether the controls of one curve lie on the line between its ends. */
function isStraight([x1, y1, c1x, c1y, c2x, c2y, x2, y2]: Curve): boolean {
  const [dx, dy] = [x2! - x1!, y2! - y1!];
  const off = (x: number, y: number): number => Math.abs((x - x1!) * dy - (y - y1!) * dx);
  return off(c1x!, c1y!) + off(c2x!, c2y!) < 0.5 * (Math.hypot(dx, dy) || 1);
}

/** How far a point lies from a curve, in map units; Infinity at once when it is further than `reach` from its box. */
export function distanceTo(path: WirePath, x: number, y: number, reach: number): number {
  const { box } = path;
  const isOff =
    x < box.x - reach ||
    y < box.y - reach ||
    x > box.x + box.w + reach ||
    y > box.y + box.h + reach;
  if (isOff) return Infinity;
  const points = flattened(path.curve);
  let nearest = Infinity;
  for (let at = 2; at < points.length; at += 2) {
    const [fromX, fromY] = [points[at - 2]!, points[at - 1]!];
    nearest = Math.min(nearest, distanceToLine(x, y, fromX, fromY, points[at]!, points[at + 1]!));
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

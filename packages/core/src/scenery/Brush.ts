import { seeded, type Random } from '../parts/seeded.js';
import { STAGE } from '../parts/place.js';
import type { SceneColours } from '../themes/kind.js';

/** A flat colour, or one that turns into another from the top of the mark to its foot. */
export type Paint = string | { from: string; to: string };

/** One mark of a picture: outlines as x, y, x, y … in slide units, all turning one way and filled, or lines of a width. */
export interface Mark {
  shapes: readonly (readonly number[])[];
  paint: Paint;
  /** Of a line, in slide units; 0 for outlines that are filled. */
  width: number;
  alpha: number;
}

type Point = readonly [number, number];

/** What scenes are painted with: their marks, bottom to top. */
export class Brush {
  readonly marks: Mark[] = [];
  readonly colours: SceneColours;
  readonly random: Random;

  constructor(colours: SceneColours, seed: number) {
    this.colours = colours;
    this.random = seeded(seed);
  }

  between = (from: number, to: number): number => from + (to - from) * this.random();
  whole = (from: number, to: number): number => Math.floor(this.between(from, to + 1));
  oneOf = <T>(all: readonly T[]): T => all[this.whole(0, all.length - 1)]!;

  fill(paint: Paint, shapes: readonly (readonly number[])[], alpha = 1): void {
    this.marks.push({ shapes: shapes.map(rounded).map(clockwise), paint, width: 0, alpha });
  }

  line(paint: Paint, width: number, shapes: readonly (readonly number[])[], alpha = 1): void {
    this.marks.push({ shapes: shapes.map(rounded), paint, width, alpha });
  }

  disc(paint: Paint, x: number, y: number, r: number, alpha = 1): void {
    this.fill(paint, [disc(x, y, r)], alpha);
  }

  /** Everything from a wavy line down to the foot of the slide. */
  ground(paint: Paint, y: number, wave: number, waves = 3): (x: number) => number {
    const [a, b] = [this.between(0, 7), this.between(0, 7)];
    const height = (x: number): number =>
      y +
      wave * Math.sin((x / STAGE.width) * Math.PI * waves + a) +
      wave * 0.45 * Math.sin((x / STAGE.width) * Math.PI * waves * 2.3 + b);
    const shape: number[] = [];
    for (let x = 0; x <= STAGE.width; x += 32) shape.push(x, height(x));
    this.fill(paint, [[...shape, STAGE.width, STAGE.height, 0, STAGE.height]]);
    return height;
  }

  /** A round outline that is nowhere quite round. */
  blob(x: number, y: number, w: number, h: number, uneven = 0.12): number[] {
    const turns = [2, 3, 5].map((times) => [times, this.between(0, 6.3), this.random()] as const);
    return around(40, (angle) => {
      const off = turns.reduce((sum, [t, at, size]) => sum + size * Math.sin(angle * t + at), 0);
      const r = 1 + (uneven * off) / 2;
      return [x + (Math.cos(angle) * w * r) / 2, y + (Math.sin(angle) * h * r) / 2];
    });
  }
}

const rounded = (shape: readonly number[]): number[] =>
  shape.map((value) => Math.round(value * 10) / 10);

/** Outlines that overlap make no hole in each other when all turn the same way. */
function clockwise(shape: number[]): number[] {
  let area = 0;
  for (let at = 0; at < shape.length; at += 2) {
    const next = (at + 2) % shape.length;
    area += shape[at]! * shape[next + 1]! - shape[next]! * shape[at + 1]!;
  }
  if (area >= 0) return shape;
  const turned: number[] = [];
  for (let at = shape.length - 2; at >= 0; at -= 2) turned.push(shape[at]!, shape[at + 1]!);
  return turned;
}

function around(steps: number, at: (angle: number) => Point): number[] {
  return Array.from({ length: steps }, (_, step) => at((step / steps) * 2 * Math.PI)).flat();
}

export const disc = (x: number, y: number, r: number, steps = r > 8 ? 36 : 10): number[] =>
  around(steps, (angle) => [x + r * Math.cos(angle), y + r * Math.sin(angle)]);

export const oval = (x: number, y: number, w: number, h: number, turn = 0): number[] =>
  turned(
    around(24, (angle) => [x + (w / 2) * Math.cos(angle), y + (h / 2) * Math.sin(angle)]),
    x,
    y,
    turn,
  );

export const rect = (x: number, y: number, w: number, h: number): number[] => [
  ...[x, y],
  ...[x + w, y],
  ...[x + w, y + h],
  ...[x, y + h],
];

/** An outline closed again, to be drawn as a line. */
export const closed = (shape: readonly number[]): number[] => [...shape, shape[0]!, shape[1]!];

/** Turned around a point by radians. */
export function turned(shape: readonly number[], x: number, y: number, angle: number): number[] {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const out: number[] = [];
  for (let at = 0; at + 1 < shape.length; at += 2) {
    const [dx, dy] = [shape[at]! - x, shape[at + 1]! - y];
    out.push(x + dx * cos - dy * sin, y + dx * sin + dy * cos);
  }
  return out;
}

/** A star of so many points. */
export const star = (
  x: number,
  y: number,
  r: number,
  points = 5,
  inner = 0.45,
  turn = 0,
): number[] =>
  around(points * 2, (angle) => {
    const away = Math.round((angle / Math.PI) * points) % 2 === 0 ? r : r * inner;
    return [x + away * Math.cos(angle + turn - 1.571), y + away * Math.sin(angle + turn - 1.571)];
  });

/** A leaf from its stalk to its tip. */
export function leaf(x: number, y: number, length: number, width: number, angle: number): number[] {
  const side = (sign: number): Point[] =>
    Array.from({ length: 7 }, (_, step) => {
      const along = step / 6;
      return [x + along * length, y + sign * (width / 2) * Math.sin(Math.PI * along ** 0.8)];
    });
  return turned([...side(1), ...side(-1).reverse()].flat(), x, y, angle);
}

/** A curve through points, bent at the middle one. */
export function arc(from: Point, by: Point, to: Point, steps = 14): number[] {
  return Array.from({ length: steps + 1 }, (_, step) => {
    const t = step / steps;
    const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t * t];
    return [a * from[0] + b * by[0] + c * to[0], a * from[1] + b * by[1] + c * to[1]];
  }).flat();
}

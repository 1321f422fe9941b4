import type { Pen, Point } from '../Pen.js';
import { MIDDLE, type Adjustment, type ShapeKind } from './kind.js';
import { SIGNS } from './signs.js';

/** The tip of a speech bubble, in shares of the box: it may lie far outside. */
const STANDARD_TIP = [0.2, 1.25] as const;
const grip = (
  w: number,
  h: number,
  [x = STANDARD_TIP[0], y = STANDARD_TIP[1]]: readonly number[],
): Point => ({ x: w * x, y: h * y });
const TIP: readonly Adjustment[] = [
  {
    label: 'Tip, across',
    standard: STANDARD_TIP[0],
    low: -1.5,
    high: 2.5,
    grip,
    value: (w, _h, { x }) => x / w,
  },
  {
    label: 'Tip, down',
    standard: STANDARD_TIP[1],
    low: -1.5,
    high: 2.5,
    grip,
    value: (_w, h, { y }) => y / h,
  },
];

/** Where a bubble's edge opens for its tip: the side that the tip lies beyond, and the middle of the opening there. */
function opening(
  w: number,
  h: number,
  x: number,
  y: number,
): { side: 'top' | 'right' | 'bottom' | 'left'; at: number } {
  const [dx, dy] = [(x - w / 2) / w, (y - h / 2) / h];
  const room = Math.min(w, h) * 0.32;
  const kept = (value: number, length: number): number =>
    Math.max(room, Math.min(length - room, value));
  return Math.abs(dx) > Math.abs(dy)
    ? { side: dx > 0 ? 'right' : 'left', at: kept(h / 2 + (y - h / 2) * 0.4, h) }
    : { side: dy > 0 ? 'bottom' : 'top', at: kept(w / 2 + (x - w / 2) * 0.4, w) };
}

/** A box with round corners of radius `r`, opened for a tip that lies outside of it. */
function bubble(pen: Pen, w: number, h: number, tipX: number, tipY: number, r: number): unknown {
  const { side, at } = opening(w, h, tipX, tipY);
  const half = Math.min(w, h) * 0.14;
  const isOutside = tipX < 0 || tipX > w || tipY < 0 || tipY > h;
  const spike = (x1: number, y1: number, x2: number, y2: number): void => {
    if (isOutside) pen.line(x1, y1).line(tipX, tipY).line(x2, y2);
  };
  pen.move(r, 0);
  if (side === 'top') spike(at - half, 0, at + half, 0);
  pen.line(w - r, 0).bow(w, 0, w, r);
  if (side === 'right') spike(w, at - half, w, at + half);
  pen.line(w, h - r).bow(w, h, w - r, h);
  if (side === 'bottom') spike(at + half, h, at - half, h);
  pen.line(r, h).bow(0, h, 0, h - r);
  if (side === 'left') spike(0, at + half, 0, at - half);
  return pen.line(0, r).bow(0, 0, r, 0).close();
}

export const BUBBLES = {
  speech: {
    label: 'Speech bubble',
    group: 'speech',
    adjust: TIP,
    draw: (pen, w, h, [x = 0.2, y = 1.25]) =>
      bubble(pen, w, h, x * w, y * h, Math.min(w, h) * 0.18),
    words: { x: 0.05, y: 0.06, w: 0.9, h: 0.88 },
  },
  'speech-square': {
    label: 'Square bubble',
    group: 'speech',
    adjust: TIP,
    draw: (pen, w, h, [x = 0.2, y = 1.25]) => bubble(pen, w, h, x * w, y * h, 0),
    words: { x: 0.04, y: 0.06, w: 0.92, h: 0.88 },
  },
  'speech-round': {
    label: 'Round bubble',
    group: 'speech',
    adjust: TIP,
    draw: (pen, w, h, [x = 0.2, y = 1.25]) => {
      const turn = (Math.atan2(2 * y - 1, 2 * x - 1) * 180) / Math.PI;
      const isOutside = (2 * x - 1) ** 2 + (2 * y - 1) ** 2 > 1;
      if (!isOutside) return pen.ellipse(w / 2, h / 2, w / 2, h / 2);
      return pen
        .arc(w / 2, h / 2, w / 2, h / 2, turn + 14, turn + 346)
        .line(x * w, y * h)
        .close();
    },
    words: MIDDLE,
  },
  thought: {
    label: 'Thought bubble',
    group: 'speech',
    adjust: TIP,
    draw: (pen, w, h, [x = 0.2, y = 1.25]) => {
      SIGNS.cloud.draw(pen, w, h, []);
      const [dx, dy] = [x - 0.5, y - 0.5];
      const edge = 0.55 / Math.max(0.56, Math.hypot(dx, dy));
      for (const [share, size] of [
        [edge + (1 - edge) * 0.25, 0.075],
        [edge + (1 - edge) * 0.62, 0.052],
        [1, 0.034],
      ] as const) {
        const r = size * Math.min(w, h);
        pen.ellipse((0.5 + dx * share) * w, (0.5 + dy * share) * h, r, r);
      }
      return pen;
    },
    words: { x: 0.16, y: 0.28, w: 0.66, h: 0.54 },
  },
} as const satisfies Record<string, ShapeKind>;

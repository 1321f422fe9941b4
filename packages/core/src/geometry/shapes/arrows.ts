import { downLeft, pointOnRight } from './adjustments.js';
import { plainShape, type Adjustment, type ShapeKind } from './kind.js';

const HEAD = pointOnRight('Head', 0.6, 0.1);
/** The thickness of the shaft, as a share of the height. */
const SHAFT: Adjustment = {
  label: 'Shaft',
  standard: 0.5,
  low: 0.05,
  high: 1,
  grip: (_w, h, [, shaft = 0.5]) => ({ x: 0, y: (h * (1 - shaft)) / 2 }),
  value: (_w, h, { y }) => 1 - (2 * y) / h,
};

export const ARROWS = {
  arrow: {
    label: 'Arrow',
    group: 'arrows',
    adjust: [HEAD, SHAFT],
    draw: (pen, w, h, [head = 0.6, shaft = 0.5]) => {
      const neck = Math.max(0, w - head * h);
      const [top, bottom] = [(h * (1 - shaft)) / 2, (h * (1 + shaft)) / 2];
      return pen.polygon(
        [0, top],
        [neck, top],
        [neck, 0],
        [w, h / 2],
        [neck, h],
        [neck, bottom],
        [0, bottom],
      );
    },
    words: { x: 0.06, y: 0.28, w: 0.74, h: 0.44 },
  },
  'arrow-both': {
    label: 'Arrow both ways',
    group: 'arrows',
    adjust: [HEAD, SHAFT],
    draw: (pen, w, h, [head = 0.6, shaft = 0.5]) => {
      const neck = Math.min(w / 2, head * h);
      const [top, bottom] = [(h * (1 - shaft)) / 2, (h * (1 + shaft)) / 2];
      return pen.polygon(
        [0, h / 2],
        [neck, 0],
        [neck, top],
        [w - neck, top],
        [w - neck, 0],
        [w, h / 2],
        [w - neck, h],
        [w - neck, bottom],
        [neck, bottom],
        [neck, h],
      );
    },
    words: { x: 0.2, y: 0.28, w: 0.6, h: 0.44 },
  },
  'arrow-bent': {
    label: 'Bent arrow',
    group: 'arrows',
    adjust: [downLeft('Shaft', 0.62, 0.5, 0.9)],
    draw: (pen, w, h, [share = 0.62]) => {
      const thick = Math.min(h * (1 - share), w * 0.35);
      const neck = w - Math.min(w * 0.4, thick * 1.4);
      return pen
        .move(0, h)
        .line(0, Math.max(thick * 1.6, h * 0.45))
        .bow(0, thick / 2, thick * 1.4, thick / 2)
        .line(neck, thick / 2)
        .line(neck, 0)
        .line(w, thick)
        .line(neck, thick * 2)
        .line(neck, thick * 1.5)
        .line(thick * 1.4, thick * 1.5)
        .bow(thick, thick * 1.5, thick, Math.max(thick * 1.9, h * 0.5))
        .line(thick, h)
        .close();
    },
  },
  'arrow-round': plainShape('Turning arrow', 'arrows', (pen, w, h) =>
    pen
      .arc(w * 0.46, h * 0.54, w * 0.46, h * 0.46, 40, 318)
      .line(w * 0.92, h * 0.02)
      .line(w, h * 0.5)
      .line(w * 0.56, h * 0.46)
      .line(w * 0.66, h * 0.36)
      .arc(w * 0.46, h * 0.54, w * 0.27, h * 0.27, 318, 40)
      .close(),
  ),
  chevron: {
    label: 'Chevron',
    group: 'arrows',
    adjust: [pointOnRight('Point', 0.4, 0)],
    draw: (pen, w, h, [point = 0.4]) => {
      const cut = Math.min(w, point * h);
      return pen.polygon([0, 0], [w - cut, 0], [w, h / 2], [w - cut, h], [0, h], [cut, h / 2]);
    },
    words: { x: 0.2, y: 0.15, w: 0.58, h: 0.7 },
  },
  signpost: {
    label: 'Signpost',
    group: 'arrows',
    adjust: [pointOnRight('Point', 0.35, 0)],
    draw: (pen, w, h, [point = 0.35]) => {
      const cut = Math.min(w, point * h);
      return pen.polygon([0, 0], [w - cut, 0], [w, h / 2], [w - cut, h], [0, h]);
    },
    words: { x: 0.04, y: 0.08, w: 0.78, h: 0.84 },
  },
} as const satisfies Record<string, ShapeKind>;

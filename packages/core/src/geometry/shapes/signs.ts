import { acrossTop, countBelow, downLeft, inwards, ofShorter } from './adjustments.js';
import { plainShape, type ShapeKind } from './kind.js';

type Corner = readonly [x: number, y: number];

export const SIGNS = {
  cross: {
    label: 'Cross',
    group: 'signs',
    adjust: [ofShorter('Arms', 0.33, 0.48)],
    draw: (pen, w, h, [share = 0.33]) => {
      const cut = Math.min(w, h) * share;
      const corners: Corner[] = [
        [cut, 0],
        [w - cut, 0],
        [w - cut, cut],
        [w, cut],
        [w, h - cut],
        [w - cut, h - cut],
        [w - cut, h],
        [cut, h],
        [cut, h - cut],
        [0, h - cut],
        [0, cut],
        [cut, cut],
      ];
      return pen.polygon(...corners);
    },
  },
  drop: plainShape(
    'Drop',
    'signs',
    (pen, w, h) =>
      pen
        .move(w / 2, 0)
        .curve(w * 0.62, h * 0.2, w, h * 0.42, w, h * 0.66)
        .curve(w, h * 0.86, w * 0.78, h, w / 2, h)
        .curve(w * 0.22, h, 0, h * 0.86, 0, h * 0.66)
        .curve(0, h * 0.42, w * 0.38, h * 0.2, w / 2, 0)
        .close(),
    { x: 0.2, y: 0.42, w: 0.6, h: 0.48 },
  ),
  heart: plainShape(
    'Heart',
    'signs',
    (pen, w, h) =>
      pen
        .move(w / 2, h * 0.26)
        .curve(w * 0.42, 0, 0, -h * 0.02, 0, h * 0.32)
        .curve(0, h * 0.62, w * 0.34, h * 0.8, w / 2, h)
        .curve(w * 0.66, h * 0.8, w, h * 0.62, w, h * 0.32)
        .curve(w, -h * 0.02, w * 0.58, 0, w / 2, h * 0.26)
        .close(),
    { x: 0.2, y: 0.24, w: 0.6, h: 0.46 },
  ),
  cloud: plainShape(
    'Cloud',
    'signs',
    (pen, w, h) =>
      pen
        .move(w * 0.24, h * 0.94)
        .curve(w * 0.04, h * 0.96, -w * 0.06, h * 0.62, w * 0.12, h * 0.52)
        .curve(w * 0.06, h * 0.24, w * 0.28, h * 0.12, w * 0.38, h * 0.24)
        .curve(w * 0.46, -h * 0.04, w * 0.78, 0, w * 0.78, h * 0.3)
        .curve(w * 0.98, h * 0.24, w * 1.06, h * 0.56, w * 0.92, h * 0.68)
        .curve(w, h * 0.92, w * 0.78, h * 1.02, w * 0.68, h * 0.9)
        .curve(w * 0.58, h * 1.02, w * 0.32, h * 1.02, w * 0.24, h * 0.94)
        .close(),
    { x: 0.16, y: 0.28, w: 0.66, h: 0.54 },
  ),
  moon: {
    label: 'Moon',
    group: 'signs',
    adjust: [acrossTop('Phase', 0.55, 0.05, 0.95)],
    draw: (pen, w, h, [phase = 0.55]) =>
      pen
        .move(w, 0)
        .curve(w * 0.3, 0, 0, h * 0.22, 0, h / 2)
        .curve(0, h * 0.78, w * 0.3, h, w, h)
        .curve(w * phase, h * 0.82, w * phase, h * 0.18, w, 0)
        .close(),
  },
  sun: {
    label: 'Sun',
    group: 'signs',
    adjust: [inwards('Disc', 0.55, 0.2, 0.85), countBelow('Rays', 12, 6, 24, 1)],
    draw: (pen, w, h, [disc = 0.55, rays = 12]) => {
      const at = (turn: number, reach: number): Corner => [
        w / 2 + (w / 2) * reach * Math.cos(turn),
        h / 2 + (h / 2) * reach * Math.sin(turn),
      ];
      pen.ellipse(w / 2, h / 2, (w / 2) * disc, (h / 2) * disc);
      const half = 1.3 / rays;
      const base = Math.min(0.97, disc + 0.1);
      for (let ray = 0; ray < rays; ray += 1) {
        const turn = (2 * Math.PI * ray) / rays;
        pen.polygon(at(turn - half, base), at(turn, 1), at(turn + half, base));
      }
      return pen;
    },
    words: { x: 0.28, y: 0.32, w: 0.44, h: 0.36 },
  },
  bolt: plainShape('Bolt', 'signs', (pen, w, h) =>
    pen.polygon(
      [w * 0.56, 0],
      [0, h * 0.56],
      [w * 0.4, h * 0.56],
      [w * 0.26, h],
      [w, h * 0.38],
      [w * 0.56, h * 0.38],
      [w * 0.78, 0],
    ),
  ),
  tick: plainShape('Tick', 'signs', (pen, w, h) =>
    pen.polygon(
      [0, h * 0.56],
      [w * 0.14, h * 0.4],
      [w * 0.36, h * 0.62],
      [w * 0.86, 0],
      [w, h * 0.14],
      [w * 0.38, h],
    ),
  ),
  banner: {
    label: 'Banner',
    group: 'signs',
    adjust: [acrossTop('Ends', 0.14, 0.04, 0.35)],
    draw: (pen, w, h, [share = 0.14]) => {
      const end = w * share;
      const corners: Corner[] = [
        [end, 0],
        [w - end, 0],
        [w - end, h * 0.2],
        [w, h * 0.2],
        [w - end / 2, h * 0.6],
        [w, h],
        [w - end * 1.4, h],
        [w - end * 1.4, h * 0.8],
        [end * 1.4, h * 0.8],
        [end * 1.4, h],
        [0, h],
        [end / 2, h * 0.6],
        [0, h * 0.2],
        [end, h * 0.2],
      ];
      return pen.polygon(...corners);
    },
    words: { x: 0.16, y: 0.08, w: 0.68, h: 0.66 },
  },
  tag: {
    label: 'Tag',
    group: 'signs',
    adjust: [acrossTop('Point', 0.25, 0.02, 0.6)],
    draw: (pen, w, h, [share = 0.25]) => {
      const cut = w * share;
      const hole = Math.min(w, h) * 0.07;
      return pen
        .polygon([cut, 0], [w, 0], [w, h], [cut, h], [0, h / 2])
        .arc(cut * 0.9 + hole, h / 2, hole, hole, 360, 0)
        .close();
    },
    words: { x: 0.34, y: 0.1, w: 0.6, h: 0.8 },
  },
  note: {
    label: 'Note',
    group: 'signs',
    adjust: [ofShorter('Fold', 0.25)],
    draw: (pen, w, h, [share = 0.25]) => {
      const fold = share * Math.min(w, h);
      return pen
        .polygon([0, 0], [w - fold, 0], [w - fold, fold], [w, fold], [w, h], [0, h])
        .polygon(
          [w - fold * 0.94, fold * 0.06],
          [w - fold * 0.06, fold * 0.94],
          [w - fold * 0.94, fold * 0.94],
        );
    },
    words: { x: 0.06, y: 0.1, w: 0.84, h: 0.84 },
  },
  wave: {
    label: 'Wave',
    group: 'signs',
    adjust: [downLeft('Height', 0.16, 0, 0.4)],
    draw: (pen, w, h, [share = 0.16]) => {
      const swing = h * share;
      return pen
        .move(0, swing)
        .curve(w / 3, -swing * 1.4, (2 * w) / 3, swing * 3.4, w, swing)
        .line(w, h - swing)
        .curve((2 * w) / 3, h + swing * 1.4, w / 3, h - swing * 3.4, 0, h - swing)
        .close();
    },
    words: { x: 0.04, y: 0.24, w: 0.92, h: 0.52 },
  },
  gear: {
    label: 'Gear',
    group: 'signs',
    adjust: [countBelow('Teeth', 8, 5, 20)],
    draw: (pen, w, h, [teeth = 8]) => {
      const corners: Corner[] = [];
      for (let tooth = 0; tooth < teeth; tooth += 1) {
        for (const [turn, reach] of [
          [0.1, 1],
          [0.4, 1],
          [0.52, 0.78],
          [0.98, 0.78],
        ] as const) {
          const at = (2 * Math.PI * (tooth + turn)) / teeth;
          corners.push([
            w / 2 + (w / 2) * reach * Math.cos(at),
            h / 2 + (h / 2) * reach * Math.sin(at),
          ]);
        }
      }
      return pen
        .polygon(...corners)
        .arc(w / 2, h / 2, w * 0.16, h * 0.16, 360, 0)
        .close();
    },
  },
} as const satisfies Record<string, ShapeKind>;

import { acrossTop, inwards, ofShorter, onRim } from './adjustments.js';
import { MIDDLE, plainShape, type ShapeKind } from './kind.js';

export const BASIC = {
  rectangle: plainShape('Rectangle', 'basic', (pen, w, h) =>
    pen.polygon([0, 0], [w, 0], [w, h], [0, h]),
  ),
  rounded: {
    label: 'Rounded',
    group: 'basic',
    adjust: [ofShorter('Corners', 0.16)],
    draw: (pen, w, h, [share = 0.16]) => pen.rounded(0, 0, w, h, share * Math.min(w, h)),
  },
  ellipse: plainShape(
    'Ellipse',
    'basic',
    (pen, w, h) => pen.ellipse(w / 2, h / 2, w / 2, h / 2),
    MIDDLE,
  ),
  triangle: {
    label: 'Triangle',
    group: 'basic',
    adjust: [acrossTop('Top', 0.5)],
    draw: (pen, w, h, [top = 0.5]) => pen.polygon([w * top, 0], [w, h], [0, h]),
    words: { x: 0.22, y: 0.42, w: 0.56, h: 0.54 },
  },
  'right-triangle': plainShape(
    'Right triangle',
    'basic',
    (pen, w, h) => pen.polygon([0, 0], [w, h], [0, h]),
    { x: 0.06, y: 0.48, w: 0.5, h: 0.48 },
  ),
  diamond: plainShape(
    'Diamond',
    'basic',
    (pen, w, h) => pen.polygon([w / 2, 0], [w, h / 2], [w / 2, h], [0, h / 2]),
    { x: 0.22, y: 0.25, w: 0.56, h: 0.5 },
  ),
  parallelogram: {
    label: 'Parallelogram',
    group: 'basic',
    adjust: [acrossTop('Slant', 0.22, 0, 0.9)],
    draw: (pen, w, h, [slant = 0.22]) =>
      pen.polygon([w * slant, 0], [w, 0], [w * (1 - slant), h], [0, h]),
    words: { x: 0.16, y: 0.08, w: 0.68, h: 0.84 },
  },
  trapezium: {
    label: 'Trapezium',
    group: 'basic',
    adjust: [acrossTop('Top', 0.22, 0, 0.5)],
    draw: (pen, w, h, [inset = 0.22]) =>
      pen.polygon([w * inset, 0], [w * (1 - inset), 0], [w, h], [0, h]),
    words: { x: 0.16, y: 0.1, w: 0.68, h: 0.84 },
  },
  ring: {
    label: 'Ring',
    group: 'basic',
    adjust: [inwards('Hole', 0.6)],
    draw: (pen, w, h, [hole = 0.6]) =>
      pen
        .ellipse(w / 2, h / 2, w / 2, h / 2)
        .arc(w / 2, h / 2, (w / 2) * hole, (h / 2) * hole, 360, 0)
        .close(),
    words: { x: 0.25, y: 0.3, w: 0.5, h: 0.4 },
  },
  frame: {
    label: 'Frame',
    group: 'basic',
    adjust: [ofShorter('Thickness', 0.12, 0.48)],
    draw: (pen, w, h, [share = 0.12]) => {
      const edge = share * Math.min(w, h);
      return pen
        .polygon([0, 0], [w, 0], [w, h], [0, h])
        .polygon([edge, edge], [edge, h - edge], [w - edge, h - edge], [w - edge, edge]);
    },
    words: MIDDLE,
  },
  slice: {
    label: 'Slice',
    group: 'basic',
    adjust: [onRim('To', 270, 0), onRim('From', 0, 1)],
    draw: (pen, w, h, [to = 270, from = 0]) =>
      pen
        .move(w / 2, h / 2)
        .arc(w / 2, h / 2, w / 2, h / 2, from, to > from ? to : to + 360)
        .close(),
    words: MIDDLE,
  },
  arch: {
    label: 'Arch',
    group: 'basic',
    adjust: [inwards('Opening', 0.6)],
    draw: (pen, w, h, [hole = 0.6]) =>
      pen
        .arc(w / 2, h, w / 2, h, 180, 360)
        .arc(w / 2, h, (w / 2) * hole, h * hole, 360, 180)
        .close(),
  },
} as const satisfies Record<string, ShapeKind>;

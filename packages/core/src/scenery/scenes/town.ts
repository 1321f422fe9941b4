import { STAGE, type Box } from '../../parts/place.js';
import { arc, closed, disc, oval, rect, turned, type Brush } from '../Brush.js';
import { shining } from './land.js';

/** Roofs behind roofs, windows lit here and there. */
export function city(brush: Brush, { y, h }: Box): void {
  const { far, mid, near, deep, light, warm } = brush.colours;
  shining(brush, brush.between(160, 1080), y + h * 0.26, Math.min(50, h * 0.18));
  const layers = [
    { paint: far, least: 0.42, most: 0.8, w: [60, 110], lit: 0 },
    { paint: mid, least: 0.3, most: 0.62, w: [70, 120], lit: 0.12 },
    { paint: near, least: 0.2, most: 0.46, w: [84, 140], lit: 0.3 },
  ] as const;
  for (const { paint, least, most, w: wide, lit } of layers) {
    const blocks: number[][] = [];
    const panes: number[][] = [];
    for (let x = brush.between(-60, 0); x < STAGE.width;) {
      const w = brush.between(wide[0], wide[1]);
      const tall = h * brush.between(least, most);
      const top = STAGE.height - tall;
      const cut = brush.random();
      blocks.push(
        cut < 0.25
          ? [x, STAGE.height, x, top + 26, x + w, top, x + w, STAGE.height]
          : cut < 0.45
            ? [x, STAGE.height, x, top, x + w / 2, top - 26, x + w, top, x + w, STAGE.height]
            : rect(x, top, w, tall),
      );
      if (cut > 0.8)
        blocks.push(rect(x + w * 0.3, top - 30, 5, 30), rect(x + w * 0.6, top - 16, w * 0.2, 16));
      for (let px = x + 14; px < x + w - 16 && lit > 0; px += 22) {
        for (let py = top + 34; py < STAGE.height - 24; py += 28) {
          if (brush.random() < lit) panes.push(rect(px, py, 10, 14));
        }
      }
      x += w + brush.between(-6, 10);
    }
    brush.fill(paint, blocks);
    brush.fill(light, panes, 0.9);
  }
  const street = STAGE.height - Math.min(44, h * 0.14);
  brush.fill(deep, [rect(0, street, STAGE.width, 60)]);
  const lamps: number[][] = [];
  const glow: number[][] = [];
  for (let x = brush.between(60, 200); x < STAGE.width; x += 290) {
    lamps.push(rect(x, street - 62, 4, 62), rect(x - 9, street - 66, 22, 5));
    glow.push(oval(x + 2, street - 57, 15, 10));
  }
  brush.fill(deep, lamps);
  brush.fill(light, glow);
  // A tram on its way.
  const x = brush.between(500, 860);
  brush.fill(warm, [rect(x, street - 36, 168, 38)]);
  brush.fill(
    light,
    [0, 1, 2, 3, 4].map((at) => rect(x + 10 + at * 31, street - 29, 22, 14)),
  );
  brush.fill(deep, [disc(x + 34, street + 4, 7), disc(x + 134, street + 4, 7)]);
}

/** Under the roof: beams, a round window, boxes that nobody has opened for long. */
export function attic(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, deep, light, warm } = brush.colours;
  const floor = 604;
  const ridge = x + w * 0.42;
  brush.fill(
    { from: far, to: brush.colours.sky },
    [[ridge, 0, STAGE.width, 0, STAGE.width, floor, x, floor, x, 470]],
    0.9,
  );
  const planks = Array.from({ length: 9 }, (_, at) => {
    const px = x + ((at + 1) * w) / 9;
    return [px, Math.max(0, 470 - (470 * (px - x)) / (ridge - x)), px, floor];
  });
  brush.line(mid, 2, planks, 0.5);
  const [cx, cy, r] = [
    x + w * brush.between(0.6, 0.7),
    brush.between(170, 220),
    Math.min(78, w * 0.24),
  ];
  brush.fill(
    light,
    [[cx - r * 0.8, cy + r * 0.5, cx + r * 0.6, cy + r * 0.9, x + w * 0.34, floor, x + 10, floor]],
    0.32,
  );
  brush.disc(near, cx, cy, r + 12);
  brush.disc(light, cx, cy, r);
  brush.line(near, 7, [
    [cx - r, cy, cx + r, cy],
    [cx, cy - r, cx, cy + r],
  ]);
  brush.fill(near, [
    [x - 16, 482, ridge - 18, -10, ridge + 30, -10, x + 28, 482],
    [ridge - 12, 0, STAGE.width, 0, STAGE.width, 26, ridge - 26, 26],
  ]);
  brush.fill({ from: mid, to: near }, [rect(x, floor, STAGE.width - x, STAGE.height - floor)]);
  brush.line(
    near,
    2,
    [
      [x, 640, STAGE.width, 640],
      [x, 682, STAGE.width, 682],
    ],
    0.7,
  );
  // A trunk, boxes on boxes, a lamp, a ball that rolled away.
  const box = (bx: number, foot: number, bw: number, bh: number, paint: string): void => {
    brush.fill(paint, [rect(bx, foot - bh, bw, bh)]);
    brush.fill(deep, [rect(bx, foot - bh, bw, bh * 0.16)], 0.5);
    brush.fill(light, [rect(bx + bw * 0.36, foot - bh * 0.62, bw * 0.28, bh * 0.22)], 0.85);
  };
  const s = Math.min(1, w / 440);
  const at = x + w * brush.between(0.42, 0.5);
  box(at, floor + 40, 190 * s, 120 * s, near);
  box(at + 26 * s, floor + 40 - 120 * s, 130 * s, 84 * s, mid);
  if (w > 300) box(at + 200 * s, floor + 34, 120 * s, 92 * s, mid);
  const tx = x + w * 0.1;
  brush.fill(deep, [rect(tx, floor - 30 * s, 150 * s, 90 * s)]);
  brush.fill(warm, [
    [
      tx - 4,
      floor - 30 * s,
      ...arc(
        [tx - 4, floor - 30 * s],
        [tx + 75 * s, floor - 78 * s],
        [tx + 154 * s, floor - 30 * s],
      ),
    ],
    rect(tx + 66 * s, floor - 36 * s, 18 * s, 26 * s),
  ]);
  brush.line(light, 3, [closed(rect(tx + 8, floor - 22 * s, 134 * s, 74 * s))], 0.5);
  brush.disc(warm, at - 26, floor + 66, 22);
  brush.line(light, 3, [
    turned(
      arc([at - 46, floor + 62], [at - 26, floor + 78], [at - 6, floor + 62]),
      at - 26,
      floor + 66,
      brush.between(-0.6, 0.6),
    ),
  ]);
  const dust = Array.from({ length: 18 }, () =>
    disc(brush.between(x + 60, cx + 20), brush.between(cy, floor - 40), 2),
  );
  brush.fill(light, dust, 0.8);
}

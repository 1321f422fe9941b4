import { STAGE, type Box } from '../../parts/place.js';
import { arc, disc, leaf, oval, rect, type Brush } from '../Brush.js';

/** A sun or a moon with its light around it. */
export function shining(brush: Brush, x: number, y: number, r: number): void {
  const { light } = brush.colours;
  brush.disc(light, x, y, r * 1.6, 0.14);
  brush.disc(light, x, y, r * 1.28, 0.24);
  brush.disc(light, x, y, r);
}

function pine(x: number, y: number, h: number): number[][] {
  return [0, 1, 2].map((tier) => {
    const [top, w] = [y - h + tier * h * 0.24, h * (0.26 + tier * 0.12)];
    return [x, top, x + w / 2, top + h * 0.44, x - w / 2, top + h * 0.44];
  });
}

/** Hills behind hills, a sun between them, pines in front. */
export function hills(brush: Brush, { y, h }: Box): void {
  const { far, mid, near, deep } = brush.colours;
  const r = Math.min(66, h * 0.25);
  shining(brush, brush.between(820, 1120), y + r * 1.4, r);
  const layers = [
    { paint: far, at: 0.34, wave: 24 },
    { paint: { from: mid, to: far }, at: 0.46, wave: 22 },
    { paint: near, at: 0.6, wave: 20 },
    { paint: deep, at: 0.79, wave: 16 },
  ];
  layers.forEach(({ paint, at, wave }, layer) => {
    const top = brush.ground(paint, y + h * at, wave * Math.min(1, h / 220), 2 + layer * 0.7);
    if (layer < 2) return;
    const trees: number[][] = [];
    const size = h * (layer === 2 ? 0.16 : 0.26);
    let x = brush.between(0, 60);
    while (x < STAGE.width) {
      // Pines stand in small groups.
      for (let left = brush.whole(1, 4); left > 0; left -= 1) {
        trees.push(...pine(x, top(x) + 5, size * brush.between(0.7, 1.15)));
        x += size * brush.between(0.3, 0.55);
      }
      x += brush.between(40, 240);
    }
    brush.fill(deep, trees, layer === 2 ? 0.75 : 1);
  });
  const path = brush.between(240, 560);
  brush.fill(far, [
    [
      ...arc([path, STAGE.height], [path + 90, y + h * 0.9], [path + 40, y + h * 0.8]),
      ...arc([path + 52, y + h * 0.8], [path + 120, y + h * 0.9], [path + 60, STAGE.height]),
    ],
  ]);
  birds(brush, brush.between(460, 700), y + 12, 3);
}

export function birds(brush: Brush, x: number, y: number, count: number): void {
  const flock = Array.from({ length: count }, (_, at) => {
    const [bx, by] = [x + at * 34 + brush.between(-8, 8), y + brush.between(-14, 14)];
    return [
      ...arc([bx - 12, by - 4], [bx - 5, by - 8], [bx, by]),
      ...arc([bx, by], [bx + 5, by - 8], [bx + 12, by - 4]),
    ];
  });
  brush.line(brush.colours.deep, 2.2, flock, 0.6);
}

/** Rows of fruit trees on a slope, a ladder and a basket. */
export function orchard(brush: Brush, { y, h }: Box): void {
  const { far, mid, near, deep, warm, light } = brush.colours;
  const r = Math.min(54, h * 0.2);
  shining(brush, brush.between(140, 420), y + r * 1.4, r);
  brush.ground(far, y + h * 0.3, 20, 1.6);
  brush.ground(mid, y + h * 0.46, 16, 2.2);
  const rows = [
    { at: 0.5, size: 0.36, crown: near, count: 9 },
    { at: 0.72, size: 0.56, crown: deep, count: 6 },
  ];
  for (const { at, size, crown, count } of rows) {
    const top = brush.ground(at < 0.6 ? mid : near, y + h * at, 10, 2.6);
    const gap = STAGE.width / count;
    const s = h * size;
    for (let tree = 0; tree < count; tree += 1) {
      const x = gap * (tree + 0.5) + brush.between(-gap * 0.18, gap * 0.18);
      const foot = top(x) + s * 0.1;
      brush.fill(deep, [rect(x - s * 0.045, foot - s * 0.46, s * 0.09, s * 0.46)]);
      const [cx, cy] = [x, foot - s * 0.66];
      brush.fill(crown === deep ? deep : near, [brush.blob(cx, cy, s * 0.82, s * 0.68, 0.14)]);
      brush.fill(mid, [brush.blob(cx - s * 0.1, cy - s * 0.1, s * 0.42, s * 0.3, 0.16)], 0.55);
      const fruits = Array.from({ length: brush.whole(4, 7) }, () => {
        const [angle, away] = [brush.between(0, 6.3), brush.between(0.1, 0.3) * s];
        const [fx, fy] = [cx + Math.cos(angle) * away * 1.1, cy + Math.sin(angle) * away];
        return disc(fx, fy, s * 0.038);
      });
      brush.fill(warm, fruits);
    }
  }
  const front = brush.ground(near, y + h * 0.9, 8, 1.4);
  const x = brush.between(700, 1060);
  const foot = front(x) - 2;
  const s = Math.min(64, h * 0.28);
  brush.fill(light, [oval(x, foot - s * 0.5, s * 1.3, s * 0.3)]);
  brush.fill(
    warm,
    [-0.4, -0.15, 0.12, 0.38].map((at) => disc(x + at * s, foot - s * 0.55, s * 0.16)),
  );
  brush.fill(light, [
    [
      x - s * 0.65,
      foot - s * 0.5,
      x + s * 0.65,
      foot - s * 0.5,
      x + s * 0.45,
      foot,
      x - s * 0.45,
      foot,
    ],
  ]);
  const grass = Array.from({ length: 26 }, () => {
    const gx = brush.between(0, STAGE.width);
    return leaf(gx, front(gx) + 4, brush.between(12, 26), 5, -1.57 + brush.between(-0.4, 0.4));
  });
  brush.fill(deep, grass, 0.8);
}

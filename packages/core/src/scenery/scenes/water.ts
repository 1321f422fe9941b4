import { STAGE, type Box } from '../../parts/place.js';
import { arc, leaf, oval, rect, star, type Brush } from '../Brush.js';
import { birds, shining } from './land.js';

/** A gabled house, and its lit windows. */
function house(brush: Brush, x: number, foot: number, w: number, h: number, paint: string): void {
  const roof = h * brush.between(0.18, 0.3);
  brush.fill(paint, [
    [x, foot, x, foot - h + roof, x + w / 2, foot - h, x + w, foot - h + roof, x + w, foot],
  ]);
  const panes: number[][] = [];
  for (let row = 0; row < Math.floor((h - roof) / 26); row += 1) {
    for (const at of [0.24, 0.6]) {
      if (brush.random() < 0.45)
        panes.push(rect(x + w * at, foot - h + roof + 10 + row * 26, 7, 10));
    }
  }
  brush.fill(brush.colours.light, panes);
}

/** A small sailing boat; its hull stands on the water at y. */
function boat(brush: Brush, x: number, y: number, s: number): void {
  const { light, warm, deep } = brush.colours;
  brush.fill(light, [
    [x + s * 0.04, y - s * 1.5, x + s * 0.04, y - s * 0.18, x + s * 0.7, y - s * 0.18],
  ]);
  brush.fill(warm, [
    [x - s * 0.04, y - s * 1.3, x - s * 0.04, y - s * 0.18, x - s * 0.48, y - s * 0.18],
  ]);
  brush.line(deep, s * 0.05, [[x, y - s * 1.56, x, y]]);
  brush.fill(light, [
    [
      x - s * 0.75,
      y - s * 0.12,
      x + s * 0.85,
      y - s * 0.12,
      x + s * 0.55,
      y + s * 0.2,
      x - s * 0.5,
      y + s * 0.2,
    ],
  ]);
  brush.fill(
    light,
    [
      [
        x - s * 0.4,
        y + s * 0.3,
        x + s * 0.5,
        y + s * 0.3,
        x + s * 0.2,
        y + s * 1.2,
        x - s * 0.1,
        y + s * 1.2,
      ],
    ],
    0.14,
  );
}

/** A harbour town at the end of the day. */
export function harbour(brush: Brush, { y, h }: Box): void {
  const { far, mid, near, deep, light } = brush.colours;
  const sea = y + h * 0.46;
  const at = brush.between(760, 1040);
  shining(brush, at, sea - h * 0.14, Math.min(66, h * 0.24));
  const slope = brush.between(0.6, 1.4);
  brush.ground(far, sea - h * 0.14, 14, slope);
  // The town stands on one side; a light at the end of its mole on the other.
  let x = at + brush.between(60, 110);
  while (x < STAGE.width + 20) {
    const w = brush.between(38, 62);
    house(brush, x, sea + 4, w, h * brush.between(0.2, 0.42), brush.random() < 0.5 ? near : mid);
    x += w + brush.between(-2, 8);
  }
  for (let left = brush.whole(3, 5), hx = at - 80; left > 0; left -= 1) {
    const w = brush.between(30, 46);
    hx -= w + brush.between(0, 14);
    house(brush, hx, sea + 4, w, h * brush.between(0.14, 0.26), mid);
  }
  const tower = brush.between(200, 420);
  brush.fill(near, [
    [tower - 9, sea, tower - 6, sea - h * 0.36, tower + 6, sea - h * 0.36, tower + 9, sea],
  ]);
  brush.fill(light, [rect(tower - 5, sea - h * 0.42, 10, h * 0.06)]);
  brush.fill(near, [[tower - 9, sea - h * 0.42, tower, sea - h * 0.48, tower + 9, sea - h * 0.42]]);
  brush.fill(near, [
    [tower - 120, sea + 8, tower - 96, sea - 8, tower + 60, sea - 8, tower + 84, sea + 8],
  ]);
  brush.fill({ from: deep, to: near }, [rect(0, sea, STAGE.width, STAGE.height - sea)]);
  const shine: number[][] = [];
  for (let row = 0; row < 9; row += 1) {
    const w = brush.between(30, 110) * (1 - row / 14);
    shine.push(oval(at + brush.between(-16, 16), sea + 10 + row * h * 0.055, w, 4));
  }
  brush.fill(light, shine, 0.5);
  const ripples = Array.from({ length: 46 }, () => {
    const [rx, ry] = [brush.between(0, STAGE.width), sea + brush.between(0.02, 0.54) * h];
    const w = brush.between(16, 76);
    return arc([rx, ry], [rx + w / 2, ry - 3], [rx + w, ry], 4);
  });
  brush.line(far, 2, ripples, 0.7);
  boat(brush, brush.between(480, 700), sea + h * 0.2, Math.min(58, h * 0.2));
  birds(brush, brush.between(420, 620), y + h * 0.08, 4);
}

/** A pool between rocks at low tide, seen from above. */
export function pool(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, deep, light, warm } = brush.colours;
  const [cx, cy] = [x + w * 0.56, brush.between(340, 400)];
  const size = Math.max(w * 1.16, 380);
  const high = Math.min(size * 1.12, 700);
  for (const [share, paint] of [
    [1, far],
    [0.82, mid],
    [0.63, near],
  ] as const) {
    brush.fill(paint, [brush.blob(cx, cy, size * share, high * share, 0.1)]);
  }
  brush.fill(deep, [brush.blob(cx + 14, cy + 24, size * 0.34, high * 0.32, 0.18)], 0.75);
  const ripples = Array.from({ length: 6 }, () => {
    const [rx, ry] = [
      cx + brush.between(-0.24, 0.12) * size,
      cy + brush.between(-0.26, 0.1) * high,
    ];
    return arc([rx, ry], [rx + 24, ry - 12], [rx + 52, ry]);
  });
  brush.line(far, 3, ripples, 0.55);
  const weed = Array.from({ length: 8 }, (_, at) => {
    const [wx, wy] = [
      cx - size * 0.16 + at * size * 0.034,
      cy + high * 0.27 + brush.between(-8, 8),
    ];
    const tall = brush.between(46, 110);
    return arc(
      [wx, wy],
      [wx + brush.between(-26, 26), wy - tall / 2],
      [wx + brush.between(-8, 8), wy - tall],
    );
  });
  brush.line(deep, 6, weed);
  for (let stones = 20; stones > 0; stones -= 1) {
    const angle = (stones / 20) * 6.283 + brush.between(-0.14, 0.14);
    const [sx, sy] = [
      cx + Math.cos(angle) * size * brush.between(0.42, 0.49),
      cy + Math.sin(angle) * high * brush.between(0.42, 0.49),
    ];
    const s = brush.between(28, 78);
    brush.fill(deep, [oval(sx + 3, sy + 6, s, s * 0.7)], 0.16);
    brush.fill(light, [brush.blob(sx, sy, s, s * 0.7, 0.16)]);
    brush.fill(far, [brush.blob(sx - s * 0.08, sy - s * 0.12, s * 0.5, s * 0.24, 0.2)], 0.4);
  }
  const [fx, fy] = [
    cx + brush.between(-0.14, 0.04) * size,
    cy + brush.between(-0.16, -0.02) * high,
  ];
  const turn = brush.between(0, 1.2);
  brush.fill(deep, [star(fx + 4, fy + 7, 46, 5, 0.46, turn)], 0.35);
  brush.fill(warm, [star(fx, fy, 46, 5, 0.46, turn)]);
  brush.fill(
    light,
    [0, 1, 2, 3, 4].map((arm) => {
      const angle = turn - 1.571 + (arm * 6.283) / 5;
      return oval(fx + Math.cos(angle) * 20, fy + Math.sin(angle) * 20, 7, 7);
    }),
    0.8,
  );
  brush.fill(light, [star(cx + size * 0.15, cy + high * 0.18, 26, 5, 0.46, turn + 0.7)]);
  const fish = brush.whole(2, 3);
  for (let one = 0; one < fish; one += 1) {
    const [x0, y0] = [cx + brush.between(-0.1, 0.2) * size, cy + brush.between(-0.05, 0.16) * high];
    const angle = brush.between(-0.5, 0.5);
    brush.fill(warm, [leaf(x0, y0, 44, 18, angle), leaf(x0 + 4, y0, 16, 16, angle + 2.7)], 0.85);
  }
}

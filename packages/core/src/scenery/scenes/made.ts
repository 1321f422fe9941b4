import { STAGE, type Box } from '../../parts/place.js';
import { arc, closed, disc, leaf, rect, turned, type Brush } from '../Brush.js';

/** Sheets of coloured paper, cut and laid over each other, a round one between them. */
export function sheets(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, deep, light, warm } = brush.colours;
  const layers = [far, mid, near, deep];
  const [sx, sy] = [x + w * brush.between(0.5, 0.62), brush.between(150, 230)];
  const edge = (at: number): number[] => {
    const [a, b] = [brush.between(0, 6.3), brush.between(1.6, 2.6)];
    const shape: number[] = [STAGE.width, STAGE.height];
    for (let step = 0; step <= STAGE.height / 30; step += 1) {
      const y = STAGE.height - step * 30;
      const down = y / STAGE.height;
      // Sheets lie wider at the foot than at the head.
      const lean = (1 - down) ** 1.5 * w * 0.5;
      shape.push(x + at * w + lean + Math.sin(down * 6.3 * b * 0.5 + a) * w * 0.05, y);
    }
    return [...shape, STAGE.width, 0];
  };
  layers.forEach((paint, layer) => {
    const shape = edge(0.02 + layer * 0.2);
    if (layer === 1) {
      brush.disc(deep, sx + 6, sy + 9, w * 0.2, 0.14);
      brush.disc(layer % 2 ? light : warm, sx, sy, w * 0.2);
    }
    const shadow = shape.map((value, at) => value + (at % 2 ? 8 : -9));
    brush.fill(deep, [shadow], 0.13);
    brush.fill(paint, [shape]);
  });
  const twig = x + w * 0.86;
  const leaves: number[][] = [];
  for (let at = 0; at < 7; at += 1) {
    const y = 640 - at * 46;
    const bend = Math.sin(at / 3) * 14;
    for (const angle of [-0.7, -2.44]) leaves.push(leaf(twig + bend, y, 58 - at * 4, 22, angle));
  }
  brush.line(warm, 4, [arc([twig, 700], [twig + 30, 500], [twig + 6, 320])]);
  brush.fill(warm, leaves);
}

/** A plant as it lies in a collection, with its label. */
export function herbarium(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, deep, warm, light } = brush.colours;
  brush.line(far, 3, [closed(rect(22, 22, STAGE.width - 44, STAGE.height - 44))]);
  brush.line(far, 1.4, [closed(rect(32, 32, STAGE.width - 64, STAGE.height - 64))]);
  const cx = x + w * brush.between(0.4, 0.5);
  const bend = brush.between(-50, 50);
  const [foot, head] = [640, 100];
  const stem = (t: number): [number, number] => [
    cx + bend * Math.sin(t * 2.6),
    foot + (head - foot) * t,
  ];
  const line = Array.from({ length: 20 }, (_, at) => stem(at / 19)).flat();
  const size = Math.min(1, w / 420);
  const pairs = brush.whole(6, 9);
  const isFern = brush.random() < 0.4;
  const back: number[][] = [];
  const front: number[][] = [];
  const veins: number[][] = [];
  for (let at = 0; at < pairs; at += 1) {
    const t = 0.14 + (at / pairs) * 0.76;
    const [lx, ly] = stem(t);
    const long = (isFern ? 150 : 128) * (1 - t * 0.55) * size * brush.between(0.88, 1.08);
    for (const side of [1, -1]) {
      const angle =
        side > 0 ? -0.5 + brush.between(-0.12, 0.12) : -2.64 + brush.between(-0.12, 0.12);
      const one = leaf(lx, ly, long, long * (isFern ? 0.24 : 0.42), angle);
      (side > 0 ? front : back).push(one);
      veins.push([lx, ly, lx + Math.cos(angle) * long * 0.86, ly + Math.sin(angle) * long * 0.86]);
    }
  }
  front.push(leaf(...stem(0.96), 90 * size, 38 * size, -1.57));
  brush.line(deep, 5, [line]);
  brush.fill(near, back);
  brush.fill(deep, front);
  brush.line(mid, 1.8, veins, 0.9);
  if (!isFern) {
    const [bx, by] = stem(0.86);
    const berries = Array.from({ length: brush.whole(6, 10) }, (): [number, number] => [
      bx + brush.between(-52, 52) * size,
      by + brush.between(-30, 40) * size,
    ]);
    brush.line(
      deep,
      2,
      berries.map(([x1, y1]) => [bx, by - 10, x1, y1]),
    );
    brush.fill(
      warm,
      berries.map(([x1, y1]) => disc(x1, y1, 13 * size)),
    );
    brush.fill(
      light,
      berries.map(([x1, y1]) => disc(x1 - 4, y1 - 4, 3)),
      0.9,
    );
  }
  // Strips of paper hold the stem; a label tells where it grew.
  for (const t of [0.08, 0.5]) {
    const [px, py] = stem(t);
    brush.fill(
      light,
      [turned(rect(px - 26, py - 7, 52, 14), px, py, brush.between(-0.2, 0.2))],
      0.75,
    );
  }
  const lx = Math.min(STAGE.width - 214, x + w * 0.62);
  brush.fill(brush.colours.sky, [rect(lx, 586, 168, 84)]);
  brush.line(far, 2, [closed(rect(lx, 586, 168, 84))]);
  brush.line(
    mid,
    2.4,
    [
      [lx + 18, 612, lx + 138, 612],
      [lx + 18, 632, lx + 108, 632],
      [lx + 18, 652, lx + 126, 652],
    ],
    0.8,
  );
}

/** Tools on their wall, above the bench. */
export function workshop(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, deep, light, warm } = brush.colours;
  const [top, bench] = [64, 596];
  brush.fill(far, [rect(x, top, w + 20, bench - top)]);
  const holes: number[][] = [];
  for (let hx = x + 26; hx < STAGE.width; hx += 34) {
    for (let hy = top + 26; hy < bench; hy += 34) holes.push(disc(hx, hy, 3, 8));
  }
  brush.fill(mid, holes, 0.8);
  brush.fill(near, [rect(x, top - 12, w + 20, 12), rect(x - 12, top - 12, 12, bench - top + 12)]);
  const s = Math.min(1, w / 430);
  const tools: ((tx: number, ty: number) => void)[] = [
    // Hammer
    (tx, ty) => {
      brush.fill(near, [rect(tx - 9 * s, ty + 30 * s, 18 * s, 170 * s)]);
      brush.fill(deep, [
        rect(tx - 52 * s, ty, 92 * s, 38 * s),
        [tx + 40 * s, ty, tx + 72 * s, ty + 12 * s, tx + 40 * s, ty + 26 * s],
      ]);
    },
    // Saw
    (tx, ty) => {
      const blade = [
        tx - 20 * s,
        ty + 50 * s,
        tx + 34 * s,
        ty + 50 * s,
        tx + 12 * s,
        ty + 226 * s,
        tx - 12 * s,
        ty + 226 * s,
      ];
      brush.fill(light, [blade]);
      brush.line(deep, 2, [closed(blade)]);
      brush.fill(warm, [rect(tx - 32 * s, ty, 72 * s, 56 * s)]);
      brush.fill(far, [rect(tx - 12 * s, ty + 15 * s, 30 * s, 24 * s)]);
    },
    // Square
    (tx, ty) => {
      brush.fill(near, [rect(tx - 40 * s, ty, 24 * s, 160 * s)]);
      brush.fill(light, [rect(tx - 16 * s, ty, 100 * s, 20 * s)]);
      brush.line(
        deep,
        2,
        [0, 1, 2, 3, 4].map((at) => [tx + (at * 18 + 4) * s, ty, tx + (at * 18 + 4) * s, ty + 9]),
      );
    },
    // Spanner
    (tx, ty) => {
      brush.fill(deep, [
        rect(tx - 11 * s, ty + 36 * s, 22 * s, 140 * s),
        disc(tx, ty + 30 * s, 34 * s),
        disc(tx, ty + 190 * s, 26 * s),
      ]);
      brush.fill(far, [
        rect(tx - 12 * s, ty - 8 * s, 24 * s, 36 * s),
        disc(tx, ty + 190 * s, 11 * s),
      ]);
    },
    // Brush
    (tx, ty) => {
      brush.fill(warm, [rect(tx - 8 * s, ty, 16 * s, 104 * s)]);
      brush.fill(light, [rect(tx - 22 * s, ty + 100 * s, 44 * s, 28 * s)]);
      brush.fill(deep, [
        [
          tx - 22 * s,
          ty + 128 * s,
          tx + 22 * s,
          ty + 128 * s,
          tx + 10 * s,
          ty + 194 * s,
          tx - 14 * s,
          ty + 188 * s,
        ],
      ]);
    },
  ];
  const order = [...tools].sort(() => brush.random() - 0.5);
  const across = w > 320 ? 3 : 2;
  for (let at = 0; at < across * 2 && at < order.length; at += 1) {
    const tx = x + (w / across) * ((at % across) + 0.5);
    const ty = at < across ? 104 : 350;
    brush.disc(deep, tx, ty - 10, 5);
    order[at]!(tx, ty);
  }
  brush.fill({ from: near, to: deep }, [rect(x - 30, bench, w + 60, 34)]);
  brush.fill(deep, [rect(x + 30, bench + 34, 40, 90), rect(STAGE.width - 70, bench + 34, 40, 90)]);
  brush.fill(warm, [rect(x + w * 0.55, bench - 52, 74, 52)]);
  brush.fill(light, [rect(x + w * 0.55, bench - 40, 74, 12)]);
  const shavings = Array.from({ length: 5 }, () => {
    const cx = brush.between(x + 20, x + w * 0.5);
    return arc([cx - 12, bench - 2], [cx, bench - 30], [cx + 12, bench - 4]);
  });
  brush.line(light, 4, shavings);
}

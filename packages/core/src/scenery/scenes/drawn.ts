import { STAGE, type Box } from '../../parts/place.js';
import { arc, closed, disc, rect, star, type Brush } from '../Brush.js';

/** A chart of the night sky: circles, a figure of stars joined by lines. */
export function stars(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, light, warm } = brush.colours;
  const dots = Array.from({ length: 120 }, () =>
    disc(brush.between(0, STAGE.width), brush.between(0, STAGE.height), brush.between(0.8, 2), 6),
  );
  brush.fill(near, dots, 0.8);
  const r = Math.max(240, w * 0.52);
  const [cx, cy] = [x + r + brush.between(0, w * 0.1), brush.between(320, 400)];
  brush.fill(far, [disc(cx, cy, r, 60)], 0.5);
  brush.line(
    mid,
    1.6,
    [r, r * 0.72, r * 0.44].map((one) => closed(disc(cx, cy, one, 72))),
  );
  const rays = Array.from({ length: 12 }, (_, at) => {
    const angle = (at / 12) * 6.283;
    return [
      ...[cx + Math.cos(angle) * r * 0.12, cy + Math.sin(angle) * r * 0.12],
      ...[cx + Math.cos(angle) * r, cy + Math.sin(angle) * r],
    ];
  });
  brush.line(mid, 1.2, rays, 0.7);
  const ticks = Array.from({ length: 72 }, (_, at) => {
    const [angle, long] = [(at / 72) * 6.283, at % 6 === 0 ? 14 : 7];
    return [
      ...[cx + Math.cos(angle) * r, cy + Math.sin(angle) * r],
      ...[cx + Math.cos(angle) * (r - long), cy + Math.sin(angle) * (r - long)],
    ];
  });
  brush.line(near, 1.6, ticks);
  // The figure wanders across the chart; one side star hangs on it.
  const count = brush.whole(5, 7);
  const figure: [number, number][] = [];
  for (let at = 0; at < count; at += 1) {
    const along = at / (count - 1) - 0.5;
    figure.push([
      cx + along * r * 1.15 + brush.between(-26, 26),
      cy + Math.sin(along * brush.between(4, 6)) * r * 0.34 + brush.between(-50, 50),
    ]);
  }
  const side = figure[brush.whole(1, count - 2)]!;
  const hung: [number, number] = [
    side[0] + brush.between(-40, 40),
    side[1] + brush.between(90, 140),
  ];
  brush.line(light, 2.2, [figure.flat(), [...side, ...hung]], 0.75);
  const all = [...figure, hung];
  brush.fill(
    light,
    all.map(([sx, sy]) => disc(sx, sy, brush.between(5, 8))),
  );
  const [bx, by] = brush.oneOf(figure);
  brush.disc(warm, bx, by, 17, 0.25);
  brush.fill(warm, [star(bx, by, 15, 4, 0.32)]);
  brush.line(light, 1.4, [closed(disc(hung[0], hung[1], 16, 28))], 0.8);
}

/** Lines with a tick at each end that say how long something is. */
function measure(brush: Brush, from: [number, number], to: [number, number]): void {
  const isFlat = from[1] === to[1];
  const tick = ([tx, ty]: [number, number]): number[] =>
    isFlat ? [tx, ty - 9, tx, ty + 9] : [tx - 9, ty, tx + 9, ty];
  brush.line(brush.colours.near, 2, [[...from, ...to], tick(from), tick(to)]);
}

/** What somebody means to build, drawn to scale. */
export function blueprint(brush: Brush, { x, w }: Box): void {
  const { far, near, light, warm } = brush.colours;
  const lines = (step: number): number[][] => {
    const all: number[][] = [];
    for (let at = step; at < STAGE.width; at += step) all.push([at, 0, at, STAGE.height]);
    for (let at = step; at < STAGE.height; at += step) all.push([0, at, STAGE.width, at]);
    return all;
  };
  brush.line(far, 1, lines(32), 0.4);
  brush.line(far, 1.4, lines(160), 0.6);
  const s = Math.min(1, w / 420);
  const [cx, foot] = [x + w * 0.46, 600];
  const draw = (shapes: number[][], width = 3): void => brush.line(light, width, shapes);
  const drawing = brush.whole(0, 3);
  if (drawing === 0) {
    const [hw, hh, roof] = [150 * s, 190 * s, 110 * s];
    draw([
      closed(rect(cx - hw, foot - hh, hw * 2, hh)),
      [cx - hw - 20, foot - hh, cx, foot - hh - roof, cx + hw + 20, foot - hh],
      closed(rect(cx - 32 * s, foot - 100 * s, 64 * s, 100 * s)),
      closed(rect(cx - 118 * s, foot - 150 * s, 58 * s, 52 * s)),
      closed(rect(cx + 60 * s, foot - 150 * s, 58 * s, 52 * s)),
      closed(disc(cx, foot - hh - roof * 0.42, 22 * s, 30)),
    ]);
    measure(brush, [cx - hw, foot + 40], [cx + hw, foot + 40]);
    measure(brush, [cx + hw + 50, foot - hh - roof], [cx + hw + 50, foot]);
  } else if (drawing === 1) {
    const h = 400 * s;
    draw([
      [cx - 74 * s, foot, cx - 44 * s, foot - h, cx + 44 * s, foot - h, cx + 74 * s, foot],
      closed(rect(cx - 58 * s, foot - h - 14, 116 * s, 14)),
      closed(rect(cx - 34 * s, foot - h - 76 * s, 68 * s, 62 * s)),
      [
        ...arc(
          [cx - 44 * s, foot - h - 76 * s],
          [cx, foot - h - 140 * s],
          [cx + 44 * s, foot - h - 76 * s],
        ),
      ],
      closed(rect(cx - 20 * s, foot - 66 * s, 40 * s, 66 * s)),
      closed(disc(cx, foot - h * 0.4, 15 * s, 24)),
      closed(disc(cx, foot - h * 0.7, 12 * s, 24)),
      [cx - 66 * s, foot - h * 0.26, cx + 66 * s, foot - h * 0.26],
      [cx - 56 * s, foot - h * 0.56, cx + 56 * s, foot - h * 0.56],
    ]);
    measure(brush, [cx - 74 * s, foot + 40], [cx + 74 * s, foot + 40]);
    measure(brush, [cx + 130 * s, foot - h], [cx + 130 * s, foot]);
  } else if (drawing === 2) {
    const half = 190 * s;
    draw([
      [cx - half - 20, foot - 130 * s, cx + half + 20, foot - 130 * s],
      [cx - half - 20, foot - 112 * s, cx + half + 20, foot - 112 * s],
      arc([cx - half, foot], [cx, foot - 250 * s], [cx + half, foot], 24),
      ...Array.from({ length: 9 }, (_, at) => {
        const t = (at + 1) / 10;
        const bx = cx - half + t * half * 2;
        return [bx, foot - 112 * s, bx, foot - 250 * s * 2 * t * (1 - t)];
      }),
    ]);
    measure(brush, [cx - half, foot + 40], [cx + half, foot + 40]);
  } else {
    const [r1, r2] = [120 * s, 74 * s];
    const wheel = (wx: number, wy: number, r: number, teeth: number): void => {
      draw([
        closed(star(wx, wy, r, teeth, 0.84)),
        closed(disc(wx, wy, r * 0.62, 48)),
        closed(disc(wx, wy, r * 0.16, 20)),
        ...[0, 1, 2, 3].map((arm) => {
          const angle = (arm * 3.1416) / 4 + 0.3;
          const [dx, dy] = [Math.cos(angle) * r * 0.6, Math.sin(angle) * r * 0.6];
          return [wx - dx, wy - dy, wx + dx, wy + dy];
        }),
      ]);
    };
    wheel(cx - 50 * s, foot - 170 * s, r1, 22);
    wheel(cx + 128 * s, foot - 300 * s, r2, 14);
    measure(brush, [cx - 50 * s - r1, foot + 20], [cx - 50 * s + r1, foot + 20]);
  }
  brush.line(near, 2, [
    closed(rect(STAGE.width - 236, 644, 212, 52)),
    [STAGE.width - 130, 644, STAGE.width - 130, 696],
  ]);
  brush.line(warm, 3, [
    closed(disc(cx + brush.between(-60, 60) * s, foot - brush.between(60, 140) * s, 26 * s, 30)),
  ]);
}

/** What was drawn on the board before the lesson began. */
export function chalk(brush: Brush, { x, w }: Box): void {
  const { far, mid, near, deep, light, warm } = brush.colours;
  for (let left = 5; left > 0; left -= 1) {
    const [bx, by] = [brush.between(0, STAGE.width), brush.between(80, 560)];
    brush.fill(
      far,
      [brush.blob(bx, by, brush.between(260, 520), brush.between(60, 150), 0.2)],
      0.16,
    );
  }
  const chalked = (paint: string, shapes: number[][], width = 5): void => {
    brush.line(paint, width, shapes, 0.92);
    brush.line(paint, width + 4, shapes, 0.14);
  };
  const s = Math.min(1, w / 440);
  const [cx, cy] = [x + w * 0.5, 250];
  const drawing = brush.whole(0, 2);
  if (drawing === 0) {
    const [a, b, c] = [
      [cx - 150 * s, cy + 110 * s],
      [cx + 150 * s, cy + 110 * s],
      [cx + 60 * s, cy - 130 * s],
    ] as const;
    chalked(deep, [[...a, ...b, ...c, ...a]]);
    chalked(warm, [arc([a[0] + 46, a[1]], [a[0] + 46, a[1] - 26], [a[0] + 34, a[1] - 40])], 4);
    chalked(light, [[c[0], c[1], c[0], a[1]]], 4);
    chalked(light, [[c[0] - 18, a[1], c[0] - 18, a[1] - 18, c[0], a[1] - 18]], 3);
  } else if (drawing === 1) {
    const spiral = Array.from({ length: 90 }, (_, at) => {
      const [angle, r] = [at * 0.24, 8 + at * 1.7 * s];
      return [cx + Math.cos(angle) * r, cy + Math.sin(angle) * r];
    }).flat();
    chalked(deep, [spiral]);
    chalked(warm, [closed(disc(cx, cy, 11, 18))], 4);
  } else {
    chalked(light, [closed(disc(cx, cy, 62 * s, 40))]);
    const rays = Array.from({ length: 12 }, (_, at) => {
      const angle = (at / 12) * 6.283;
      const [near1, far1] = [84 * s, (at % 2 ? 112 : 130) * s];
      return [
        ...[cx + Math.cos(angle) * near1, cy + Math.sin(angle) * near1],
        ...[cx + Math.cos(angle) * far1, cy + Math.sin(angle) * far1],
      ];
    });
    chalked(light, rays, 4);
    const wave = Array.from({ length: 40 }, (_, at) => [
      x + 20 + (at / 39) * (w - 60),
      cy + 190 * s + Math.sin(at * 0.55) * 18,
    ]).flat();
    chalked(near, [wave], 5);
  }
  const tally = Array.from({ length: brush.whole(2, 5) }, (_, at) => [
    x + 40 + at * 18,
    470,
    x + 38 + at * 18,
    520,
  ]);
  chalked(deep, tally, 4);
  chalked(near, [arc([x + 30, 565], [x + w * 0.4, 552], [x + w - 60, 566])], 4);
  brush.fill({ from: mid, to: far }, [rect(0, 684, STAGE.width, 36)]);
  brush.fill(deep, [rect(0, 680, STAGE.width, 5)], 0.5);
  brush.fill(light, [rect(x + w * 0.2, 672, 54, 10)]);
  brush.fill(warm, [rect(x + w * 0.2 + 70, 673, 38, 9)]);
  brush.fill(deep, [rect(x + w * 0.62, 660, 92, 22)]);
  brush.fill(light, [rect(x + w * 0.62, 676, 92, 7)]);
}

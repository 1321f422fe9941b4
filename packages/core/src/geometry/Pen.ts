/** A place in slide units. */
export interface Point {
  x: number;
  y: number;
}

/** A stretch of an outline; curves are cubic. */
export type Stroke =
  | { to: 'move'; x: number; y: number }
  | { to: 'line'; x: number; y: number }
  | { to: 'curve'; x1: number; y1: number; x2: number; y2: number; x: number; y: number }
  | { to: 'close' };

/** How far the handles of a cubic lie out for a quarter of an ellipse (the usual approximation, off by 0.03 %). */
const QUARTER = 0.5523;

/** Draws an outline stretch by stretch. The same outline serves as an SVG path, for hit tests and on a canvas. */
export class Pen {
  readonly strokes: Stroke[] = [];
  #at: Point = { x: 0, y: 0 };

  move(x: number, y: number): this {
    return this.#go({ to: 'move', x, y });
  }
  line(x: number, y: number): this {
    return this.#go({ to: 'line', x, y });
  }
  curve(x1: number, y1: number, x2: number, y2: number, x: number, y: number): this {
    return this.#go({ to: 'curve', x1, y1, x2, y2, x, y });
  }
  /** A quadratic curve, raised to a cubic. */
  bow(cx: number, cy: number, x: number, y: number): this {
    const { x: fromX, y: fromY } = this.#at;
    return this.curve(
      fromX + (2 / 3) * (cx - fromX),
      fromY + (2 / 3) * (cy - fromY),
      x + (2 / 3) * (cx - x),
      y + (2 / 3) * (cy - y),
      x,
      y,
    );
  }
  close(): this {
    this.strokes.push({ to: 'close' });
    return this;
  }

  /** A closed run of corners. */
  polygon(...corners: readonly (readonly [number, number])[]): this {
    corners.forEach(([x, y], index) => (index === 0 ? this.move(x, y) : this.line(x, y)));
    return this.close();
  }

  /**
   * Part of an ellipse from one angle to another, in degrees clockwise from the right; it begins with a line to its
   * first point, or with a move when nothing is drawn yet.
   */
  arc(cx: number, cy: number, rx: number, ry: number, from: number, to: number): this {
    const pieces = Math.max(1, Math.ceil(Math.abs(to - from) / 90));
    const step = ((to - from) / pieces) * (Math.PI / 180);
    const reach = (4 / 3) * Math.tan(step / 4);
    let angle = (from * Math.PI) / 180;
    const start = { x: cx + rx * Math.cos(angle), y: cy + ry * Math.sin(angle) };
    if (this.strokes.length === 0 || this.strokes.at(-1)!.to === 'close') {
      this.move(start.x, start.y);
    } else if (Math.hypot(start.x - this.#at.x, start.y - this.#at.y) > 1e-6) {
      this.line(start.x, start.y);
    }
    for (let piece = 0; piece < pieces; piece += 1) {
      const next = angle + step;
      const [cos1, sin1, cos2, sin2] = [
        Math.cos(angle),
        Math.sin(angle),
        Math.cos(next),
        Math.sin(next),
      ];
      this.curve(
        cx + rx * (cos1 - reach * sin1),
        cy + ry * (sin1 + reach * cos1),
        cx + rx * (cos2 + reach * sin2),
        cy + ry * (sin2 - reach * cos2),
        cx + rx * cos2,
        cy + ry * sin2,
      );
      angle = next;
    }
    return this;
  }

  ellipse(cx: number, cy: number, rx: number, ry: number): this {
    return this.arc(cx, cy, rx, ry, 0, 360).close();
  }

  /** A rectangle with round corners. */
  rounded(x: number, y: number, w: number, h: number, radius: number): this {
    const r = Math.max(0, Math.min(radius, w / 2, h / 2));
    const k = r * (1 - QUARTER);
    return this.move(x + r, y)
      .line(x + w - r, y)
      .curve(x + w - k, y, x + w, y + k, x + w, y + r)
      .line(x + w, y + h - r)
      .curve(x + w, y + h - k, x + w - k, y + h, x + w - r, y + h)
      .line(x + r, y + h)
      .curve(x + k, y + h, x, y + h - k, x, y + h - r)
      .line(x, y + r)
      .curve(x, y + k, x + k, y, x + r, y)
      .close();
  }

  #go(stroke: Exclude<Stroke, { to: 'close' }>): this {
    this.strokes.push(stroke);
    this.#at = { x: stroke.x, y: stroke.y };
    return this;
  }
}

const short = (value: number): string => String(Math.round(value * 100) / 100);

/** As the `d` of an SVG path. */
export function svgOf(strokes: readonly Stroke[]): string {
  return strokes
    .map((stroke) => {
      switch (stroke.to) {
        case 'move':
          return `M${short(stroke.x)} ${short(stroke.y)}`;
        case 'line':
          return `L${short(stroke.x)} ${short(stroke.y)}`;
        case 'curve':
          return `C${[stroke.x1, stroke.y1, stroke.x2, stroke.y2, stroke.x, stroke.y].map(short).join(' ')}`;
        case 'close':
          return 'Z';
      }
    })
    .join('');
}

/** Straight pieces that a curve is taken for in hit tests. */
const PIECES = 12;

/** The closed runs of an outline as corners, curves as straight pieces. */
export function polygonsOf(strokes: readonly Stroke[]): Point[][] {
  const runs: Point[][] = [];
  let run: Point[] = [];
  for (const stroke of strokes) {
    if (stroke.to === 'close') continue;
    if (stroke.to === 'move') {
      run = [{ x: stroke.x, y: stroke.y }];
      runs.push(run);
    } else if (stroke.to === 'line') {
      run.push({ x: stroke.x, y: stroke.y });
    } else {
      const from = run.at(-1) ?? { x: stroke.x, y: stroke.y };
      for (let piece = 1; piece <= PIECES; piece += 1) {
        run.push(onCurve(from, stroke, piece / PIECES));
      }
    }
  }
  return runs;
}

function onCurve(from: Point, to: Extract<Stroke, { to: 'curve' }>, share: number): Point {
  const rest = 1 - share;
  const [a, b, c, d] = [rest ** 3, 3 * rest ** 2 * share, 3 * rest * share ** 2, share ** 3];
  return {
    x: a * from.x + b * to.x1 + c * to.x2 + d * to.x,
    y: a * from.y + b * to.y1 + c * to.y2 + d * to.y,
  };
}

/** Whether a point lies inside, by the even–odd rule: a hole is outside. */
export function isInside(polygons: readonly (readonly Point[])[], { x, y }: Point): boolean {
  let inside = false;
  for (const corners of polygons) {
    for (let at = 0, before = corners.length - 1; at < corners.length; before = at, at += 1) {
      const [a, b] = [corners[at]!, corners[before]!];
      if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) {
        inside = !inside;
      }
    }
  }
  return inside;
}

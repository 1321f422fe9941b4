import { Pen, svgOf, type Point } from '../../geometry/Pen.js';
import type { LinePath, Tip } from './line.js';

/** The corners that a line is drawn through: those given, and for a bent one an elbow between every two. */
function route(path: LinePath, points: readonly Point[]): Point[] {
  if (path !== 'bent') return [...points];
  return points.flatMap((point, index) => {
    const next = points[index + 1];
    if (!next) return [point];
    const isWide = Math.abs(next.x - point.x) >= Math.abs(next.y - point.y);
    const middle = isWide ? (point.x + next.x) / 2 : (point.y + next.y) / 2;
    return isWide
      ? [point, { x: middle, y: point.y }, { x: middle, y: next.y }]
      : [point, { x: point.x, y: middle }, { x: next.x, y: middle }];
  });
}

/** As an SVG path. Curved lines run through all their points (a Catmull–Rom spline). */
export function linePath(path: LinePath, points: readonly Point[]): string {
  const corners = route(path, points);
  const [first, ...rest] = corners;
  if (!first) return '';
  const pen = new Pen().move(first.x, first.y);
  rest.forEach((point, index) => {
    if (path !== 'curved' || corners.length < 3) {
      pen.line(point.x, point.y);
      return;
    }
    const from = corners[index]!;
    const before = corners[index - 1] ?? from;
    const after = corners[index + 2] ?? point;
    pen.curve(
      from.x + (point.x - before.x) / 6,
      from.y + (point.y - before.y) / 6,
      point.x - (after.x - from.x) / 6,
      point.y - (after.y - from.y) / 6,
      point.x,
      point.y,
    );
  });
  return svgOf(pen.strokes);
}

/** The two ends with the direction, in degrees, that the line arrives there from inside. */
export function lineEnds(
  path: LinePath,
  points: readonly Point[],
): [start: Point & { angle: number }, end: Point & { angle: number }] {
  const corners = route(path, points);
  const at = (end: Point, inner: Point): Point & { angle: number } => ({
    ...end,
    angle: (Math.atan2(end.y - inner.y, end.x - inner.x) * 180) / Math.PI,
  });
  const different = (from: readonly Point[], end: Point): Point =>
    from.find(({ x, y }) => Math.hypot(x - end.x, y - end.y) > 0.5) ?? { x: end.x - 1, y: end.y };
  const [first, last] = [corners[0]!, corners.at(-1)!];
  return [
    at(first, different(corners.slice(1), first)),
    at(last, different([...corners].reverse().slice(1), last)),
  ];
}

/** A tip drawn at 0, 0 and pointing to the right, as an SVG path; '' for none. Sizes follow the line's weight. */
export function tipPath(tip: Tip, weight: number): string {
  const size = 6 + 3 * weight;
  const pen = new Pen();
  switch (tip) {
    case 'none':
      return '';
    case 'arrow':
      pen.polygon([size * 0.2, 0], [-size, -size * 0.52], [-size * 0.72, 0], [-size, size * 0.52]);
      break;
    case 'dot':
      pen.ellipse(0, 0, size * 0.45, size * 0.45);
      break;
    case 'bar':
      pen.polygon(
        [-weight / 2, -size * 0.55],
        [weight / 2, -size * 0.55],
        [weight / 2, size * 0.55],
        [-weight / 2, size * 0.55],
      );
  }
  return svgOf(pen.strokes);
}

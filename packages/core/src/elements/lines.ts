import type { Anchor, LineElement, LinePath, SlideElement, Tip } from './elements.js';
import type { Box } from '../parts/place.js';
import { Pen, svgOf, type Point } from '../geometry/Pen.js';
import { around, fromShares, inShares, isInBox } from '../geometry/transform.js';

/** The points of a line in slide units. */
export function linePoints({ box, points }: Pick<LineElement, 'box' | 'points'>): Point[] {
  return points.map(({ x, y }) => ({ x: box.x + x * box.w, y: box.y + y * box.h }));
}

/** Box and points, in shares of it, of a line through points in slide units. */
export function lineThrough(points: readonly Point[]): { box: Box; points: Point[] } {
  const tight = around(points);
  // A line that is quite level or upright has a box all the same.
  const box = { ...tight, w: Math.max(1, tight.w), h: Math.max(1, tight.h) };
  return {
    box,
    points: points.map(({ x, y }) => ({ x: (x - box.x) / box.w, y: (y - box.y) / box.h })),
  };
}

/** The same line with the ends that stick to something where that is now; unchanged when nothing has moved. */
export function follow(
  line: LineElement,
  find: (elementId: string) => SlideElement | undefined,
): LineElement {
  const [start, end] = [line.from, line.to].map((anchor) => {
    const element = anchor && find(anchor.elementId);
    return element ? fromShares(element.box, element.rotation, anchor) : null;
  });
  if (!start && !end) return line;
  const points = linePoints(line);
  const last = points.length - 1;
  const isThere = (at: Point | null | undefined, now: Point): boolean =>
    !at || (Math.abs(at.x - now.x) < 0.01 && Math.abs(at.y - now.y) < 0.01);
  if (isThere(start, points[0]!) && isThere(end, points[last]!)) return line;
  if (start) points[0] = start;
  if (end) points[last] = end;
  return { ...line, ...lineThrough(points) };
}

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

const RIM = [
  { x: 0.5, y: 0 },
  { x: 1, y: 0.5 },
  { x: 0.5, y: 1 },
  { x: 0, y: 0.5 },
  { x: 0.5, y: 0.5 },
];

/**
 * What the end of a line that is let go at a place sticks to: the topmost of the things under it, by the middle of a
 * side or of the whole where that lies within `reach` units; null over nothing. Lines and groups hold no ends.
 */
export function anchorAt(
  elements: readonly SlideElement[],
  at: Point,
  reach: number,
): Anchor | null {
  const element = elements.findLast(
    ({ kind, layer, box, rotation }) =>
      kind !== 'line' && kind !== 'group' && layer !== 'background' && isInBox(box, rotation, at),
  );
  if (!element) return null;
  const { id, box, rotation } = element;
  const distance = (share: Point): number => {
    const there = fromShares(box, rotation, share);
    return Math.hypot(there.x - at.x, there.y - at.y);
  };
  const [nearest] = [...RIM].sort((a, b) => distance(a) - distance(b));
  const share = nearest && distance(nearest) <= reach ? nearest : inShares(box, rotation, at);
  return { elementId: id, ...share };
}

import { asList, asNumber, asOneOf, asRecord } from '../../parts/decode.js';
import { DASHES, type Dash } from '../../parts/fill.js';
import { asId, type ElementId } from '../../parts/ids.js';
import type { Point } from '../../geometry/Pen.js';
import { around, fromShares, turn } from '../../geometry/transform.js';
import type { ElementBase } from '../base.js';
import { amount, colour, given, oneOf, type Field } from '../fields.js';
import type { ElementKindOf } from '../kind.js';
import type { Box } from '../../parts/place.js';

export const LINE_PATHS = ['straight', 'bent', 'curved'] as const;
export type LinePath = (typeof LINE_PATHS)[number];
export const TIPS = ['none', 'arrow', 'dot', 'bar'] as const;
export type Tip = (typeof TIPS)[number];

/** An end of a line that sticks to something: where on its box, in shares of it. */
export interface Anchor {
  elementId: ElementId;
  x: number;
  y: number;
}

/** A line through points; ends that stick to things follow them. */
export interface LineElement extends ElementBase {
  kind: 'line';
  path: LinePath;
  /** Two or more, in shares of the box. */
  points: { x: number; y: number }[];
  from: Anchor | null;
  to: Anchor | null;
  tips: [start: Tip, end: Tip];
  colour: string | null;
  /** In slide units. */
  weight: number;
  dash: Dash;
}

const DIAGONAL = [
  { x: 0, y: 0 },
  { x: 1, y: 1 },
];

/** Lines were once given by the way they slope. */
const RISING = [
  { x: 0, y: 1 },
  { x: 1, y: 0 },
];

export const line: ElementKindOf<LineElement> = {
  kind: 'line',
  label: 'Line',
  fields: {
    path: oneOf(LINE_PATHS, 'straight'),
    points: sloped(),
    from: anchored(),
    to: anchored(),
    tips: given(readTips),
    colour: colour(),
    weight: amount(4, 1, 60),
    dash: oneOf(DASHES, 'solid'),
  },
  needs: [],
  may: { carryLink: true, beGrouped: true, beTurned: true },
  look: ['colour', 'weight', 'dash', 'tips', 'path', 'opacity'],
  isInTheWay: () => false,
  follow,
  isHeld: ({ from, to }) => from !== null && to !== null,
  turned: (element, about, degrees) =>
    lineThrough(linePoints(element).map((point) => turn(point, about, degrees))),
};

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
  find: (elementId: ElementId) => ElementBase | undefined,
): LineElement {
  if (!line.from && !line.to) return line;
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

function sloped(): Field<Point[]> {
  return {
    ...given(readPoints),
    once: 'slope',
    read: (raw, key) => readPoints(raw.get(key) ?? (raw.get('slope') === 'up' ? RISING : null)),
  };
}

function readPoints(value: unknown): Point[] {
  const points = asList(value, 40).flatMap((entry) => {
    const { x, y } = asRecord(entry);
    return typeof x === 'number' && typeof y === 'number'
      ? [{ x: asNumber(x, 0, -100, 100), y: asNumber(y, 0, -100, 100) }]
      : [];
  });
  return points.length >= 2 ? points : DIAGONAL;
}

function anchored(): Field<Anchor | null> {
  return {
    ...given(readAnchor),
    copied: (anchor, copyOf) => anchor && { ...anchor, elementId: copyOf(anchor.elementId) },
  };
}

function readAnchor(value: unknown): Anchor | null {
  const { elementId, x, y } = asRecord(value);
  const id = asId<ElementId>(elementId);
  return id ? { elementId: id, x: asNumber(x, 0.5, 0, 1), y: asNumber(y, 0.5, 0, 1) } : null;
}

function readTips(value: unknown): [Tip, Tip] {
  const [start, end] = asList(value, 2);
  return [asOneOf(start, TIPS, 'none'), asOneOf(end, TIPS, 'none')];
}

import type { Point } from '../geometry/Pen.js';
import { fromShares, inShares, isInBox } from '../geometry/transform.js';
import type { Anchor } from './line/line.js';
import { may, type SlideElement } from './registry.js';

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
    (one) =>
      may(one, 'holdLines') && one.layer !== 'background' && isInBox(one.box, one.rotation, at),
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

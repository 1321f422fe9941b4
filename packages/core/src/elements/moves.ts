import type { Box } from '../parts/place.js';
import { elementKind, type SlideElement } from './registry.js';
import type { ElementId } from '../parts/ids.js';
import { drawnOf, withMembers } from './groups.js';
import type { Point } from '../geometry/Pen.js';
import { boundsOf, liesIn, middleOf, turn } from '../geometry/transform.js';

/** Where something comes to lie. `points` of lines only, in shares of the box. */
export interface Place {
  elementId: ElementId;
  box: Box;
  rotation: number;
  points?: Point[];
}

type Elements = readonly SlideElement[];

/**
 * What moves along with things in hand: the members of groups, and all that lies in a close-up. What is locked stays,
 * and so does scenery, which lies on a layer of its own.
 */
export function movingWith(elements: Elements, ids: readonly ElementId[]): SlideElement[] {
  const taken = new Set(withMembers(elements, ids).map(({ id }) => id));
  for (const closeUp of elements) {
    if (!elementKind(closeUp.kind).takesAlong || !taken.has(closeUp.id)) continue;
    const inside = elements.filter(
      (other) =>
        other.id !== closeUp.id &&
        other.groupId === null &&
        other.layer !== 'background' &&
        !other.isLocked &&
        liesIn(boundsOf(other.box, other.rotation), closeUp.box),
    );
    for (const { id } of withMembers(
      elements,
      inside.map(({ id }) => id),
    ))
      taken.add(id);
  }
  return drawnOf(elements, [...taken]);
}

export function movedBy(
  elements: Elements,
  ids: readonly ElementId[],
  dx: number,
  dy: number,
): Place[] {
  return movingWith(elements, ids).flatMap((element): Place[] => {
    if (elementKind(element.kind).isHeld?.(element)) return [];
    const { x, y, w, h } = element.box;
    return [place(element, { x: x + dx, y: y + dy, w, h })];
  });
}

const place = (element: SlideElement, box: Box, rotation = element.rotation): Place => ({
  elementId: element.id,
  box,
  rotation,
});

/**
 * Things stretched as one, from the box around them to another. Turned things keep their shape and are only made as
 * much larger as both directions agree on.
 */
export function stretched(
  elements: Elements,
  ids: readonly ElementId[],
  from: Box,
  to: Box,
): Place[] {
  const [byX, byY] = [to.w / from.w, to.h / from.h];
  return drawnOf(elements, ids).map((element) => {
    const { kind, box, rotation } = element;
    if (rotation === 0 || elementKind(kind).turned) {
      return place(element, {
        x: to.x + (box.x - from.x) * byX,
        y: to.y + (box.y - from.y) * byY,
        w: Math.max(1, box.w * byX),
        h: Math.max(1, box.h * byY),
      });
    }
    const by = Math.min(byX, byY);
    const middle = middleOf(box);
    const size = { w: Math.max(1, box.w * by), h: Math.max(1, box.h * by) };
    return place(element, {
      x: to.x + (middle.x - from.x) * byX - size.w / 2,
      y: to.y + (middle.y - from.y) * byY - size.h / 2,
      ...size,
    });
  });
}

/** Things turned as one, clockwise about a place. */
export function turnedBy(
  elements: Elements,
  ids: readonly ElementId[],
  about: Point,
  degrees: number,
): Place[] {
  return drawnOf(elements, ids).map((element) => {
    const turned = elementKind(element.kind).turned?.(element, about, degrees);
    if (turned) return { elementId: element.id, ...turned, rotation: 0 };
    const middle = turn(middleOf(element.box), about, degrees);
    const { w, h } = element.box;
    const rotation = (((element.rotation + degrees) % 360) + 360) % 360;
    return place(element, { x: middle.x - w / 2, y: middle.y - h / 2, w, h }, rotation);
  });
}

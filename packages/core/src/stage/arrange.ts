import { type Box, STAGE } from '../parts/place.js';
import type { SlideElement } from '../elements/registry.js';
import type { ElementId } from '../parts/ids.js';
import { movedBy, stretched, type Place } from '../elements/moves.js';
import { boundsOf, union } from '../geometry/transform.js';
import { sure } from '../parts/sure.js';

type Elements = readonly SlideElement[];

export const ALIGNINGS = ['left', 'middle', 'right', 'top', 'centre', 'bottom'] as const;
/** `middle` is across, `centre` is down. */
export type Aligning = (typeof ALIGNINGS)[number];

interface Thing {
  id: ElementId;
  box: Box;
}

const thingsOf = (elements: Elements, ids: readonly ElementId[]): Thing[] =>
  elements
    .filter(({ id }) => ids.includes(id))
    .map(({ id, box, rotation }) => ({ id, box: boundsOf(box, rotation) }));

/** Things in line with the box around all of them, one alone with the stage. Locked ones stay and do not count. */
export function align(elements: Elements, ids: readonly ElementId[], how: Aligning): Place[] {
  const things = movable(elements, thingsOf(elements, ids));
  const whole =
    things.length > 1
      ? sure(union(things.map(({ box }) => box)), 'there are things')
      : { x: 0, y: 0, w: STAGE.width, h: STAGE.height };
  return things.flatMap(({ id, box }) => {
    const right = whole.x + whole.w - box.w;
    const bottom = whole.y + whole.h - box.h;
    const x = {
      left: whole.x,
      middle: (whole.x + right) / 2,
      right,
      top: box.x,
      centre: box.x,
      bottom: box.x,
    }[how];
    const y = {
      top: whole.y,
      centre: (whole.y + bottom) / 2,
      bottom,
      left: box.y,
      middle: box.y,
      right: box.y,
    }[how];
    return movedBy(elements, [id], x - box.x, y - box.y);
  });
}

/** Things with the same gap between neighbours; the outer two stay. Three at least. Locked ones stay and do not count. */
export function spread(
  elements: Elements,
  ids: readonly ElementId[],
  axis: 'across' | 'down',
): Place[] {
  const [at, size] = axis === 'across' ? (['x', 'w'] as const) : (['y', 'h'] as const);
  const things = movable(elements, thingsOf(elements, ids)).sort(
    (a, b) => a.box[at] + a.box[size] / 2 - (b.box[at] + b.box[size] / 2),
  );
  const [first, last] = [things[0], things.at(-1)];
  if (things.length < 3 || !first || !last) return [];
  const taken = things.reduce((sum, { box }) => sum + box[size], 0);
  const gap = (last.box[at] + last.box[size] - first.box[at] - taken) / (things.length - 1);
  let next = first.box[at];
  return things.flatMap(({ id, box }) => {
    const by = next - box[at];
    next += box[size] + gap;
    return axis === 'across' ? movedBy(elements, [id], by, 0) : movedBy(elements, [id], 0, by);
  });
}

/** All as wide, as high, or both, as the first one named. */
export function sameSize(
  elements: Elements,
  ids: readonly ElementId[],
  what: 'width' | 'height' | 'both',
): Place[] {
  const model = thingsOf(elements, ids.slice(0, 1))[0];
  if (!model) return [];
  return movable(elements, thingsOf(elements, ids.slice(1))).flatMap(({ id, box }) => {
    const w = what === 'height' ? box.w : model.box.w;
    const h = what === 'width' ? box.h : model.box.h;
    return stretched(elements, [id], box, { ...box, w, h });
  });
}

const movable = (elements: Elements, things: Thing[]): Thing[] =>
  things.filter(({ id }) => !elements.find((element) => element.id === id)?.isLocked);

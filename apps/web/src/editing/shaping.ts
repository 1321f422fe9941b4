import {
  addElement,
  addStroke,
  anchorAt,
  cropBy,
  cropMoved,
  elementOf,
  follow,
  inkFrame,
  inShares,
  linePoints,
  lineThrough,
  pullShape,
  readElement,
  resize,
  rubOut,
  setElement,
  setPlaces,
  strokeFrom,
  strokesAt,
  turn,
  middleOf,
  type Anchor,
  type Box,
  type ElementId,
  type Handle,
  type InkStroke,
  type LineElement,
  type PictureElement,
  type Point,
  type ShapeName,
  type SlideElement,
  type TableElement,
} from '@gobrel/core';
import type { PointerEvent } from 'react';
import { rounded } from './arranging';
import type { Preview } from './preview';
import type { StageHands } from './StageHands';
import type { Gesture } from './useGestures';

/** CSS pixels within which an end of a line finds the middle of a side. */
const STICK = 18;

/** A gesture that changes one thing: shown while it goes on, kept in one step at its end. */
function changing<T extends Partial<SlideElement>>(
  hands: StageHands,
  id: ElementId,
  change: (at: Point, event: PointerEvent) => T,
  keep: (change: T, at: Point) => unknown,
): Gesture {
  let now: T | null = null;
  return {
    move(at, event) {
      now = change(at, event);
      hands.show({ [id]: now } as Preview);
    },
    end(at) {
      if (now) keep(now, at);
      hands.clear();
    },
    cancel: hands.clear,
  };
}

/** Pulls one grip of a shape's outline. */
export function pullingShape(
  hands: StageHands,
  element: SlideElement & { points: number[] },
  shape: ShapeName,
  index: number,
): Gesture {
  const { box, rotation, id } = element;
  return changing(
    hands,
    id,
    (at) => {
      const straight = turn(at, middleOf(box), -rotation);
      const local = { x: straight.x - box.x, y: straight.y - box.y };
      return { points: pullShape(shape, box, element.points, index, local) };
    },
    ({ points }) => hands.run(setElement, hands.slide.id, id, { points }),
  );
}

/** Pulls one point of a line; `isNew` puts one in after it. Ends stick to what they are let go over. */
export function pullingLine(
  hands: StageHands,
  line: LineElement,
  index: number,
  isNew: boolean,
): Gesture {
  const points = linePoints(line);
  const last = points.length - 1;
  const end = isNew ? null : index === 0 ? 'from' : index === last ? 'to' : null;
  const others = hands.touchable.filter(({ id }) => id !== line.id);
  const withPoint = (at: Point): Point[] =>
    isNew
      ? [...points.slice(0, index + 1), at, ...points.slice(index + 1)]
      : points.map((point, place) => (place === index ? at : point));
  const anchor = (at: Point, event?: PointerEvent): Anchor | null =>
    end && !(event?.ctrlKey ?? false) ? anchorAt(others, at, STICK / hands.scale) : null;
  let isFree = false;
  return changing(
    hands,
    line.id,
    (at, event) => {
      isFree = event.ctrlKey;
      const moved = { ...line, ...lineThrough(withPoint(at)) };
      const stuck = end ? { ...moved, [end]: anchor(at, event) } : moved;
      const { box, points, from, to } = follow(stuck, (id) =>
        hands.slide.elements.find((other) => other.id === id),
      );
      return { box, points, from, to } as Partial<LineElement>;
    },
    ({ box, points }, at) =>
      hands.run(setPlaces, hands.slide.id, [
        {
          elementId: line.id,
          box: box!,
          points: points!,
          ...(end ? { settings: { [end]: isFree ? null : anchor(at) } } : {}),
        },
      ]),
  );
}

/** Takes a middle point out of a line. */
export function withoutPoint(hands: StageHands, line: LineElement, index: number): void {
  const points = linePoints(line).filter((_, place) => place !== index);
  if (points.length < 2) return;
  hands.run(setPlaces, hands.slide.id, [{ elementId: line.id, ...lineThrough(points) }]);
}

/** Draws a line from here to where it is let go. */
export function drawingLine(
  hands: StageHands,
  start: Point,
  onDrawn: (id: ElementId) => void,
): Gesture {
  const { touchable, scale } = hands;
  return {
    move(at) {
      hands.draw({ line: [start, at] });
    },
    end(at, _event, hasMoved) {
      hands.clear();
      const to = hasMoved ? at : { x: start.x + 200, y: start.y };
      const ends = [start, to].map((end) => anchorAt(touchable, end, STICK / scale));
      // Two ends on one thing would be a line that nobody sees.
      const isLoop = ends[0] !== null && ends[0]?.elementId === ends[1]?.elementId;
      const added = hands.run(addElement, hands.slide.id, {
        kind: 'line',
        layer: hands.edit.layer === 'background' ? 'background' : 'content',
        ...lineThrough([start, to]),
        ...(isLoop || !ends[0] ? {} : { from: ends[0] }),
        ...(isLoop || !ends[1] ? {} : { to: ends[1] }),
      });
      if (added) onDrawn(added.elementId);
    },
    cancel: hands.clear,
  };
}

/** One stroke of the pen: on the drawing that was begun with it, or on a new one. */
export function drawingStroke(
  hands: StageHands,
  start: Point,
  first: PointerEvent,
  look: Pick<InkStroke, 'colour' | 'weight' | 'isMarker'>,
  drawing: ElementId | null,
  onDrawn: (id: ElementId) => void,
): Gesture {
  // A mouse has no pressure to tell of.
  const pressureOf = ({ pointerType, pressure }: PointerEvent): number =>
    pointerType === 'pen' ? pressure : 0.5;
  const path = [{ ...start, pressure: pressureOf(first) }];
  return {
    move(at, event) {
      if (path.length < 3900) path.push({ ...at, pressure: pressureOf(event) });
      hands.draw({ stroke: strokeFrom(path, look) });
    },
    end() {
      hands.clear();
      const stroke = strokeFrom(path, look);
      const { doc, slide } = hands;
      const map = drawing ? elementOf(doc, slide.id, drawing) : undefined;
      const ink = map && readElement(drawing!, map);
      const isWhole = ink?.kind === 'ink' && JSON.stringify(ink.box) === JSON.stringify(ink.frame);
      if (isWhole && ink.rotation === 0 && ink.strokes.length < 600) {
        hands.run(addStroke, slide.id, ink.id, stroke, inkFrame([stroke], ink.frame));
        return;
      }
      const frame = inkFrame([stroke]);
      const added = hands.run(addElement, slide.id, {
        kind: 'ink',
        layer: hands.edit.layer,
        box: frame,
        frame,
        strokes: [stroke],
      });
      if (added) onDrawn(added.elementId);
    },
    cancel: hands.clear,
  };
}

/** Rubs out the strokes that are passed over. */
export function rubbing(hands: StageHands, start: Point): Gesture {
  const gone = new Map<ElementId, Set<number>>();
  const inks = hands.touchable.filter((element) => element.kind === 'ink' && !element.isLocked);
  const rub = (at: Point): void => {
    for (const ink of inks) {
      if (ink.kind !== 'ink') continue;
      const hit = strokesAt(ink, at, 8 / hands.scale);
      if (hit.length === 0) continue;
      gone.set(ink.id, new Set([...(gone.get(ink.id) ?? []), ...hit]));
    }
    const preview = inks.flatMap((ink) => {
      const hit = ink.kind === 'ink' && gone.get(ink.id);
      return hit ? [[ink.id, { strokes: ink.strokes.filter((_, at) => !hit.has(at)) }]] : [];
    });
    hands.show(Object.fromEntries(preview) as Preview);
  };
  return {
    move: rub,
    end() {
      rub(start);
      for (const [id, strokes] of gone) {
        hands.run(rubOut, hands.slide.id, id, [...strokes]);
      }
      hands.clear();
    },
    cancel: hands.clear,
  };
}

/** Pulls the window of a picture, or with no handle the picture behind it. */
export function cropping(
  hands: StageHands,
  picture: PictureElement,
  start: Point,
  handle: Handle | null,
): Gesture {
  return changing<Partial<PictureElement>>(
    hands,
    picture.id,
    (at) => {
      const pull = { x: at.x - start.x, y: at.y - start.y };
      return handle ? cropBy(picture, handle, pull) : cropMoved(picture, pull);
    },
    ({ box, crop, fit }) =>
      hands.run(setPlaces, hands.slide.id, [
        {
          elementId: picture.id,
          box: box ?? picture.box,
          settings: { crop: crop!, fit: fit! },
        },
      ]),
  );
}

/** Pulls the frame that a piece may move in, by a handle or as a whole. */
export function pullingRange(
  hands: StageHands,
  piece: SlideElement,
  range: Box,
  start: Point,
  handle: Handle | null,
): Gesture {
  return changing(
    hands,
    piece.id,
    (at) => {
      const [dx, dy] = [at.x - start.x, at.y - start.y];
      const pulled = handle
        ? resize(range, handle, dx, dy)
        : { ...range, x: range.x + dx, y: range.y + dy };
      return { piece: { ...piece.piece, range: rounded(pulled) } };
    },
    (change) => hands.run(setElement, hands.slide.id, piece.id, change),
  );
}

/** Pulls the line between two columns of a table: what one gains the other loses. */
export function pullingColumn(hands: StageHands, table: TableElement, index: number): Gesture {
  const { box, rotation, columns } = table;
  const whole = columns.reduce((sum, share) => sum + share, 0);
  const before = columns.slice(0, index).reduce((sum, share) => sum + share, 0);
  const both = columns[index]! + columns[index + 1]!;
  const least = Math.min(both / 2, (24 / box.w) * whole);
  return changing(
    hands,
    table.id,
    (at) => {
      const wanted = inShares(box, rotation, at).x * whole - before;
      const left = Math.min(both - least, Math.max(least, wanted));
      return {
        columns: columns.map((share, place) =>
          place === index ? left : place === index + 1 ? both - left : share,
        ),
      };
    },
    (change) => hands.run(setElement, hands.slide.id, table.id, change),
  );
}

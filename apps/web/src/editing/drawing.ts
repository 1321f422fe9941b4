import {
  addElement,
  addStroke,
  anchorAt,
  elementOf,
  inkFrame,
  lineThrough,
  readElement,
  rubOut,
  strokeFrom,
  strokesAt,
  type ElementId,
  type InkStroke,
  type Point,
} from '@gobrel/core';
import type { PointerEvent } from 'react';
import { STICK } from '../elements/line/Grips';
import type { Preview } from './preview';
import type { StageHands } from './StageHands';
import type { Gesture } from './useGestures';

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

import { addElement, type ElementId } from '@gobrel/core';
import type { PointerEvent, RefObject } from 'react';
import { drawingBox, framing } from './arranging';
import { drawingLine, drawingStroke, rubbing } from './drawing';
import type { PenLook, StageHands } from './StageHands';
import type { Gesture, Gestures } from './useGestures';
import type { ViewControl } from './useStageView';

/** What a press beside all things begins: panning, framing, or what the tool in hand draws. */
export function deskGesture(
  event: PointerEvent,
  given: {
    hands: StageHands;
    gestures: Gestures;
    control: ViewControl;
    pen: PenLook;
    /** The drawing that the pen goes on with. */
    drawing: RefObject<ElementId | null>;
  },
): Gesture | null {
  const { hands, control, pen, drawing } = given;
  const { slide, edit, run } = hands;
  if (event.button === 1) return panning(control, event);
  if (event.button !== 0) return null;
  const at = given.gestures.placeOf(event);
  const done = (id: ElementId): void => edit.takeNew([id], edit.layer);
  switch (edit.tool) {
    case 'select':
      edit.crop(null);
      edit.type(null);
      // Beside the group that was stepped into: that leaves it.
      if (edit.entered && !event.shiftKey) edit.enter(null);
      return framing(hands, at);
    case 'line':
      return drawingLine(hands, at, done);
    case 'pen':
    case 'marker':
      return drawingStroke(hands, at, event, pen, drawing.current, (id) => {
        drawing.current = id;
      });
    case 'rub':
      return rubbing(hands, at);
    case 'hotspot':
    case 'closeup': {
      const kind = edit.tool;
      const standard = kind === 'hotspot' ? { w: 200, h: 140 } : { w: 480, h: 270 };
      return drawingBox(hands, at, standard, (box) => {
        const added = run(addElement, slide.id, { kind, layer: 'content', box });
        if (added) done(added.elementId);
      });
    }
  }
}

function panning(control: ViewControl, event: PointerEvent): Gesture {
  const from = { x: event.clientX, y: event.clientY };
  return {
    move: (_at, now) => {
      control.panBy(now.clientX - from.x, now.clientY - from.y);
      [from.x, from.y] = [now.clientX, now.clientY];
    },
    end: () => undefined,
  };
}

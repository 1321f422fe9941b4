import {
  holdsMembers,
  inHandFor,
  movedBy,
  setPlaces,
  type ElementId,
  type SlideElement,
} from '@gobrel/core';
import { useMemo, type KeyboardEvent, type PointerEvent } from 'react';
import { useNotices } from '../ui/Notice';
import { useStable } from '../ui/useStable';
import { moving, underneath } from './arranging';
import type { StageHands } from './StageHands';
import type { TargetHands } from './Targets';
import type { Gestures } from './useGestures';

/** What pressing, opening and keys do to one thing. The same functions as long as the stage is open. */
export function useTouching(
  hands: StageHands,
  gestures: Gestures,
  remove: (ids: ElementId[]) => void,
): TargetHands {
  const { slide, edit, run } = hands;
  const { selected, select, entered, type, tool } = edit;
  const { trouble } = useNotices();

  /**
   * A press that does not become a move: what lies behind with Alt, typing on the one text in hand. A question is
   * opened by a double press, and its prompt is typed there.
   */
  const pressed = (
    event: PointerEvent,
    element: SlideElement,
    id: ElementId,
    wasAlone: boolean,
  ): void => {
    if (event.altKey) {
      const ids = underneath(hands, gestures.placeOf(event));
      const now = selected[0]?.id ?? id;
      const next = ids[(ids.indexOf(now) + 1) % ids.length];
      if (next) select([next]);
    } else if (wasAlone && id === element.id && !element.isLocked) {
      if ('text' in element && element.kind !== 'question') type(id);
    } else if (selected.length > 1 && !event.shiftKey) select([id]);
  };
  const press = (event: PointerEvent, element: SlideElement): void => {
    if (event.button !== 0 || tool !== 'select') return;
    const id = inHandFor(slide.elements, element.id, entered);
    // Outside of the group that was stepped into: that leaves it.
    const target = id ?? inHandFor(slide.elements, element.id, null);
    if (!target) return;
    const ids = selected.map((one) => one.id);
    const isIn = ids.includes(target);
    if (event.shiftKey) {
      event.stopPropagation();
      select(isIn ? ids.filter((one) => one !== target) : [...ids, target]);
      return;
    }
    if (!isIn && !event.altKey) select([target]);
    const held = isIn ? selected : slide.elements.filter((one) => one.id === target);
    const wasAlone = isIn && selected.length === 1;
    gestures.begin(
      event,
      moving({ ...hands }, gestures.placeOf(event), held, (up) =>
        pressed(up, element, target, wasAlone),
      ),
    );
  };
  const open = (element: SlideElement): void => {
    const id = inHandFor(slide.elements, element.id, entered);
    const group = slide.elements.find((one) => one.id === id && holdsMembers(one));
    if (group) {
      edit.enter(group.id);
      const inner = inHandFor(slide.elements, element.id, group.id);
      if (inner && inner !== group.id) select([inner]);
    } else if (element.isLocked) trouble('It is locked. Let it go first.');
    else if (element.kind === 'picture') edit.crop(element.id);
    else if (element.kind === 'question') edit.ask(element.id);
    else if ('text' in element) type(element.id);
  };
  const onKeyDown = (event: KeyboardEvent, element: SlideElement): void => {
    const chosen = selected.some((one) => one.id === element.id) ? selected : [element];
    const ids = chosen.map((one) => one.id);
    const nudge = nudgeOf(event);
    if (nudge) {
      run(setPlaces, slide.id, movedBy(slide.elements, ids, ...nudge));
    } else if (event.key === 'Enter' || event.key === 'F2') {
      select([element.id]);
      open(element);
    } else if (event.key === ' ') {
      const isIn = selected.some((one) => one.id === element.id);
      if (!event.shiftKey) select([element.id]);
      else if (isIn) select(selected.map(({ id }) => id).filter((id) => id !== element.id));
      else select([...selected.map(({ id }) => id), element.id]);
    } else if (event.key === 'Delete' || event.key === 'Backspace') remove(ids);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  const focused = (element: SlideElement): void => {
    if (!selected.some(({ id }) => id === element.id)) select([element.id]);
  };
  const stable = {
    press: useStable(press),
    open: useStable(open),
    focus: useStable(focused),
    key: useStable(onKeyDown),
  };
  const { press: pressing, open: opening, focus, key } = stable;
  return useMemo(
    () => ({ press: pressing, open: opening, focus, key }),
    [pressing, opening, focus, key],
  );
}

function nudgeOf(event: KeyboardEvent): [number, number] | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  const step = event.shiftKey ? 10 : 1;
  const by: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, -step],
    ArrowDown: [0, step],
  };
  return by[event.key] ?? null;
}

import {
  duplicateElements,
  group,
  movedBy,
  setPlaces,
  ungroup,
  type ElementId,
  type RunCommand,
  type Slide,
} from '@gobrel/core';
import { useEffect } from 'react';
import type * as Y from 'yjs';
import { useStable } from '../ui/useStable';
import { isTyping } from '../ui/isTyping';
import { isTouchable, stepOut, type StageEdit } from '../editing/useStageEdit';

interface Given {
  doc: Y.Doc;
  slide: Slide;
  edit: StageEdit;
  run: RunCommand;
  remove: (ids: ElementId[]) => void;
  pasteInPlace: () => void;
}

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Keys for the whole stage, wherever on the page the focus is but in a field, a button or a dialog. */
export function useStageKeys(given: Given): void {
  const take = useStable((event: KeyboardEvent) => {
    if (event.defaultPrevented || event.altKey || isTyping(event)) return;
    const at = event.target instanceof Element ? event.target : null;
    if (at?.closest('[role=dialog]')) return;
    const isCommand = event.ctrlKey || event.metaKey;
    const isTaken = isCommand ? takeCommand(event, given) : takePlain(event, given);
    if (isTaken) event.preventDefault();
  });
  useEffect(() => {
    window.addEventListener('keydown', take);
    return () => window.removeEventListener('keydown', take);
  }, [take]);
}

function takeCommand(event: KeyboardEvent, given: Given): boolean {
  const { slide, edit, run } = given;
  const ids = edit.selected.map(({ id }) => id);
  switch (event.key.toLowerCase()) {
    case 'a':
      edit.select(
        slide.elements
          .filter(
            (one) =>
              isTouchable(one, edit.layer) &&
              one.layer === edit.layer &&
              one.groupId === edit.entered,
          )
          .map(({ id }) => id),
      );
      return true;
    case 'g':
      if (event.shiftKey) {
        const freed = run(ungroup, slide.id, ids);
        if (freed) edit.select(freed.elementIds);
      } else {
        const made = run(group, slide.id, ids);
        if (made) edit.select([made.elementId]);
      }
      return true;
    case 'd': {
      if (ids.length === 0) return false;
      const copies = run(duplicateElements, slide.id, ids);
      // With the focus: keys act on the copies from now on.
      if (copies) edit.takeNew(copies.elementIds, edit.selected[0]?.layer ?? edit.layer);
      return true;
    }
    case 'v':
      // Without Shift the browser brings what is on the clipboard.
      if (!event.shiftKey) return false;
      given.pasteInPlace();
      return true;
    default:
      return false;
  }
}

function takePlain(event: KeyboardEvent, given: Given): boolean {
  const { slide, edit, run } = given;
  const at = event.target instanceof Element ? event.target : null;
  const ids = edit.selected.map(({ id }) => id);
  const arrow = ARROWS[event.key];
  if (event.key === 'Escape') {
    stepOut(slide, edit);
    return true;
  }
  if (ids.length === 0 || at?.closest('button, a, [role=button], [role=radio]')) return false;
  if (arrow) {
    const step = event.shiftKey ? 10 : 1;
    run(setPlaces, slide.id, movedBy(slide.elements, ids, arrow[0] * step, arrow[1] * step));
    return true;
  }
  if (event.key !== 'Delete' && event.key !== 'Backspace') return false;
  given.remove(ids);
  return true;
}

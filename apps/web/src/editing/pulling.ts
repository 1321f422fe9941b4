import type { Point, SlideElement } from '@gobrel/core';
import type { Pulled } from '../elements/kind';
import type { Preview } from './preview';
import type { StageHands } from './StageHands';
import type { Gesture } from './useGestures';

/** A gesture that changes one thing: shown while it goes on, kept in one step at its end. */
export function pulling<T extends Partial<SlideElement>>(
  hands: Pick<StageHands, 'show' | 'clear'>,
  from: Point,
  { id, become, keep }: Pulled<T>,
): Gesture {
  let now: T | null = null;
  return {
    move(at, event) {
      now = become(at, event, from);
      hands.show({ [id]: now } as Preview);
    },
    end(at) {
      if (now) keep(now, at);
      hands.clear();
    },
    cancel: hands.clear,
  };
}

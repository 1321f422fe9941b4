import {
  beginWalk,
  entryAt,
  isAtChoice,
  jump,
  stepsOn,
  walkAlong,
  walkBack,
  walkBeside,
  walkOn,
  type ElementId,
  type LinkId,
  type Slide,
  type SlideElement,
  type SlideId,
  type WalkGround,
  type ShownStep,
} from '@gobrel/core';
import { useCallback, useLayoutEffect, useMemo, useState } from 'react';

/** A deck being walked by somebody who looks at it: in a show, or at a published address. */
export interface Walking {
  walk: readonly ShownStep[];
  last: ShownStep | undefined;
  here: SlideId | null;
  /** It waits here for somebody to choose. */
  isWaiting: boolean;
  /** An arrow leads nowhere from here: at a choice, or at the end. */
  isOver: boolean;
  /** Things that have come, and that are still to come. */
  shown: number;
  toCome: number;
  isStillToCome: (element: SlideElement) => boolean;
  /** The close-up to fly into, where the trail stops at one or a link points at it. */
  closeUpId: ElementId | null | undefined;
  back: () => void;
  /** On along the trail or the only way; `onStopped` is told where there is none. */
  on: () => void;
  /** False where the link leads to no slide of this deck. */
  follow: (linkId: LinkId) => boolean;
  jumpTo: (slideId: SlideId) => void;
  /** As another device that steers the same show has it. */
  takeOver: (walk: readonly ShownStep[]) => void;
  /** Across sections that lie in one another, or within one. */
  beside: (way: 'across' | 'within', by: 1 | -1) => void;
}

export function useWalking(
  ground: WalkGround,
  /** The slide that is walked to, as it is shown also where the ground has it no more. */
  slideAt: (id: SlideId) => Slide | undefined,
  start: { from: SlideId | null; spotId?: ElementId; onStopped: () => void },
): Walking {
  const [walk, setWalk] = useState(() => beginWalk(ground, start.from, start.spotId));
  const { onStopped } = start;
  const last = walk.at(-1);
  const slide = last && slideAt(last.slideId);
  const steps = slide ? stepsOn(slide) : 0;
  const shown = Math.min(last?.shown ?? 0, steps);
  const stop = last?.stop === undefined ? undefined : ground.trail?.stops[last.stop];
  const next = useMemo(() => walkOn(ground, walk), [ground, walk]);
  return {
    walk,
    last,
    isOver: next === null,
    here: last?.slideId ?? null,
    isWaiting: slide !== undefined && isAtChoice(ground, slide),
    shown,
    toCome: steps - shown,
    isStillToCome: useCallback(({ comes }: SlideElement) => comes > shown, [shown]),
    closeUpId: last?.spotId ?? stop?.closeUpId,
    takeOver: useCallback((walk: readonly ShownStep[]) => setWalk([...walk]), []),
    back: useCallback(() => setWalk(walkBack), []),
    on: useCallback(() => {
      if (next) setWalk(next);
      else onStopped();
    }, [next, onStopped]),
    follow: useCallback(
      (linkId: LinkId) => {
        const next = walkAlong(ground, walk, linkId);
        if (next) setWalk(next);
        return next !== null || entryAt(ground.deck.links, linkId) === undefined;
      },
      [ground, walk],
    ),
    beside: useCallback(
      (way: 'across' | 'within', by: 1 | -1) => {
        const next = walkBeside(ground, walk, way, by);
        if (next) setWalk(next);
        else onStopped();
      },
      [ground, walk, onStopped],
    ),
    jumpTo: useCallback(
      (slideId: SlideId) => setWalk((old) => jump(ground, old, slideId)),
      [ground],
    ),
  };
}

/** What arrow keys, and the clickers that teachers hold, send. */
const BACK_KEYS = ['ArrowLeft', 'Backspace', 'PageUp'];
const ON_KEYS = ['ArrowRight', 'PageDown'];

/** Steps by keys, as long as nothing lies over the slide. */
export function useWalkKeys(args: {
  isOff: boolean;
  onBack: () => void;
  onOn: () => void;
  onLeave?: () => void;
  /** Keys of a view's own, asked first: true for one that was taken. */
  onOther?: (event: KeyboardEvent) => boolean;
}): void {
  const { isOff, onBack, onOn, onLeave, onOther } = args;
  // Before it is painted: whoever sees a slide may press a key.
  useLayoutEffect(() => {
    if (isOff) return;
    const onKey = (event: KeyboardEvent): void => {
      // Something that lay over the slide took it, and is gone by now.
      if (event.defaultPrevented) return;
      // What has the focus takes its keys for itself.
      const target = event.target as HTMLElement;
      if (target.closest?.('input, textarea, select, [contenteditable=true]')) return;
      const isCommand = event.ctrlKey || event.metaKey || event.altKey;
      if (isCommand || onOther?.(event)) return;
      if (event.key === 'Escape') return onLeave?.();
      const isFocused = target.closest?.('a, button, [role=link]');
      const isPress = (event.key === ' ' || event.key === 'Enter') && !isFocused;
      if (BACK_KEYS.includes(event.key)) onBack();
      else if (ON_KEYS.includes(event.key) || isPress) onOn();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [isOff, onBack, onOn, onLeave, onOther]);
}

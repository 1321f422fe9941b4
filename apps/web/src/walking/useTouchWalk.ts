import { useLayoutEffect, useRef, type TouchEvent } from 'react';

/** Pixels that a finger may wander in a tap, and has to go in a swipe. */
const TAP = 12;
const SWIPE = 60;

/** How much of the screen's width is its edge; its foot, in pixels, is where the band comes up. */
const EDGE = 0.1;
const FOOT = 90;
const edgeAt = (x: number, y: number): 'left' | 'right' | null => {
  if (y > window.innerHeight - FOOT) return null;
  return x < window.innerWidth * EDGE
    ? 'left'
    : x > window.innerWidth * (1 - EDGE)
      ? 'right'
      : null;
};

/** What is pulled, or written in, with a finger. */
const PULLED =
  'input:not([type=checkbox], [type=radio]), textarea, audio, video, [data-piece], [data-pulled]';

/** What takes a tap for itself; on a question that is tried, a tap beside its answers means nothing. */
const PRESSED = 'a, button, label, select, summary, [role=link], [role=button], [data-tries]';

/**
 * A show by finger: a swipe to the left walks on, one to the right goes back, a tap beside everything that can be
 * pressed shows or hides the band.
 */
export function useTouchWalk(args: {
  /** Something lies over the show that takes the touches. */
  isOff: boolean;
  /** `edge`: at which edge of the screen it was, if at one. */
  onTap: (edge: 'left' | 'right' | null) => void;
  onSwipe: (way: 'on' | 'back') => void;
}): { onTouchStart: (event: TouchEvent) => void } {
  const from = useRef<{ x: number; y: number } | null>(null);
  const now = useRef(args);
  useLayoutEffect(() => {
    now.current = args;
  });
  const end = (event: globalThis.TouchEvent): void => {
    const [start, up] = [from.current, event.changedTouches[0]];
    from.current = null;
    if (!start || !up) return;
    const [dx, dy] = [up.clientX - start.x, up.clientY - start.y];
    const isSwipe = Math.abs(dx) > SWIPE && Math.abs(dx) > 2 * Math.abs(dy);
    const isTap = Math.hypot(dx, dy) < TAP && !(event.target as Element).closest(PRESSED);
    if (!isSwipe && !isTap) return;
    // No click comes of it: it would press what is under the finger only now.
    event.preventDefault();
    if (isSwipe) now.current.onSwipe(dx < 0 ? 'on' : 'back');
    else now.current.onTap(edgeAt(up.clientX, up.clientY));
  };
  return {
    onTouchStart: ({ touches, target }) => {
      const [first, ...more] = Array.from(touches);
      // A second finger makes it something else, and what is pulled along a scale is no swipe.
      const isElse = more.length > 0 || (target as Element).closest(PULLED);
      from.current =
        first && !isElse && !args.isOff ? { x: first.clientX, y: first.clientY } : null;
      // A finger ends where it began, also when that is no part of the page any more: something else has come there.
      if (from.current) target.addEventListener('touchend', end as EventListener, { once: true });
    },
  };
}

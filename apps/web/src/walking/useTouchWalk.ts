import { useRef, type TouchEvent } from 'react';

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

interface TouchWalk {
  onTouchStart: (event: TouchEvent) => void;
  onTouchEnd: (event: TouchEvent) => void;
}

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
}): TouchWalk {
  const from = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: (event) => {
      const [first, ...more] = Array.from(event.touches);
      // A second finger makes it something else, and what is pulled along a scale is no swipe.
      const isElse = more.length > 0 || (event.target as Element).closest(PULLED);
      from.current =
        first && !isElse && !args.isOff ? { x: first.clientX, y: first.clientY } : null;
    },
    onTouchEnd: (event) => {
      const [start, end] = [from.current, event.changedTouches[0]];
      from.current = null;
      if (!start || !end) return;
      const [dx, dy] = [end.clientX - start.x, end.clientY - start.y];
      const isSwipe = Math.abs(dx) > SWIPE && Math.abs(dx) > 2 * Math.abs(dy);
      const isTap = Math.hypot(dx, dy) < TAP && !(event.target as Element).closest(PRESSED);
      if (!isSwipe && !isTap) return;
      // No click comes of it: it would press what is under the finger only now.
      event.preventDefault();
      if (isSwipe) args.onSwipe(dx < 0 ? 'on' : 'back');
      else args.onTap(edgeAt(end.clientX, end.clientY));
    },
  };
}

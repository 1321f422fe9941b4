import { secondsOn, type LinkId, type PlayPace, type Slide } from '@gobrel/core';
import { useEffect, useLayoutEffect } from 'react';
import type { Walking } from '../walking/useWalking';

/** What is pressed as a part of the walk: playing goes on from there. */
const CHOICES = '[data-shows] a, [data-shows] [role=link]';

/**
 * A show that goes on by itself: by the time that a slide takes, never past a choice, and at the end again from the start
 * if that is wished. Any key or touch stops it, but a choice that is taken.
 */
export function usePlaying(args: {
  pace: PlayPace | null;
  isLooped: boolean;
  slide: Slide | undefined;
  walking: Walking;
  /** The choice that it takes; none: somebody has to. */
  played: LinkId | undefined;
  onRestart: () => void;
  onStop: () => void;
}): void {
  const { pace, isLooped, slide, walking, played, onRestart, onStop } = args;
  const { follow, on, isWaiting, toCome, isOver } = walking;
  useEffect(() => {
    if (!pace || !slide) return;
    // At a choice somebody chooses, or has done so when the deck was made.
    const isAsked = isWaiting && toCome === 0 && isOver;
    if (isAsked && !played) return;
    const timer = setTimeout(
      () => {
        if (isAsked && played) follow(played);
        else if (!isOver) on();
        else if (isLooped) onRestart();
        else onStop();
      },
      secondsOn(slide, pace) * 1000,
    );
    return () => clearTimeout(timer);
  }, [pace, slide, isWaiting, toCome, isOver, on, follow, played, isLooped, onRestart, onStop]);
  const isOn = pace !== null;
  // Before it is painted, as keys that walk: what stops it must not be taken by them.
  useLayoutEffect(() => {
    if (!isOn) return;
    const stop = (event: Event): void => {
      const { target } = event;
      const isChoice = target instanceof Element && target.closest(CHOICES);
      const isPress = !(event instanceof KeyboardEvent) || ['Enter', ' '].includes(event.key);
      if (isChoice && isPress) return;
      // It does nothing else: whoever stops it sees where it is.
      if (event instanceof KeyboardEvent) event.stopPropagation();
      onStop();
    };
    window.addEventListener('keydown', stop, true);
    window.addEventListener('pointerdown', stop, true);
    return () => {
      window.removeEventListener('keydown', stop, true);
      window.removeEventListener('pointerdown', stop, true);
    };
  }, [isOn, onStop]);
}

import { MOST_STEPS_TOLD, type ShownStep, type WalkedStep } from '@gobrel/core';
import { useEffect, useRef } from 'react';
import { http } from '../api/http';

/** Milliseconds that steps are gathered. */
const GATHERED = 1500;

/** Tells the server which way is walked, so that whoever published the deck sees its ways; of who walks nothing is told. */
export function useCounted(code: string, walk: readonly ShownStep[]): void {
  const waiting = useRef<WalkedStep[]>([]);
  const counted = useRef(0);
  useEffect(() => {
    // Going back is no step of its own.
    for (const { slideId, via } of walk.slice(Math.min(counted.current, walk.length)))
      waiting.current.push({ slideId, via });
    counted.current = walk.length;
    if (waiting.current.length === 0) return;
    const timer = setTimeout(() => {
      const steps = waiting.current.splice(0, MOST_STEPS_TOLD);
      // What cannot be told is not counted: a number that is a little too small troubles nobody.
      http.post(`published/${code}/steps`, { steps }).catch(() => undefined);
    }, GATHERED);
    return () => clearTimeout(timer);
  }, [code, walk]);
  useEffect(() => {
    const tell = (): void => {
      const steps = waiting.current.splice(0, MOST_STEPS_TOLD);
      if (steps.length === 0) return;
      const body = new Blob([JSON.stringify({ steps })], { type: 'application/json' });
      navigator.sendBeacon(`/api/published/${code}/steps`, body);
    };
    window.addEventListener('pagehide', tell);
    return () => window.removeEventListener('pagehide', tell);
  }, [code]);
}

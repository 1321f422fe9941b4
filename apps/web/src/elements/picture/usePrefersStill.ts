import { useSyncExternalStore } from 'react';

const asked = (): MediaQueryList | null =>
  typeof matchMedia === 'function' ? matchMedia('(prefers-reduced-motion: reduce)') : null;

function subscribe(listener: () => void): () => void {
  const query = asked();
  query?.addEventListener('change', listener);
  return () => query?.removeEventListener('change', listener);
}

/** Whether this person has asked their system for less motion. */
export const usePrefersStill = (): boolean =>
  useSyncExternalStore(subscribe, () => asked()?.matches ?? false);

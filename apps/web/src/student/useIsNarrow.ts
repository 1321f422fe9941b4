import { useSyncExternalStore } from 'react';

const NARROW = '(max-width: 699px)';

/** A phone held upright: too narrow to read a whole slide on. */
export function useIsNarrow(): boolean {
  return useSyncExternalStore(
    (listener) => {
      const query = window.matchMedia(NARROW);
      query.addEventListener('change', listener);
      return () => query.removeEventListener('change', listener);
    },
    () => window.matchMedia(NARROW).matches,
  );
}

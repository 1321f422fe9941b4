import { NARROWEST_STAGE } from '@gobrel/core';
import { useSyncExternalStore } from 'react';

const NARROW = `(max-width: ${NARROWEST_STAGE - 1}px)`;

/** Too narrow to touch what is on a whole slide: a phone, or a small tablet held upright. */
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

import { useCallback, useLayoutEffect, useRef } from 'react';

/** A function that stays the same and always does what the latest one does: for handlers given to costly children. */
export function useStable<A extends unknown[], R>(latest: (...args: A) => R): (...args: A) => R {
  const held = useRef(latest);
  useLayoutEffect(() => {
    held.current = latest;
  });
  return useCallback((...args: A) => held.current(...args), []);
}

import type { InkStroke } from '@gobrel/core';
import { useEffect, useState } from 'react';
import { inWorker } from '../useHeavy';

type Strokes = readonly InkStroke[];

/** The outlines of drawings that have been reckoned: a drawing that is changed is another one. */
const known = new WeakMap<Strokes, readonly string[]>();

/** The outline of each stroke of each drawing as an SVG path, reckoned in the worker; null while that is on its way. */
export function useDrawnPaths(drawings: readonly Strokes[]): (readonly string[] | null)[] {
  const [, setArrived] = useState(0);
  useEffect(() => {
    let isWanted = true;
    for (const strokes of drawings.filter((one) => !known.has(one))) {
      void inWorker({ what: 'strokes', strokes }).then(({ paths }) => {
        known.set(strokes, paths);
        if (isWanted) setArrived((count) => count + 1);
      });
    }
    return () => {
      isWanted = false;
    };
  }, [drawings]);
  return drawings.map((strokes) => known.get(strokes) ?? null);
}

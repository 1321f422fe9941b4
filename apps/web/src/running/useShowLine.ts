import {
  readShow,
  readShowTold,
  type Point,
  type RunningShow,
  type Steering,
  type Timing,
} from '@gobrel/core';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { clockIs } from '../api/clock';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument } from '../sync/useDocument';

/** A running show, as a device hears of it that follows or steers it. */
export interface ShowLine {
  /** `over`: this device has no part in it any more. */
  state: 'opening' | 'open' | 'over';
  /** What is heard now is what the server says now. */
  isAlive: boolean;
  show: RunningShow;
  point: Point | null;
  timing: Timing | null;
  say: (said: Steering) => void;
}

const NOTHING: RunningShow = { place: null, version: '', ended: null, ink: {} };
const nobody = (): (() => void) => () => undefined;

function readerOf(document: OpenDocument | null): {
  subscribe: (listener: () => void) => () => void;
  read: () => RunningShow;
} {
  if (!document) return { subscribe: nobody, read: () => NOTHING };
  const { doc } = document;
  let read = readShow(doc);
  return {
    read: () => read,
    subscribe: (listener) => {
      const hear = (): void => {
        read = readShow(doc);
        listener();
      };
      doc.on('update', hear);
      // What came before anybody listened.
      hear();
      return () => doc.off('update', hear);
    },
  };
}

/** Opens a show; null for none. */
export function useShowLine(showId: string | null): ShowLine {
  const opening = useDocument(showId === null ? null : `show:${showId}`, { isServerMade: true });
  const document = opening.state === 'open' ? opening.document : null;
  const reader = useMemo(() => readerOf(document), [document]);
  const heard = useSyncExternalStore(reader.subscribe, reader.read);
  const isAlive = useSyncExternalStore(
    document?.subscribe ?? nobody,
    () => document?.savedState() === 'saved',
  );
  const [point, setPoint] = useState<Point | null>(null);
  const [timing, setTiming] = useState<Timing | null>(null);
  // While it is opened anew it is as it was heard last.
  const [last, setLast] = useState(NOTHING);
  if (heard !== NOTHING && heard !== last) setLast(heard);
  useEffect(
    () =>
      document?.onTold((words) => {
        const told = readShowTold(words);
        if (told.kind === 'point') setPoint(told.at);
        if (told.kind !== 'timing') return;
        clockIs(told.now);
        setTiming(told);
      }),
    [document],
  );
  return {
    state: opening.state === 'failed' ? 'over' : opening.state,
    isAlive,
    show: heard === NOTHING ? last : heard,
    point,
    timing,
    say: useCallback((said: Steering) => document?.say(JSON.stringify(said)), [document]),
  };
}

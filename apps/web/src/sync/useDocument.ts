import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type * as Y from 'yjs';
import { openDocument, type OpenDocument, type SavedState } from './openDocument';

export type Opening =
  | { state: 'opening' }
  | { state: 'open'; document: OpenDocument }
  | { state: 'failed'; reason: string };

export interface DocumentOptions {
  keepAs?: string;
  /**
   * The server makes this document anew from its rows, and may have done so while there was no connection. A copy from
   * before would not know which of two values is the later one, so a break means a new copy, over a socket of its own.
   */
  isServerMade?: boolean;
  /** Called when something written here was not taken any more and is taken off the screen. */
  onUnkept?: () => void;
}

/** Opens a document for as long as the component is there; none as long as none is named. */
export function useDocument(name: string | null, options: DocumentOptions = {}): Opening {
  const [opening, setOpening] = useState<Opening>({ state: 'opening' });
  const { keepAs, isServerMade } = options;
  const told = useRef(options.onUnkept);
  useEffect(() => {
    told.current = options.onUnkept;
  });
  useEffect(() => {
    if (name === null) return;
    let isGone = false;
    let document: OpenDocument;
    const open = (): void => {
      const opened = openDocument(name, { keepAs, hasOwnSocket: isServerMade });
      document = opened;
      opened.ready.then(
        () => !isGone && setOpening({ state: 'open', document: opened }),
        (error: Error) => !isGone && setOpening({ state: 'failed', reason: error.message }),
      );
      const stopWatching = opened.subscribe(() => {
        if (isGone) return;
        // Let in before, and not any more.
        if (opened.savedState() === 'refused') {
          setOpening({ state: 'failed', reason: 'This is not yours to open any more.' });
        }
        if (opened.savedState() !== 'unkept') return;
        // What the server did not take is taken off the screen, and it is said that it is.
        stopWatching();
        told.current?.();
        void opened.forget().then(() => {
          if (isGone) return;
          setOpening({ state: 'opening' });
          opened.close();
          open();
        });
      });
      if (!isServerMade) return;
      const stop = opened.subscribe(() => {
        if (opened.savedState() !== 'kept') return;
        stop();
        // Once the socket has told everyone that it is closed.
        setTimeout(() => {
          if (isGone) return;
          opened.close();
          open();
        });
      });
    };
    open();
    return () => {
      isGone = true;
      setOpening({ state: 'opening' });
      document.close();
    };
  }, [name, keepAs, isServerMade]);
  return opening;
}

export function useSavedState(document: OpenDocument): SavedState {
  return useSyncExternalStore(document.subscribe, () => document.savedState());
}

export interface Reader<T> {
  read: () => T;
  subscribe: (listener: () => void) => () => void;
}

/** A reading that follows a document; another document gets another reader. */
export function useReader<T>(doc: Y.Doc, make: (doc: Y.Doc) => Reader<T>): T {
  const [held, setHeld] = useState(() => ({ doc, reader: make(doc) }));
  let current = held;
  if (held.doc !== doc) {
    current = { doc, reader: make(doc) };
    setHeld(current);
  }
  return useSyncExternalStore(current.reader.subscribe, current.reader.read);
}

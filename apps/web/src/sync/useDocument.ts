import { useEffect, useState, useSyncExternalStore } from 'react';
import { openDocument, type OpenDocument, type SavedState } from './openDocument';

export type Opening =
  | { state: 'opening' }
  | { state: 'open'; document: OpenDocument }
  | { state: 'failed'; reason: string };

/** Opens a document for as long as the component is there. */
export function useDocument(
  name: string,
  options: { keepAs?: string; hasAwareness?: boolean } = {},
): Opening {
  const [opening, setOpening] = useState<Opening>({ state: 'opening' });
  const { keepAs, hasAwareness } = options;
  useEffect(() => {
    let isGone = false;
    const document = openDocument(name, { keepAs, hasAwareness });
    document.ready.then(
      () => !isGone && setOpening({ state: 'open', document }),
      (error: Error) => !isGone && setOpening({ state: 'failed', reason: error.message }),
    );
    return () => {
      isGone = true;
      setOpening({ state: 'opening' });
      document.close();
    };
  }, [name, keepAs, hasAwareness]);
  return opening;
}

export function useSavedState(document: OpenDocument): SavedState {
  return useSyncExternalStore(document.subscribe, () => document.savedState());
}

export interface Reader<T> {
  read: () => T;
  subscribe: (listener: () => void) => () => void;
}

/** A reading that follows its document; made by `make`, which must keep its identity. */
export function useReader<T>(make: () => Reader<T>): T {
  const [reader] = useState(make);
  return useSyncExternalStore(reader.subscribe, reader.read);
}

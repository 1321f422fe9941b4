import { IndexeddbPersistence, PREFERRED_TRIM_SIZE, storeState } from 'y-indexeddb';
import type * as Y from 'yjs';

/** The package's table of changes. */
const CHANGES = 'updates';

export interface KeptHere {
  /** Resolves when all that was kept is in the document. */
  whenLoaded: Promise<unknown>;
  /** Whether a change is one that was kept, and no new one. */
  isFrom(origin: unknown): boolean;
  clear(): Promise<void>;
  close(): void;
}

/**
 * Keeps a document in this browser under a name. Each change is its own transaction, told to be complete in the same
 * turn: one that the browser would complete by itself, a turn later, goes with a page that is left in that moment.
 */
export function keepHere(name: string, doc: Y.Doc): KeptHere {
  const open = (): IndexeddbPersistence => {
    const opened = new IndexeddbPersistence(name, doc);
    doc.off('update', opened._storeUpdate);
    return opened;
  };
  let kept = open();
  let isDone = false;
  doc.on('update', (update: Uint8Array, origin: unknown) => {
    if (isDone || !kept.db || origin === kept) return;
    try {
      const change = kept.db.transaction([CHANGES], 'readwrite');
      change.objectStore(CHANGES).add(update);
      change.commit();
      // Many of them are folded into one.
      if (++kept._dbsize % PREFERRED_TRIM_SIZE === 0) void storeState(kept, false);
    } catch {
      // Closed by the browser, or from a page where somebody else has sat down: all that is here is kept anew.
      void kept.destroy();
      kept = open();
    }
  });
  return {
    whenLoaded: kept.whenSynced,
    isFrom: (origin) => origin === kept,
    clear() {
      isDone = true;
      return kept.clearData();
    },
    close() {
      isDone = true;
      void kept.destroy();
    },
  };
}

import { IndexeddbPersistence, PREFERRED_TRIM_SIZE, storeState } from 'y-indexeddb';
import * as Y from 'yjs';

/** The package's table of changes. */
const CHANGES = 'updates';

export interface KeptHere {
  /** Resolves when all that was kept is in the document. */
  whenLoaded: Promise<unknown>;
  /** Whether what is written is kept: a browser's storage may be full, or forbidden. */
  isKeeping(): boolean;
  /** Whether a change is one that was kept, and no new one. */
  isFrom(origin: unknown): boolean;
  clear(): Promise<void>;
  close(): void;
}

let asked: Promise<boolean> | undefined;
/** Whether this browser lets a page keep anything; asked once. */
const isAllowed = (): Promise<boolean> =>
  (asked ??= new Promise((resolve) => {
    try {
      const asking = indexedDB.open('gobrel:');
      asking.onsuccess = () => {
        asking.result.close();
        resolve(true);
      };
      asking.onerror = () => resolve(false);
    } catch {
      resolve(false);
    }
  }));

/**
 * Keeps a document in this browser under a name; `tell` is called when that fails, and when it works again. Each change is
 * its own transaction, told to be complete in the same turn: one that the browser would complete by itself, a turn later,
 * goes with a page that is left in that moment.
 */
export function keepHere(name: string, doc: Y.Doc, tell: () => void): KeptHere {
  let kept: IndexeddbPersistence | null = null;
  let isDone = false;
  let isKeeping = true;
  const keeps = (does: boolean): void => {
    if (isKeeping === does) return;
    isKeeping = does;
    tell();
  };
  const open = (): IndexeddbPersistence => {
    kept = new IndexeddbPersistence(name, doc);
    doc.off('update', kept._storeUpdate);
    return kept;
  };
  const whenLoaded = isAllowed().then(async (isIt) => {
    if (isIt && !isDone) await open().whenSynced;
    else keeps(isIt);
  });
  doc.on('update', (update: Uint8Array, origin: unknown) => {
    if (isDone || !kept?.db || origin === kept) return;
    try {
      const change = kept.db.transaction([CHANGES], 'readwrite');
      // What could not be kept before is kept with all that came after it: one change more does not make up for it.
      const isWhole = !isKeeping;
      change.objectStore(CHANGES).add(isWhole ? Y.encodeStateAsUpdate(doc) : update);
      change.onabort = () => keeps(false);
      if (isWhole) change.oncomplete = () => keeps(true);
      change.commit();
      // Many of them are folded into one.
      if (++kept._dbsize % PREFERRED_TRIM_SIZE === 0) void storeState(kept, false);
    } catch {
      // Closed by the browser, or from a page where somebody else has sat down: all that is here is kept anew.
      void kept.destroy();
      open();
    }
  });
  return {
    whenLoaded,
    isKeeping: () => isKeeping,
    isFrom: (origin) => origin !== null && origin === kept,
    async clear() {
      isDone = true;
      await kept?.clearData();
    },
    close() {
      isDone = true;
      void kept?.destroy();
    },
  };
}

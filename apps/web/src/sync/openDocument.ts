import { HocuspocusProvider, HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import { IndexeddbPersistence } from 'y-indexeddb';
import type { Awareness } from 'y-protocols/awareness';
import * as Y from 'yjs';
import { noteSaved } from './kept.js';

/**
 * What is known of a document's changes: `saved` means the server has all of them on disk; `saving` that some are
 * on their way; `kept` that there is no connection and they wait on this device; `full` that the server takes no more.
 */
export type SavedState = 'opening' | 'saved' | 'saving' | 'kept' | 'full' | 'refused';

export interface OpenDocument {
  doc: Y.Doc;
  awareness: Awareness | null;
  /** Resolves when the document can be worked with: from the server, or from this device. */
  ready: Promise<void>;
  savedState(): SavedState;
  subscribe(listener: () => void): () => void;
  close(): void;
}

/** With these the server closes one document and leaves the socket open. */
const RESET = 'Reset Connection';
const TOO_LARGE = 'too-large';
/** Milliseconds before a device signs in again, so that a server in trouble is not asked without a pause. */
const BEFORE_AGAIN = 250;

let socket: HocuspocusProviderWebsocket | null = null;

function newSocket(): HocuspocusProviderWebsocket {
  const { protocol, host } = window.location;
  const url = `${protocol === 'https:' ? 'wss' : 'ws'}://${host}/sync`;
  return new HocuspocusProviderWebsocket({ url, maxDelay: 4000 });
}

/** After signing in, out or joining: the next document opens with the new cookie. */
export function forgetSocket(): void {
  socket?.destroy();
  socket = null;
}

/**
 * Opens a document over the one socket of this page, or one of its own. With `keepAs` it is kept on this device under
 * that name and can be worked on without a connection.
 */
export function openDocument(
  name: string,
  options: { keepAs?: string; hasAwareness?: boolean; hasOwnSocket?: boolean } = {},
): OpenDocument {
  const doc = new Y.Doc();
  const kept = options.keepAs ? new IndexeddbPersistence(options.keepAs, doc) : null;
  const listeners = new Set<() => void>();
  let isConnected = false;
  let isRefused = false;
  let isFull = false;
  let isClosed = false;
  let hasOpened = false;
  let wasSaved: boolean | null = null;
  const signInAgain = (): void => {
    if (isConnected && !isClosed) void provider.sendToken().then(() => provider.startSync());
  };
  const tell = (): void => {
    const state = savedState();
    if (options.keepAs && state !== 'opening' && wasSaved !== (state === 'saved')) {
      wasSaved = state === 'saved';
      noteSaved(options.keepAs, wasSaved);
    }
    listeners.forEach((listener) => listener());
  };
  const ownSocket = options.hasOwnSocket ? newSocket() : null;
  const provider = new HocuspocusProvider({
    websocketProvider: ownSocket ?? (socket ??= newSocket()),
    name,
    document: doc,
    token: 'cookie',
    awareness: options.hasAwareness === false ? null : undefined,
    onStatus: ({ status }) => {
      isConnected = String(status) === 'connected';
      tell();
    },
    onUnsyncedChanges: tell,
    onSynced: tell,
    onClose: ({ event }) => {
      if (event.reason === TOO_LARGE) isFull = true;
      // What this device may do has changed: it asks anew, over the socket that is still open.
      if (event.reason === RESET && isConnected) setTimeout(signInAgain, BEFORE_AGAIN);
      tell();
    },
    onAuthenticationFailed: () => {
      isRefused = true;
      tell();
    },
  });
  provider.attach();
  const ready = new Promise<void>((resolve, reject) => {
    const done = (): void => {
      hasOpened = true;
      tell();
      resolve();
    };
    provider.on('synced', done);
    provider.on('authenticationFailed', () => reject(new Error('This is not yours to open.')));
    void kept?.whenSynced.then(() => {
      if (Y.encodeStateVector(doc).length > 1) done();
    });
  });
  ready.catch(() => undefined);
  function savedState(): SavedState {
    if (isRefused) return 'refused';
    if (isFull) return 'full';
    if (!hasOpened) return 'opening';
    if (!isConnected) return 'kept';
    return provider.hasUnsyncedChanges || !provider.isSynced ? 'saving' : 'saved';
  }
  return {
    doc,
    awareness: provider.awareness,
    ready,
    savedState,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    close() {
      isClosed = true;
      provider.destroy();
      ownSocket?.destroy();
      void kept?.destroy();
      doc.destroy();
    },
  };
}

/** Resolves once everything is on the server's disk; rejects after `milliseconds`. */
export function whenSaved(document: OpenDocument, milliseconds = 8000): Promise<void> {
  return new Promise((resolve, reject) => {
    const stop = document.subscribe(check);
    const timer = setTimeout(() => {
      stop();
      reject(
        new Error(
          'Not everything has reached the server yet. Wait for the connection and try again.',
        ),
      );
    }, milliseconds);
    function check(): void {
      if (document.savedState() !== 'saved') return;
      clearTimeout(timer);
      stop();
      resolve();
    }
    check();
  });
}

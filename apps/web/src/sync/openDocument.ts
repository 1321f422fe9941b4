import { HocuspocusProvider } from '@hocuspocus/provider';
import type { Awareness } from 'y-protocols/awareness';
import * as Y from 'yjs';
import { ownConnection, pageConnection } from './connection.js';
import { keepHere } from './keepHere.js';
import { noteReadOnly, noteSaved, wasReadOnly } from './kept.js';
import { isRefusedWrite } from './messages.js';

/**
 * What is known of a document's changes: `saved` means the server has all of them on disk; `saving` that some are
 * on their way; `kept` that there is no connection and they wait on this device; `here` that they wait on this page alone,
 * because the device keeps nothing; `full` that the server takes no more;
 * `unkept` that it did not take what was written, because by then nothing was to be written.
 */
export type SavedState =
  'opening' | 'saved' | 'saving' | 'kept' | 'here' | 'full' | 'refused' | 'unkept';

export interface OpenDocument {
  doc: Y.Doc;
  awareness: Awareness | null;
  /** Resolves when the document can be worked with: from the server, or from this device. */
  ready: Promise<void>;
  savedState(): SavedState;
  /** Whether the server takes what is written here; without a connection, as it was when there was one. */
  access: () => 'write' | 'read';
  subscribe(listener: () => void): () => void;
  /** Says something to the server that is no part of the document; lost where there is no connection. */
  say: (message: string) => void;
  /** Told what the server says to everybody who has it open. */
  onTold(listener: (message: string) => void): () => void;
  /** Removes what this device has of it, before it is opened anew. */
  forget(): Promise<void>;
  close(): void;
}

/** With these the server closes one document and leaves the socket open. */
const RESET = 'Reset Connection';
const TOO_LARGE = 'too-large';
/** Why a document is not opened for this visitor, now or later. Whatever else is said is trouble that passes. */
const NOBODY = 4401;
const REFUSALS: readonly string[] = ['not-yours', 'no-such-document'];
/** Milliseconds before a device signs in again, so that a server in trouble is not asked without a pause. */
const BEFORE_AGAIN = 250;
const AFTER_TROUBLE = 1000;
/** Milliseconds that a change may wait for its acknowledgement before the server is asked what it has. */
const UNANSWERED = 6000;

/**
 * Opens a document over the one connection of this page, or one of its own. With `keepAs` it is kept on this device
 * under that name and can be worked on without a connection.
 */
export function openDocument(
  name: string,
  options: { keepAs?: string; hasOwnSocket?: boolean } = {},
): OpenDocument {
  const doc = new Y.Doc();
  // The server's own documents are written by nobody here: an older copy of one may hold more than it wants back.
  const isWritten = /^(deck|folio):/.test(name);
  const kept = options.keepAs ? keepHere(options.keepAs, doc, () => tell()) : null;
  const connection = options.hasOwnSocket ? ownConnection() : pageConnection();
  const listeners = new Set<() => void>();
  let isRefused = false;
  let refuse = (): void => undefined;
  let isFull = false;
  let isClosed = false;
  let hasOpened = false;
  let isReadOnly = options.keepAs !== undefined && wasReadOnly(options.keepAs);
  /** How often in a row the server has not taken what was written. */
  let untaken = 0;
  /** Something was written here that the server has not acknowledged. */
  let hasWritten = false;
  let wasSaved: boolean | null = null;
  const signInAgain = (): void => {
    if (connection.isAlive() && !isClosed) {
      void provider.sendToken().then(() => provider.startSync());
    }
  };
  const tell = (): void => {
    const state = savedState();
    if (state === 'saved') untaken = 0;
    if (state === 'saved') hasWritten = false;
    // A page that is left while it only looks on has nothing that the server lacks.
    const isSaved = hasWritten ? false : state === 'saved' ? true : null;
    if (options.keepAs && isSaved !== null && wasSaved !== isSaved) {
      wasSaved = isSaved;
      noteSaved(options.keepAs, isSaved);
    }
    listeners.forEach((listener) => listener());
  };
  doc.on('update', (_update: Uint8Array, origin: unknown) => {
    if (origin !== provider && !kept?.isFrom(origin)) hasWritten = true;
  });
  const provider = new HocuspocusProvider({
    websocketProvider: connection.socket,
    name,
    document: doc,
    token: 'cookie',
    // Who else is here is told in decks; in a lesson the desk knows.
    awareness: name.startsWith('deck:') ? undefined : null,
    onStatus: tell,
    onAuthenticated: ({ scope }) => {
      isReadOnly = scope === 'readonly';
      if (options.keepAs) noteReadOnly(options.keepAs, isReadOnly);
      tell();
    },
    onUnsyncedChanges: tell,
    onSynced: tell,
    onMessage: ({ event }) => {
      if (!isWritten || !isRefusedWrite(event.data as ArrayBuffer)) return;
      // Once more with all that is there: it may have been a moment in which nothing was taken.
      if (++untaken === 1) setTimeout(signInAgain, AFTER_TROUBLE);
      tell();
    },
    onClose: ({ event }) => {
      if (event.reason === TOO_LARGE) isFull = true;
      if (event.code === NOBODY) {
        isRefused = true;
        refuse();
      }
      // What this device may do has changed: it asks anew, over the socket that is still open.
      if (event.reason === RESET) setTimeout(signInAgain, BEFORE_AGAIN);
      tell();
    },
    onAuthenticationFailed: ({ reason }) => {
      if (REFUSALS.includes(reason)) isRefused = true;
      // A server or database in trouble: a socket on which one document failed does not ask for it again.
      else setTimeout(() => !isClosed && connection.restart(), AFTER_TROUBLE);
      tell();
    },
  });
  // What was on its way when the network faltered, signing in among it, may never be answered: after a while it is all
  // told anew.
  let waitsSince: number | null = null;
  const nudge = setInterval(() => {
    if (!isWritten || savedState() !== 'saving') waitsSince = null;
    else if (waitsSince === null) waitsSince = Date.now();
    else if (Date.now() - waitsSince > UNANSWERED) {
      waitsSince = Date.now();
      signInAgain();
    }
  }, 1000);
  const stopListening = connection.subscribe(tell);
  provider.attach();
  const ready = new Promise<void>((resolve, reject) => {
    const done = (): void => {
      hasOpened = true;
      tell();
      resolve();
    };
    provider.on('synced', done);
    refuse = () => reject(new Error('This is not yours to open.'));
    provider.on('authenticationFailed', () => isRefused && refuse());
    void kept?.whenLoaded.then(() => {
      if (Y.encodeStateVector(doc).length > 1) done();
    });
  });
  ready.catch(() => undefined);
  function savedState(): SavedState {
    if (isRefused) return 'refused';
    if (isFull) return 'full';
    if (!hasOpened) return 'opening';
    if (untaken > 1) return 'unkept';
    if (!connection.isAlive()) return kept?.isKeeping() === false ? 'here' : 'kept';
    return provider.hasUnsyncedChanges || !provider.isSynced ? 'saving' : 'saved';
  }
  return {
    doc,
    awareness: provider.awareness,
    ready,
    savedState,
    access: () => (isReadOnly ? 'read' : 'write'),
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    say: (message) => provider.sendStateless(message),
    onTold(listener) {
      const hear = ({ payload }: { payload: string }): void => listener(payload);
      provider.on('stateless', hear);
      return () => provider.off('stateless', hear);
    },
    async forget() {
      await kept?.clear();
    },
    close() {
      isClosed = true;
      clearInterval(nudge);
      stopListening();
      provider.destroy();
      if (options.hasOwnSocket) connection.close();
      kept?.close();
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

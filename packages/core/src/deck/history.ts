import * as Y from 'yjs';
import { headMaps, linksMap, slidesMap } from './document.js';
import { keptForOthers } from './othersWork.js';

/** What is being typed while its commands run: see `typed`. */
let typing: string | null = null;

/**
 * Runs the commands of one keystroke. Those of the same field gather into steps of undo by pauses, like words typed
 * into a text; `field` tells one field, and one visit to it, from another.
 */
export function typed<T>(field: string, change: () => T): T {
  typing = field;
  try {
    return change();
  } finally {
    typing = null;
  }
}

/** The origin of every transaction a command makes. */
export const COMMAND = 'command';
/** The origin of what follows from the step before by itself, and is taken back with it. */
export const AFTERWARDS = 'afterwards';

export interface History {
  undo(): void;
  redo(): void;
  canUndo(): boolean;
  canRedo(): boolean;
  subscribe(listener: () => void): () => void;
}

/** Later than any change: what comes now belongs to the step before, however long it takes. */
const EVER = Number.MAX_SAFE_INTEGER;

/**
 * Undo and redo of this editor's own changes; those of others stay, and with them what they have written in, though it was
 * made by what is undone. Each command is one step.
 * Typing arrives through `typed`, or with the origins given in `typingOrigins` and gathers into steps by pauses of half a second.
 * A history lives as long as its document.
 */
export function createHistory(doc: Y.Doc, typingOrigins: unknown[] = []): History {
  let kept = new Set<Y.Item>();
  const manager = new Y.UndoManager([slidesMap(doc), linksMap(doc), ...headMaps(doc)], {
    trackedOrigins: new Set([COMMAND, AFTERWARDS, ...typingOrigins]),
    captureTimeout: 500,
    deleteFilter: (item) => !kept.has(item),
  });
  const listeners = new Set<() => void>();
  /** Takes the last step of which anything may go; each goes by what others have done in it alone. */
  const step = (stack: Y.UndoManager['undoStack'], take: () => unknown): void => {
    for (let isTaken = false; !isTaken && stack.length > 0;) {
      const before = stack.splice(0, stack.length - 1);
      kept = keptForOthers(doc, stack[0]!.insertions);
      isTaken = take() !== null;
      stack.unshift(...before);
    }
    kept = new Set();
    for (const listener of listeners) listener();
  };
  let last: string | null = null;
  doc.on('beforeTransaction', ({ origin }: Y.Transaction) => {
    // However long ago the last step was: this belongs to it.
    if (origin === AFTERWARDS && manager.canUndo()) manager.lastChange = EVER;
    if (origin === COMMAND && (typing === null || typing !== last)) manager.stopCapturing();
  });
  doc.on('afterTransaction', ({ origin }: Y.Transaction) => {
    if (origin === AFTERWARDS && manager.lastChange === EVER) manager.lastChange = Date.now();
    if (origin !== COMMAND) return;
    last = typing;
    if (typing === null) manager.stopCapturing();
  });
  return {
    undo: () => step(manager.undoStack, () => manager.undo()),
    redo: () => step(manager.redoStack, () => manager.redo()),
    canUndo: () => manager.undoStack.length > 0,
    canRedo: () => manager.redoStack.length > 0,
    subscribe(listener) {
      listeners.add(listener);
      const events = ['stack-item-added', 'stack-cleared'] as const;
      for (const event of events) manager.on(event, listener);
      return () => {
        listeners.delete(listener);
        events.forEach((event) => manager.off(event, listener));
      };
    },
  };
}

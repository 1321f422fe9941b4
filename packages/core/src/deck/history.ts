import * as Y from 'yjs';
import { deckMap, linksMap, sectionsMap, setAsideMap, slidesMap, trailsMap } from './document.js';

/** The origin of every transaction a command makes. */
export const COMMAND = 'command';

export interface History {
  undo(): void;
  redo(): void;
  canUndo(): boolean;
  canRedo(): boolean;
  subscribe(listener: () => void): () => void;
}

/**
 * Undo and redo of this editor's own changes; those of others stay. Each command is one step.
 * Typing arrives with the origins given in `typingOrigins` and gathers into steps by pauses of half a second.
 * A history lives as long as its document.
 */
export function createHistory(doc: Y.Doc, typingOrigins: unknown[] = []): History {
  const scope = [slidesMap, linksMap, deckMap, sectionsMap, trailsMap, setAsideMap];
  const manager = new Y.UndoManager(
    scope.map((map) => map(doc)),
    { trackedOrigins: new Set([COMMAND, ...typingOrigins]), captureTimeout: 500 },
  );
  const part = (transaction: Y.Transaction): void => {
    if (transaction.origin === COMMAND) manager.stopCapturing();
  };
  doc.on('beforeTransaction', part);
  doc.on('afterTransaction', part);
  return {
    undo: () => void manager.undo(),
    redo: () => void manager.redo(),
    canUndo: () => manager.undoStack.length > 0,
    canRedo: () => manager.redoStack.length > 0,
    subscribe(listener) {
      const events = ['stack-item-added', 'stack-item-popped', 'stack-cleared'] as const;
      for (const event of events) manager.on(event, listener);
      return () => events.forEach((event) => manager.off(event, listener));
    },
  };
}

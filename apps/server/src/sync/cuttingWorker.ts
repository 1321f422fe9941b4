import { sure } from '@gobrel/core';
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';
import * as Y from 'yjs';
import { piecesOf } from './pieces.js';

/** A large update to be read and cut. */
export interface ToCut {
  update: Uint8Array;
  /** Changes that a piece brings at most. */
  most: number;
  /** What the document holds already, as a snapshot: an update that brings nothing new is not cut. */
  known: Uint8Array | null;
}

export interface Cut {
  /** How many it brings in all. */
  changes: number;
  isKnown: boolean;
  pieces: Uint8Array[];
}

// On Linux this is the thread's own: those who wait for nothing of this come first.
if (process.platform === 'linux') setPriority(10);

sure(parentPort, 'a worker has a parent').on(
  'message',
  ({ id, ...order }: ToCut & { id: number }) => {
    const cut = cutUp(order);
    const buffers = cut?.pieces.map(({ buffer }) => buffer as ArrayBuffer) ?? [];
    sure(parentPort, 'a worker has a parent').postMessage({ id, cut }, buffers);
  },
);

/** Null for what is no update. */
function cutUp({ update, most, known }: ToCut): Cut | null {
  try {
    const decoded = Y.decodeUpdate(update);
    const isKnown = known !== null && Y.snapshotContainsUpdate(Y.decodeSnapshot(known), update);
    return {
      changes: decoded.structs.length,
      isKnown,
      pieces: isKnown ? [] : [...piecesOf(decoded, most)],
    };
  } catch {
    return null;
  }
}

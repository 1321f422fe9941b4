import * as Y from 'yjs';
import { answering } from '../threads/answering.js';
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

answering(cutUp, (cut) => cut?.pieces.map(({ buffer }) => buffer as ArrayBuffer) ?? []);

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

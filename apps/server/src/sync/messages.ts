import * as decoding from 'lib0/decoding';
import { messageYjsSyncStep1, messageYjsSyncStep2, messageYjsUpdate } from 'y-protocols/sync';

/** The message types of Hocuspocus 3 that a client may send. */
const SYNC = 0;
const AWARENESS = 1;
const AUTH = 2;
const QUERY_AWARENESS = 3;
const SYNC_REPLY = 4;
/** Words beside the document. */
const STATELESS = 5;
const CLOSE = 7;
/** The one with which the server tells a device that its change is kept. */
const SYNC_STATUS = 8;

export type ClientMessage =
  | { kind: 'update'; update: Uint8Array; isCatchUp: boolean }
  | { kind: 'awareness' }
  /** For all of the document that it has not. */
  | { kind: 'asks' }
  /** Words that are no part of the document. */
  | { kind: 'says' }
  | { kind: 'other' }
  | { kind: 'forbidden' };

/** Reads a client's message as far as it matters for letting it through: document name, type, subtype, payload. */
export function readClientMessage(data: Uint8Array): ClientMessage {
  const decoder = decoding.createDecoder(data);
  decoding.readVarString(decoder);
  switch (decoding.readVarUint(decoder)) {
    case SYNC:
    case SYNC_REPLY: {
      const step = decoding.readVarUint(decoder);
      if (step === messageYjsSyncStep1) return { kind: 'asks' };
      if (step !== messageYjsSyncStep2 && step !== messageYjsUpdate) return { kind: 'forbidden' };
      return {
        kind: 'update',
        update: decoding.readVarUint8Array(decoder),
        isCatchUp: step === messageYjsSyncStep2,
      };
    }
    case AWARENESS:
      return { kind: 'awareness' };
    case STATELESS:
      return { kind: 'says' };
    case AUTH:
    case QUERY_AWARENESS:
    case CLOSE:
      return { kind: 'other' };
    default:
      return { kind: 'forbidden' };
  }
}

export function isAcknowledgement(data: Uint8Array): boolean {
  const decoder = decoding.createDecoder(data);
  decoding.readVarString(decoder);
  return decoding.readVarUint(decoder) === SYNC_STATUS;
}

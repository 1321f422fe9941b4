import {
  OutgoingMessage,
  type Connection,
  type beforeHandleMessagePayload,
} from '@hocuspocus/server';
import * as Y from 'yjs';
import { LONGEST_SAYING, SERVER_LIMITS } from '@gobrel/core';
import { parseDocumentName, type DocumentAccess, type Visitor } from '../access/AccessService.js';
import { SideThread } from '../threads/SideThread.js';
import type { Cut, ToCut } from './cuttingWorker.js';
import { isAcknowledgement, readClientMessage } from './messages.js';
import { SlowLane } from './SlowLane.js';
import { personOf, type SocketGuard } from './SocketGuard.js';
import type { UpdateStore } from './UpdateStore.js';

/** What is known of a connection from when it was let in. */
export interface LetIn {
  visitor: Visitor;
  access: DocumentAccess;
}

/** Bytes of a message that is taken a little at a time, and changes that are applied at once: a millisecond, or less. */
const LARGE = 20_000;
const CHANGES_AT_ONCE = 200;
/** Megabytes for what an update is while it is read: of the largest that a teacher may send. */
const CUTTING_MEMORY = 1000;

/**
 * What devices say of a document, looked through before it is applied: what is not understood or too much puts a device
 * out, what changes the document is on its way to disk, and is acknowledged when it is there.
 */
export class Intake {
  #bytes = new Map<string, number>();
  #held = new WeakSet<Connection>();
  /** Connections of which a large change is being taken. */
  #taking = new WeakMap<Connection, Promise<unknown>>();
  #slowly = new SlowLane();
  /** Reads large updates and cuts them up: reading leaves much for the collector of garbage. */
  #cutter: SideThread<ToCut, Cut | null>;

  constructor(
    private readonly store: UpdateStore,
    private readonly guard: SocketGuard,
    program: string,
  ) {
    this.#cutter = new SideThread({ file: program, memory: CUTTING_MEMORY, young: 4 });
  }

  /** So many bytes of a document are stored. */
  holds(documentName: string, bytes: number): void {
    this.#bytes.set(documentName, bytes);
  }

  forget(documentName: string): void {
    this.#bytes.delete(documentName);
  }

  close(): void {
    this.#cutter.close();
  }

  /** Messages of a device are taken in the order in which they came, also while a large one is being taken. */
  async take(payload: beforeHandleMessagePayload): Promise<void> {
    const { connection } = payload;
    for (let going; (going = this.#taking.get(connection));) await going;
    if (payload.update.length <= LARGE) return this.#look(payload);
    const taking = this.#takeLarge(payload).finally(() => this.#taking.delete(connection));
    this.#taking.set(connection, taking);
    if ((await taking) === 'done with') return doneWith();
  }

  /** Looks through a device's message before it is applied, and sends the update in it on its way to disk. */
  #look(payload: beforeHandleMessagePayload): Promise<void> {
    const { update: data, documentName, connection } = payload;
    const message = readClientMessage(data);
    if (message.kind === 'forbidden') return putOut(connection, 'not-understood');
    const kind = parseDocumentName(documentName)?.kind;
    if (!kind) return putOut(connection, 'not-understood');
    if (message.kind === 'awareness') {
      // In a lesson presence would be a line from every student to the whole class.
      const { bytes, devices } = SERVER_LIMITS.presence;
      const isFew = data.length <= bytes && connection.document.awareness.states.size <= devices;
      if (kind !== 'deck' || !isFew) return putOut(connection, 'not-understood');
      return Promise.resolve();
    }
    if (message.kind === 'says') {
      const { access } = payload.context as LetIn;
      const isHeard = access === 'steer' && data.length <= LONGEST_SAYING * 2;
      return isHeard ? Promise.resolve() : putOut(connection, 'not-understood');
    }
    if (message.kind === 'asks') {
      const whole = this.#bytes.get(documentName) ?? 0;
      return this.guard.mayAsk(connection.webSocket, whole);
    }
    if (message.kind !== 'update' || connection.readOnly) return Promise.resolve();
    const { update } = message;
    const decoded = decodedOf(update);
    if (!decoded) return putOut(connection, 'not-understood');
    if (!this.guard.mayChange(connection.webSocket, decoded.structs.length)) {
      return putOut(connection, 'too-large');
    }
    this.#acknowledgeWhenStored(connection);
    if (message.isCatchUp && isKnown(connection.document, update)) return Promise.resolve();
    if (!this.#hasRoom(documentName, update.length)) return putOut(connection, 'too-large');
    void this.store.append(documentName, update);
    return Promise.resolve();
  }

  /**
   * The same for a large change, which is also applied here, a little at a time: see `SlowLane`. `done with` when nothing
   * is left to be done about the message.
   */
  async #takeLarge(payload: beforeHandleMessagePayload): Promise<'done with' | 'look'> {
    const { update: data, documentName, connection } = payload;
    const { document } = connection;
    const message = readClientMessage(data);
    if (message.kind !== 'update' || connection.readOnly) {
      await this.#look(payload);
      return 'look';
    }
    const who = personOf((payload.context as LetIn).visitor);
    const step = <T>(work: () => T): Promise<T> => this.#slowly.step(who, work);
    const { update } = message;
    const known = message.isCatchUp
      ? await step(() => Y.encodeSnapshot(Y.snapshot(document)))
      : null;
    const cut = await this.#cutter.do(who, { update, most: CHANGES_AT_ONCE, known });
    if (!cut) return putOut(connection, 'not-understood');
    if (!this.guard.mayChange(connection.webSocket, cut.changes)) {
      return putOut(connection, 'too-large');
    }
    this.#acknowledgeWhenStored(connection);
    if (!cut.isKnown) {
      if (!this.#hasRoom(documentName, update.length)) return putOut(connection, 'too-large');
      for (const piece of cut.pieces) {
        // Held or ended meanwhile: no more of it is taken, and the device is told.
        const isTaken = await step(() => {
          if (connection.readOnly || !document.hasConnection(connection)) return false;
          void this.store.append(documentName, piece);
          Y.applyUpdate(document, piece, connection);
          return true;
        });
        if (!isTaken) return document.hasConnection(connection) ? 'look' : 'done with';
      }
    }
    connection.send(new OutgoingMessage(documentName).writeSyncStatus(true).toUint8Array());
    return 'done with';
  }

  /** Whether so many bytes more go into a document; they are counted. */
  #hasRoom(documentName: string, more: number): boolean {
    const kind = parseDocumentName(documentName)?.kind;
    const bytes = (this.#bytes.get(documentName) ?? 0) + more;
    if (!kind || bytes > SERVER_LIMITS.document[kind]) return false;
    this.#bytes.set(documentName, bytes);
    return true;
  }

  /**
   * From now on an acknowledgement waits until all that the document holds is on disk: also what another device
   * wrote, because this one may bring along a copy of that.
   */
  #acknowledgeWhenStored(connection: Connection): void {
    if (this.#held.has(connection)) return;
    this.#held.add(connection);
    const send = connection.send.bind(connection);
    connection.send = (message: Uint8Array): void => {
      const stored = isAcknowledgement(message)
        ? this.store.unstored(connection.document.name)
        : null;
      if (!stored) {
        send(message);
        return;
      }
      // A device that was put out meanwhile and signed in anew counts what is acknowledged from there on.
      void stored.then(() => connection.document.hasConnection(connection) && send(message));
    };
  }
}

function decodedOf(update: Uint8Array): ReturnType<typeof Y.decodeUpdate> | null {
  try {
    return Y.decodeUpdate(update);
  } catch {
    return null;
  }
}

const isKnown = (document: Y.Doc, update: Uint8Array): boolean =>
  Y.snapshotContainsUpdate(Y.snapshot(document), update);

/** A message whose handling waits for this is not handled further. */
const doneWith = (): Promise<never> => new Promise(() => undefined);

/** Hocuspocus closes the connection with this; an empty message keeps it out of the error log. */
export function refusal(reason: string): Error & { code: number; reason: string } {
  return Object.assign(new Error(''), { code: 4403, reason });
}

/**
 * Closes a document on a connection with what it is told. The message that it was for is dropped: Hocuspocus would write
 * a refusal that is thrown into the log, line by line, as often as somebody likes to be refused.
 */
function putOut(connection: Connection, reason: Parameters<typeof refusal>[0]): Promise<never> {
  const { code, reason: said } = refusal(reason);
  connection.close({ code, reason: said });
  return doneWith();
}

import type { Server as HttpServer, IncomingMessage } from 'node:http';
import type { Duplex } from 'node:stream';
import { Inject, Injectable, Logger, type BeforeApplicationShutdown } from '@nestjs/common';
import { Redis } from '@hocuspocus/extension-redis';
import {
  Hocuspocus,
  OutgoingMessage,
  type Connection,
  type beforeHandleMessagePayload,
  type Document,
  type Extension,
  type onAuthenticatePayload,
} from '@hocuspocus/server';
import { WebSocketServer } from 'ws';
import * as Y from 'yjs';
import { SERVER_LIMITS } from '@gobrel/core';
import { addressOf } from '../access/addressOf.js';
import {
  AccessService,
  parseDocumentName,
  type DocumentKind,
  type Visitor,
} from '../access/AccessService.js';
import { sessionsIn } from '../access/cookies.js';
import { isSameOrigin } from '../access/originCheck.js';
import { CONFIG, type Config } from '../config.js';
import { Cutter } from './Cutter.js';
import { isAcknowledgement, readClientMessage } from './messages.js';
import { Pulse } from './Pulse.js';
import { SlowLane } from './SlowLane.js';
import { personOf, SocketGuard } from './SocketGuard.js';
import { UpdateStore } from './UpdateStore.js';

/** Closes the socket of a visitor who is nobody: signed out, or never in. */
const NOBODY = 4401;

/** Bytes of a message that is taken a little at a time, and changes that are applied at once: about two milliseconds. */
const LARGE = 20_000;
const CHANGES_AT_ONCE = 1000;

/** What another module does for a kind of document: fill it, follow it, be told who comes and goes. */
export interface DocumentKeeper {
  kind: DocumentKind;
  /** Lesson and desk documents are made from rows; the others are loaded from the store before this is called. */
  onLoad?(id: string, doc: Document): Promise<void>;
  onUnload?(id: string, doc: Document): void;
  /** After changes have rested for two seconds, or ten at most. */
  onSettled?(id: string, doc: Document): Promise<void>;
  onPresence?(id: string, doc: Document): void;
}

/**
 * Hocuspocus in the same HTTP server: lets in, relays at once, acknowledges what is stored, hands documents to their
 * keepers. A device that has no acknowledgement sends the change again, so what a crash takes before it was stored
 * comes back.
 */
@Injectable()
export class SyncService implements BeforeApplicationShutdown {
  readonly hocuspocus: Hocuspocus;
  #keepers = new Map<DocumentKind, DocumentKeeper>();
  #bytes = new Map<string, number>();
  #held = new WeakSet<Connection>();
  /** Connections of which a large change is being taken. */
  #taking = new WeakMap<Connection, Promise<unknown>>();
  #slowly = new SlowLane();
  #cutter: Cutter;
  #pulse = new Pulse();
  #guard = new SocketGuard();
  #logger = new Logger('sync');
  #closing: Promise<void> | null = null;
  #sockets = socketsFor('student');
  #teacherSockets = socketsFor('teacher');

  constructor(
    @Inject(CONFIG) private readonly config: Config,
    private readonly access: AccessService,
    private readonly store: UpdateStore,
  ) {
    this.#cutter = new Cutter(config.cuttingWorker);
    const extensions: Extension[] = [];
    if (config.redisUrl) {
      const { hostname, port } = new URL(config.redisUrl);
      extensions.push(new Redis({ host: hostname, port: Number(port || 6379) }));
    }
    this.hocuspocus = new Hocuspocus({
      quiet: true,
      extensions,
      onAuthenticate: (payload) => this.#letIn(payload),
      onLoadDocument: ({ documentName, document }) => this.#load(documentName, document),
      beforeHandleMessage: (payload) => this.#take(payload),
      onStoreDocument: ({ documentName, document }) => this.#settled(documentName, document),
      connected: ({ documentName, connection }) => {
        this.#guard.opened(connection.webSocket, documentName);
        this.#presence(documentName, connection.document);
        return Promise.resolve();
      },
      onDisconnect: ({ documentName, document }) => {
        this.#presence(documentName, document);
        return Promise.resolve();
      },
      afterUnloadDocument: ({ documentName }) => {
        this.#bytes.delete(documentName);
        this.store.release(documentName);
        return Promise.resolve();
      },
      beforeUnloadDocument: ({ documentName, document }) => {
        const name = parseDocumentName(documentName);
        if (name) this.#keepers.get(name.kind)?.onUnload?.(name.id, document);
        return Promise.resolve();
      },
    });
  }

  keep(keeper: DocumentKeeper): void {
    this.#keepers.set(keeper.kind, keeper);
  }

  /** Takes socket upgrades on `/sync` from pages of this server. */
  attach(server: HttpServer): void {
    server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
      if (!request.url?.startsWith('/sync') || !isSameOrigin(request)) {
        socket.end('HTTP/1.1 403 Forbidden\r\n\r\n');
        return;
      }
      this.#upgrade(request, socket, head).catch(() => socket.destroy());
    });
  }

  async #upgrade(request: IncomingMessage, socket: Duplex, head: Buffer): Promise<void> {
    // Who hangs up while we look up who it is must not bring the server down.
    const hangUp = (): void => void socket.destroy();
    socket.on('error', hangUp);
    const visitor = await this.access.visitorOf(request.headers.cookie);
    if (socket.destroyed) return;
    const address = addressOf(request, this.config.proxies);
    if (!this.#guard.admits(visitor, address)) {
      socket.end('HTTP/1.1 429 Too Many Requests\r\n\r\n');
      return;
    }
    const sockets = visitor.teacher ? this.#teacherSockets : this.#sockets;
    sockets.handleUpgrade(request, socket, head, (webSocket) => {
      socket.off('error', hangUp);
      webSocket.on('error', () => webSocket.terminate());
      if (!personOf(visitor)) {
        webSocket.close(NOBODY, 'not-yours');
        webSocket.pause();
        setTimeout(() => webSocket.terminate(), 300).unref();
        return;
      }
      this.#pulse.follow(webSocket);
      this.#guard.follow(
        webSocket,
        visitor,
        address,
        sessionsIn(request.headers.cookie, this.config),
      );
      this.hocuspocus.handleConnection(webSocket, request);
    });
  }

  /** The live document if someone has it open, otherwise as stored. Not to be changed by the caller. */
  async read(name: string): Promise<Y.Doc> {
    const live = await (this.hocuspocus.loadingDocuments.get(name) ??
      this.hocuspocus.documents.get(name));
    return live ?? (await this.store.load(name)).doc;
  }

  /** The latest update of a document that is known to be stored: what is in memory holds at least all up to it. */
  storedUpTo(name: string): bigint {
    return this.store.latest(name);
  }

  /** Opens a document for as long as its keeper needs to look at it. */
  async visit(name: string): Promise<void> {
    const connection = await this.hocuspocus.openDirectConnection(name);
    await connection.disconnect();
  }

  /** Changes a document that is made from rows, here and on every other server. */
  async write(name: string, change: (doc: Y.Doc) => void): Promise<void> {
    const connection = await this.hocuspocus.openDirectConnection(name);
    await connection.transact(change);
    await connection.disconnect();
  }

  /**
   * From now on nothing more is taken into the document from its students' devices. Gives back what lets those
   * write again that could.
   */
  freeze(name: string): () => void {
    const document = this.hocuspocus.documents.get(name);
    const writers = (document?.getConnections() ?? []).filter(({ readOnly }) => !readOnly);
    for (const connection of writers) connection.readOnly = true;
    return () => {
      for (const connection of writers) connection.readOnly = false;
    };
  }

  /** Whatever somebody has open closes at once, and opens again as far as they may by now. */
  hangUpOn(person: { teacherId: string } | { folioId: string } | { session: string }): void {
    const key =
      'teacherId' in person
        ? `teacher:${person.teacherId}`
        : 'folioId' in person
          ? `student:${person.folioId}`
          : person.session;
    this.#guard.hangUpOn(key);
  }

  /** Its students' devices connect anew, and write again if they may by now. */
  reopen(name: string): void {
    this.hocuspocus.closeConnections(name);
  }

  /** Puts everyone out of a document and forgets all that is kept of it. */
  async forget(name: string): Promise<void> {
    this.hocuspocus.closeConnections(name);
    await this.store.remove(name);
  }

  async #letIn({
    documentName,
    requestHeaders,
    connectionConfig,
  }: onAuthenticatePayload): Promise<{ visitor: Visitor }> {
    const visitor = await this.access.visitorOf(requestHeaders.cookie);
    const access = await this.access.documentAccess(visitor, documentName);
    if (!access) throw refusal('not-yours');
    connectionConfig.readOnly = access === 'read';
    return { visitor };
  }

  async #load(documentName: string, document: Document): Promise<void> {
    const name = parseDocumentName(documentName);
    if (!name) throw refusal('no-such-document');
    try {
      if (name.kind === 'deck' || name.kind === 'folio') {
        const { bytes } = await this.store.load(documentName, document);
        this.#bytes.set(documentName, bytes);
      }
      await this.#keepers.get(name.kind)?.onLoad?.(name.id, document);
    } catch (error) {
      // Hocuspocus leaves it lying about, with a timer of its own.
      document.destroy();
      throw error;
    }
  }

  /** Messages of a device are taken in the order in which they came, also while a large one is being taken. */
  async #take(payload: beforeHandleMessagePayload): Promise<void> {
    const { connection } = payload;
    for (let going; (going = this.#taking.get(connection));) await going;
    if (payload.update.length <= LARGE) return this.#look(payload);
    const taking = this.#takeLarge(payload).finally(() => this.#taking.delete(connection));
    this.#taking.set(connection, taking);
    if ((await taking) === 'done with') return doneWith();
  }

  /** Looks through a device's message before it is applied, and sends the update in it on its way to disk. */
  #look({ update: data, documentName, connection }: beforeHandleMessagePayload): Promise<void> {
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
    if (message.kind === 'asks') {
      const whole = this.#bytes.get(documentName) ?? 0;
      return this.#guard.mayAsk(connection.webSocket, whole);
    }
    if (message.kind !== 'update' || connection.readOnly) return Promise.resolve();
    const { update } = message;
    const decoded = decodedOf(update);
    if (!decoded) return putOut(connection, 'not-understood');
    if (!this.#guard.mayChange(connection.webSocket, decoded.structs.length)) {
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
    const who = personOf((payload.context as { visitor: Visitor }).visitor);
    const step = <T>(work: () => T): Promise<T> => this.#slowly.step(who, work);
    const { update } = message;
    const known = message.isCatchUp
      ? await step(() => Y.encodeSnapshot(Y.snapshot(document)))
      : null;
    const cut = await this.#cutter.cut(who, { update, most: CHANGES_AT_ONCE, known });
    if (!cut) return putOut(connection, 'not-understood');
    if (!this.#guard.mayChange(connection.webSocket, cut.changes)) {
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

  async #settled(documentName: string, document: Document): Promise<void> {
    const name = parseDocumentName(documentName);
    if (!name) return;
    try {
      await this.#keepers.get(name.kind)?.onSettled?.(name.id, document);
      if (name.kind === 'deck' || name.kind === 'folio') await this.store.compact(documentName);
    } catch (error) {
      // All that the document holds is stored as updates; it is folded, and looked at, the next time.
      this.#logger.error(`${documentName}: ${String(error)}`);
    }
  }

  #presence(documentName: string, document: Document): void {
    const name = parseDocumentName(documentName);
    if (name) this.#keepers.get(name.kind)?.onPresence?.(name.id, document);
  }

  /** Puts everyone out, and resolves when all that they left behind is written. */
  close(): Promise<void> {
    this.#closing ??= this.#close();
    return this.#closing;
  }

  async #close(): Promise<void> {
    this.#pulse.stop();
    this.hocuspocus.closeConnections();
    for (const sockets of [this.#sockets, this.#teacherSockets]) {
      for (const socket of sockets.clients) socket.terminate();
      sockets.close();
    }
    const { debouncer, documents } = this.hocuspocus;
    const isSettling = (): boolean =>
      [...documents.keys()].some((name) => {
        const id = `onStoreDocument-${name}`;
        return debouncer.isDebounced(id) || debouncer.isCurrentlyExecuting(id);
      });
    const patience = Date.now() + 5000;
    while (isSettling() && Date.now() < patience) {
      for (const name of documents.keys()) {
        const id = `onStoreDocument-${name}`;
        if (debouncer.isDebounced(id)) void debouncer.executeNow(id);
      }
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    await Promise.race([
      this.store.drained(),
      new Promise((resolve) => setTimeout(resolve, Math.max(1000, patience - Date.now())).unref()),
    ]);
    this.#cutter.close();
  }

  /** Before the HTTP server closes, which waits for its sockets, and before the database does. */
  beforeApplicationShutdown(): Promise<void> {
    return this.close();
  }
}

/** Of each socket one message in a turn of the event loop: what another says is heard in between. */
const socketsFor = (who: 'student' | 'teacher'): WebSocketServer =>
  new WebSocketServer({
    noServer: true,
    maxPayload: SERVER_LIMITS.message[who],
    allowSynchronousEvents: false,
  });

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
function refusal(reason: string): Error & { code: number; reason: string } {
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

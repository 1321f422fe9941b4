import type { Server as HttpServer, IncomingMessage } from 'node:http';
import type { Duplex } from 'node:stream';
import { Inject, Injectable, Logger, type BeforeApplicationShutdown } from '@nestjs/common';
import { Redis } from '@hocuspocus/extension-redis';
import {
  Hocuspocus,
  type Document,
  type Extension,
  type onAuthenticatePayload,
} from '@hocuspocus/server';
import { WebSocketServer } from 'ws';
import type * as Y from 'yjs';
import { SERVER_LIMITS } from '@gobrel/core';
import { addressOf } from '../access/addressOf.js';
import { AccessService, parseDocumentName, type DocumentKind } from '../access/AccessService.js';
import { sessionsIn } from '../access/cookies.js';
import { isSameOrigin } from '../access/originCheck.js';
import { CONFIG, type Config } from '../config.js';
import { Intake, refusal, type LetIn } from './Intake.js';
import { Pulse } from './Pulse.js';
import { personOf, SocketGuard } from './SocketGuard.js';
import { UpdateStore } from './UpdateStore.js';

/** Closes the socket of a visitor who is nobody: signed out, or never in. */
const NOBODY = 4401;

/** What another module does for a kind of document: fill it, follow it, be told who comes and goes. */
export interface DocumentKeeper {
  kind: DocumentKind;
  /** Lesson and desk documents are made from rows; the others are loaded from the store before this is called. */
  onLoad?(id: string, doc: Document): Promise<void>;
  onUnload?(id: string, doc: Document): void;
  /** After changes have rested for two seconds, or ten at most. */
  onSettled?(id: string, doc: Document): Promise<void>;
  onPresence?(id: string, doc: Document): void;
  /** What somebody says who may steer it. */
  onSaid?(id: string, doc: Document, words: string): void;
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
  #pulse = new Pulse();
  #guard = new SocketGuard();
  #logger = new Logger('sync');
  #intake: Intake;
  #closing: Promise<void> | null = null;
  #sockets = socketsFor('student');
  #teacherSockets = socketsFor('teacher');

  constructor(
    @Inject(CONFIG) private readonly config: Config,
    private readonly access: AccessService,
    private readonly store: UpdateStore,
  ) {
    this.#intake = new Intake(store, this.#guard, config.cuttingWorker);
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
      beforeHandleMessage: (payload) => this.#intake.take(payload),
      onStoreDocument: ({ documentName, document }) => this.#settled(documentName, document),
      connected: ({ documentName, connection }) => {
        this.#guard.opened(connection.webSocket, documentName);
        this.#presence(documentName, connection.document);
        return Promise.resolve();
      },
      onStateless: ({ documentName, document, payload }) => {
        const name = parseDocumentName(documentName);
        if (name) this.#keepers.get(name.kind)?.onSaid?.(name.id, document, payload);
        return Promise.resolve();
      },
      onDisconnect: ({ documentName, document }) => {
        this.#presence(documentName, document);
        return Promise.resolve();
      },
      afterUnloadDocument: ({ documentName }) => {
        this.#intake.forget(documentName);
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
  hangUpOn(
    person:
      { teacherId: string } | { folioId: string } | { session: string } | { remotesOf: string },
  ): void {
    const key =
      'teacherId' in person
        ? `teacher:${person.teacherId}`
        : 'folioId' in person
          ? `student:${person.folioId}`
          : 'remotesOf' in person
            ? `remotes:${person.remotesOf}`
            : person.session;
    this.#guard.hangUpOn(key);
  }

  /** Says something to everybody who has the document open on this server. */
  tell(name: string, message: string): void {
    this.hocuspocus.documents.get(name)?.broadcastStateless(message);
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
  }: onAuthenticatePayload): Promise<LetIn> {
    const visitor = await this.access.visitorOf(requestHeaders.cookie);
    const access = await this.access.documentAccess(visitor, documentName);
    if (!access) throw refusal('not-yours');
    connectionConfig.readOnly = access !== 'write';
    return { visitor, access };
  }

  async #load(documentName: string, document: Document): Promise<void> {
    const name = parseDocumentName(documentName);
    if (!name) throw refusal('no-such-document');
    try {
      if (name.kind === 'deck' || name.kind === 'folio') {
        const { bytes } = await this.store.load(documentName, document);
        this.#intake.holds(documentName, bytes);
      }
      await this.#keepers.get(name.kind)?.onLoad?.(name.id, document);
    } catch (error) {
      // Hocuspocus leaves it lying about, with a timer of its own.
      document.destroy();
      throw error;
    }
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
    this.#intake.close();
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

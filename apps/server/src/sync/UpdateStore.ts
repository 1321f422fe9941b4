import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import * as Y from 'yjs';

interface Waiting {
  name: string;
  data: Uint8Array;
  resolve: () => void;
  reject: (error: unknown) => void;
}

/** Updates a document gathers before they are folded into its state. */
const COMPACT_AFTER = 200;

/** One INSERT may wait for the disk while the next is on its way; they share the disk's turn. */
const MOST_IN_FLIGHT = 2;

/**
 * Yjs updates in PostgreSQL. One queue for all documents: while INSERTs are under way the next updates gather, and go
 * as one multi-row INSERT with one commit. An append resolves once its rows are on disk. Two updates of one document
 * may come to lie in another order than they came: Yjs holds an update until those it builds on are there.
 */
@Injectable()
export class UpdateStore {
  #waiting: Waiting[] = [];
  #inFlight = new Set<Promise<void>>();
  #counts = new Map<string, number>();

  constructor(private readonly database: DataSource) {}

  append(name: string, data: Uint8Array): Promise<void> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ name, data, resolve, reject });
      this.#pump();
    });
  }

  #pump(): void {
    while (this.#inFlight.size < MOST_IN_FLIGHT && this.#waiting.length > 0) {
      const batch = this.#waiting;
      this.#waiting = [];
      const inserting = this.#insert(batch).finally(() => {
        this.#inFlight.delete(inserting);
        this.#pump();
      });
      this.#inFlight.add(inserting);
    }
  }

  async #insert(batch: Waiting[]): Promise<void> {
    try {
      await this.database.query(
        'INSERT INTO doc_update (name, data) SELECT * FROM unnest($1::text[], $2::bytea[])',
        [batch.map((entry) => entry.name), batch.map((entry) => Buffer.from(entry.data))],
      );
    } catch (error) {
      for (const entry of batch) entry.reject(error);
      return;
    }
    for (const { name, resolve } of batch) {
      this.#counts.set(name, (this.#counts.get(name) ?? 0) + 1);
      resolve();
    }
  }

  /** The document as stored; empty when there is nothing. Bytes is what it takes up as stored. */
  async load(name: string, into = new Y.Doc()): Promise<{ doc: Y.Doc; bytes: number }> {
    const [state, updates] = await Promise.all([
      this.database.query<{ data: Buffer }[]>('SELECT data FROM doc_state WHERE name = $1', [name]),
      this.database.query<{ data: Buffer }[]>(
        'SELECT data FROM doc_update WHERE name = $1 ORDER BY id',
        [name],
      ),
    ]);
    this.#counts.set(name, updates.length);
    let bytes = 0;
    into.transact(() => {
      for (const { data } of [...state, ...updates]) {
        bytes += data.length;
        Y.applyUpdate(into, data);
      }
    });
    return { doc: into, bytes };
  }

  /** Puts a whole document under a name, as one update. */
  async save(name: string, doc: Y.Doc): Promise<void> {
    await this.append(name, Y.encodeStateAsUpdate(doc));
  }

  async remove(name: string): Promise<void> {
    await this.database.query('DELETE FROM doc_update WHERE name = $1', [name]);
    await this.database.query('DELETE FROM doc_state WHERE name = $1', [name]);
  }

  /**
   * Folds the updates stored so far into one state, when there are many. Works on what is stored and not on what is
   * in memory: an update may be stored and not yet applied.
   */
  async compact(name: string, atLeast = COMPACT_AFTER): Promise<boolean> {
    if ((this.#counts.get(name) ?? 0) < atLeast) return false;
    await this.database.transaction(async (rows) => {
      await rows.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [name]);
      const updates = await rows.query<{ id: string; data: Buffer }[]>(
        'SELECT id, data FROM doc_update WHERE name = $1 ORDER BY id',
        [name],
      );
      const states = await rows.query<{ data: Buffer }[]>(
        'SELECT data FROM doc_state WHERE name = $1',
        [name],
      );
      const doc = new Y.Doc();
      doc.transact(() => {
        for (const { data } of [...states, ...updates]) Y.applyUpdate(doc, data);
      });
      await rows.query(
        `INSERT INTO doc_state (name, data) VALUES ($1, $2)
         ON CONFLICT (name) DO UPDATE SET data = excluded.data`,
        [name, Buffer.from(Y.encodeStateAsUpdate(doc))],
      );
      await rows.query('DELETE FROM doc_update WHERE id = ANY($1::bigint[])', [
        updates.map((update) => update.id),
      ]);
    });
    this.#counts.set(name, 0);
    return true;
  }

  /** Resolves when nothing waits to be written. */
  async drained(): Promise<void> {
    while (this.#inFlight.size > 0) await Promise.all(this.#inFlight);
  }
}

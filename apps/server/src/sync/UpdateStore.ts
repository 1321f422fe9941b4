import { Injectable, Logger } from '@nestjs/common';
import { DataSource } from 'typeorm';
import * as Y from 'yjs';
import { forgetUses, noteAllUses, noteUses, hashesIn } from '../assets/uses.js';
import { big, bytes, moment, rowsOf, text, type RowOf, type Rows } from '../database/rows.js';

interface Waiting {
  name: string;
  data: Uint8Array;
  resolve: () => void;
}

/** Updates a document gathers before they are folded into its state. */
const COMPACT_AFTER = 200;

/**
 * Milliseconds that updates gather before the next INSERT when the last one brought several: nobody but an
 * acknowledgement waits for them, and fewer statements leave the processor to those who pass changes on.
 */
const GATHER = 15;

/** Milliseconds before an INSERT that failed is tried again: first, and at most. */
const RETRY = { first: 100, most: 2000 };

/**
 * Yjs updates in PostgreSQL. One queue for all documents: while an INSERT is under way the next updates gather, and go
 * as one multi-row INSERT with one commit. An append resolves once its rows are on disk; it is tried until they are,
 * so that what a document in memory holds is either stored or still on its way. It is SQL all along, since nothing is
 * acknowledged before it.
 */
@Injectable()
export class UpdateStore {
  #logger = new Logger('store');
  #waiting: Waiting[] = [];
  #running: Promise<void> | null = null;
  #unstored = new Map<string, Promise<void>>();
  #counts = new Map<string, number>();
  /** The latest stored update of each document that was loaded or written here. */
  #latest = new Map<string, bigint>();

  constructor(private readonly database: DataSource) {}

  append(name: string, data: Uint8Array): Promise<void> {
    const earlier = this.#unstored.get(name);
    const stored = new Promise<void>((resolve) => this.#waiting.push({ name, data, resolve }));
    const all = Promise.all([earlier, stored]).then(() => {
      if (this.#unstored.get(name) === all) this.#unstored.delete(name);
    });
    this.#unstored.set(name, all);
    this.#running ??= this.#run();
    return stored;
  }

  /** Resolves when all that was appended to the document so far is on disk; null when it is already. */
  unstored(name: string): Promise<void> | null {
    return this.#unstored.get(name) ?? null;
  }

  async #run(): Promise<void> {
    while (this.#waiting.length > 0) {
      const batch = this.#waiting;
      this.#waiting = [];
      await this.#insert(batch);
      if (batch.length > 1) await new Promise((resolve) => setTimeout(resolve, GATHER));
    }
    this.#running = null;
  }

  async #insert(batch: Waiting[]): Promise<void> {
    for (let pause = RETRY.first; ; pause = Math.min(pause * 2, RETRY.most)) {
      try {
        const stored = await this.#write(batch);
        for (const { id, name } of stored) this.#follow(name, id);
        break;
      } catch (error) {
        this.#logger.error(error instanceof Error ? error.message : String(error));
        await new Promise((resolve) => setTimeout(resolve, pause).unref());
      }
    }
    for (const { name, resolve } of batch) {
      this.#counts.set(name, (this.#counts.get(name) ?? 0) + 1);
      resolve();
    }
  }

  /** What uses a picture is told of with it, or not stored yet: a picture that nothing is known to use goes after a while. */
  async #write(batch: readonly Waiting[]): Promise<Stored[]> {
    const uses = batch.flatMap(({ name, data }) => hashesIn(data).map((hash) => ({ hash, name })));
    const large = batch.filter(({ data }) => data.length > LARGE);
    if (uses.length === 0 && large.length === 0) return insertMany(this.database, batch);
    return this.database.transaction(async (rows) => {
      await noteUses(rows, uses);
      const small = batch.filter(({ data }) => data.length <= LARGE);
      const stored = small.length > 0 ? await insertMany(rows, small) : [];
      for (const one of large) stored.push(...(await insertOne(rows, one)));
      return stored;
    });
  }

  #follow(name: string, id: bigint): void {
    if (id > this.latest(name)) this.#latest.set(name, id);
  }

  /** The latest update of a document that this process knows to be stored; zero for none. */
  latest(name: string): bigint {
    return this.#latest.get(name) ?? 0n;
  }

  /** A document that nobody has open any more is not followed. */
  release(name: string): void {
    if (this.#unstored.has(name)) return;
    this.#counts.delete(name);
    this.#latest.delete(name);
  }

  /** The document as stored; empty when there is nothing. Bytes is what it takes up as stored. */
  async load(name: string, into = new Y.Doc()): Promise<{ doc: Y.Doc; bytes: number }> {
    await this.unstored(name);
    const [state, updates] = await Promise.all([
      rowsOf(
        this.database,
        { id: big, data: bytes },
        'SELECT up_to AS id, data FROM doc_state WHERE name = $1',
        [name],
      ),
      rowsOf(
        this.database,
        { id: big, data: bytes },
        'SELECT id, data FROM doc_update WHERE name = $1 ORDER BY id',
        [name],
      ),
    ]);
    this.#counts.set(name, updates.length);
    for (const { id } of [...state, ...updates]) this.#follow(name, id);
    let size = 0;
    into.transact(() => {
      for (const { data } of [...state, ...updates]) {
        size += data.length;
        Y.applyUpdate(into, data);
      }
    });
    return { doc: into, bytes: size };
  }

  /** Puts a whole document under a name, as one update. */
  async save(name: string, doc: Y.Doc): Promise<void> {
    await this.append(name, Y.encodeStateAsUpdate(doc));
  }

  async remove(name: string): Promise<void> {
    await this.database.query('DELETE FROM doc_update WHERE name = $1', [name]);
    await this.database.query('DELETE FROM doc_state WHERE name = $1', [name]);
    await forgetUses(this.database, name);
  }

  /**
   * Folds the updates stored so far into one state, when there are many. Works on what is stored and not on what is
   * in memory, which may be ahead.
   */
  async compact(name: string, atLeast = COMPACT_AFTER): Promise<boolean> {
    if ((this.#counts.get(name) ?? 0) < atLeast) return false;
    await this.database.transaction(async (rows) => {
      await rows.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [name]);
      const updates = await rowsOf(
        rows,
        { id: big, data: bytes, received_at: moment },
        'SELECT id, data, received_at FROM doc_update WHERE name = $1 ORDER BY id',
        [name],
      );
      const last = updates.at(-1);
      if (!last) return;
      const states = await rowsOf(
        rows,
        { data: bytes },
        'SELECT data FROM doc_state WHERE name = $1',
        [name],
      );
      const doc = new Y.Doc();
      doc.transact(() => {
        for (const { data } of [...states, ...updates]) Y.applyUpdate(doc, data);
      });
      const state = Buffer.from(Y.encodeStateAsUpdate(doc));
      await rows.query(
        `INSERT INTO doc_state (name, data, up_to, received_at) VALUES ($1, $2, $3, $4)
         ON CONFLICT (name) DO UPDATE SET data = excluded.data, up_to = excluded.up_to, received_at = excluded.received_at`,
        [name, state, String(last.id), last.received_at],
      );
      await noteAllUses(rows, name, hashesIn(state));
      await rows.query('DELETE FROM doc_update WHERE id = ANY($1::bigint[])', [
        updates.map((update) => String(update.id)),
      ]);
    });
    this.#counts.set(name, 0);
    return true;
  }

  /** Resolves when nothing waits to be written. */
  async drained(): Promise<void> {
    while (this.#running) await this.#running;
  }
}

const STORED = { id: big, name: text };
type Stored = RowOf<typeof STORED>;

/** Bytes above which an update is sent alone, as bytes: in a list each byte is written as two letters first. */
const LARGE = 16_000;

const insertMany = (
  rows: Rows,
  batch: readonly Pick<Waiting, 'name' | 'data'>[],
): Promise<Stored[]> =>
  rowsOf(
    rows,
    STORED,
    'INSERT INTO doc_update (name, data) SELECT * FROM unnest($1::text[], $2::bytea[]) RETURNING id, name',
    [batch.map(({ name }) => name), batch.map(({ data }) => Buffer.from(data))],
  );

const insertOne = (rows: Rows, { name, data }: Pick<Waiting, 'name' | 'data'>): Promise<Stored[]> =>
  rowsOf(rows, STORED, 'INSERT INTO doc_update (name, data) VALUES ($1, $2) RETURNING id, name', [
    name,
    Buffer.from(data),
  ]);

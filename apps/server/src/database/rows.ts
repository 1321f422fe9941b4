import type { Id } from '@gobrel/core';
import type { EntityManager } from 'typeorm';

/**
 * Rows of statements that are written as SQL. What a column holds is read by a decoder of its own, so that what the
 * database hands out is what the code believes: a value of another type is an error that names the column.
 */

/** A data source, or a transaction of it. */
export type Rows = Pick<EntityManager, 'query'>;

/** Reads one value as the driver gives it; undefined when it is of another type. */
export type Decoder<T> = (value: unknown) => T | undefined;
type Columns = Readonly<Record<string, Decoder<unknown>>>;
export type RowOf<C extends Columns> = {
  -readonly [Name in keyof C]: Exclude<ReturnType<C[Name]>, undefined>;
};

/** `text`, `uuid`. */
export const text: Decoder<string> = (value) => (typeof value === 'string' ? value : undefined);
/** `text` or `uuid` that is the id of something: this server wrote it from one. */
export const id = <T extends Id<string>>(): Decoder<T> => text as Decoder<T>;
/** `int`, `real`; a `count` only when it is cast to `int`. */
export const number: Decoder<number> = (value) => (typeof value === 'number' ? value : undefined);
/** `bigint`, which the driver tells as text. */
export const big: Decoder<bigint> = (value) =>
  typeof value === 'string' && /^-?\d+$/.test(value) ? BigInt(value) : undefined;
/** `boolean`. */
export const flag: Decoder<boolean> = (value) => (typeof value === 'boolean' ? value : undefined);
/** `timestamptz`. */
export const moment: Decoder<Date> = (value) => (value instanceof Date ? value : undefined);
/** `bytea`. */
export const bytes: Decoder<Buffer> = (value) => (Buffer.isBuffer(value) ? value : undefined);

export const orNull =
  <T>(decode: Decoder<T>): Decoder<T | null> =>
  (value) =>
    value === null ? null : decode(value);

/** An array of the database, not of JSON. */
export const listOf =
  <T>(decode: Decoder<T>): Decoder<T[]> =>
  (value) => {
    if (!Array.isArray(value)) return undefined;
    const all = value.map(decode);
    return all.every((one) => one !== undefined) ? all : undefined;
  };

export const oneOf =
  <T extends string>(words: readonly T[]): Decoder<T> =>
  (value) =>
    words.find((word) => word === value);

/** `jsonb` that is read by a decoder of the core, which takes whatever comes. */
export const readBy =
  <T>(decode: (value: unknown) => T): Decoder<T> =>
  (value) =>
    decode(value);

/**
 * `jsonb` that this server wrote itself from what it had decoded before: only that it is a list or an object is looked
 * at. For what is read often and may be large, as editions are.
 */
export const written =
  <T extends object>(): Decoder<T> =>
  (value) =>
    typeof value === 'object' && value !== null ? (value as T) : undefined;

/** The rows of a SELECT, or those that a change returns. */
export async function rowsOf<C extends Columns>(
  rows: Rows,
  columns: C,
  statement: string,
  given: readonly unknown[] = [],
): Promise<RowOf<C>[]> {
  const entries = Object.entries(columns);
  return (await answer(rows, statement, given)).map((row) => {
    const read: Record<string, unknown> = {};
    for (const [name, decode] of entries) {
      const value = decode(row[name]);
      if (value === undefined) throw new Error(`The database tells something else as “${name}”.`);
      read[name] = value;
    }
    return read as RowOf<C>;
  });
}

/** The first row; null when there is none. */
export async function rowOf<C extends Columns>(
  rows: Rows,
  columns: C,
  statement: string,
  given: readonly unknown[] = [],
): Promise<RowOf<C> | null> {
  return (await rowsOf(rows, columns, statement, given))[0] ?? null;
}

/** The row of a statement that always has one, as those that count do. */
export async function theRow<C extends Columns>(
  rows: Rows,
  columns: C,
  statement: string,
  given: readonly unknown[] = [],
): Promise<RowOf<C>> {
  const row = await rowOf(rows, columns, statement, given);
  if (!row) throw new Error('The database answers with no row.');
  return row;
}

/** Whether a SELECT finds anything, or a change with RETURNING met any row. */
export async function isAny(
  rows: Rows,
  statement: string,
  given: readonly unknown[] = [],
): Promise<boolean> {
  return (await answer(rows, statement, given)).length > 0;
}

/** TypeORM gives rows for SELECT and INSERT, and rows with their number for UPDATE and DELETE. */
async function answer(
  rows: Rows,
  statement: string,
  given: readonly unknown[],
): Promise<Record<string, unknown>[]> {
  const told: unknown = await rows.query(statement, [...given]);
  const list = Array.isArray(told) ? (told as unknown[]) : [];
  return (Array.isArray(list[0]) ? list[0] : list) as Record<string, unknown>[];
}

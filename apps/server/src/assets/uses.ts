import type { Rows } from '../database/rows.js';

/**
 * Which documents and rows use a picture, a sound or a file, so that it is given to those who may read one of them, and
 * goes when there is none. Uses are read off the bytes that are stored: each is named by 64 hexadecimal digits, and
 * whatever names it uses it.
 *
 *   deck:<id>  folio:<id>  folio:<id>#<attempt>  edition:<id>  edition:<id>#student  starter:<id>
 *   by:teacher:<id>  by:folio:<id>   who brought it, while nothing uses it yet
 */
export interface Use {
  hash: string;
  name: string;
}

/** Digits of a name. */
const DIGITS = 64;

/**
 * The names of pictures, sounds and files in a document, as stored, or a JSON text, each once: of every run of lower-case
 * hexadecimal digits the first 64. What follows in a document may be any byte.
 */
export function hashesIn(stored: Uint8Array | string): string[] {
  const bytes = typeof stored === 'string' ? Buffer.from(stored, 'utf8') : stored;
  const found = new Set<string>();
  // Looked at from the end of where a name could be: mostly one byte says that none is.
  for (let from = 0; from + DIGITS <= bytes.length;) {
    let at = from + DIGITS - 1;
    while (at >= from && isDigit(bytes[at]!)) at--;
    if (at < from) {
      found.add(Buffer.from(bytes.subarray(from, from + DIGITS)).toString('latin1'));
      at = from + DIGITS;
      while (at < bytes.length && isDigit(bytes[at]!)) at++;
    }
    from = at + 1;
  }
  return [...found];
}

/** 0-9, a-f. */
const isDigit = (byte: number): boolean =>
  (byte >= 48 && byte <= 57) || (byte >= 97 && byte <= 102);

/** The tables of what is named by its contents: pictures, sounds and videos, files that a deck links to. */
const KEPT_IN = ['asset', 'media', 'file'] as const;

/** How long something that nothing uses is kept: it may be in somebody's clipboard, or come back by an undo. */
const GRACE = '7 days';

/** Lets go of what nothing uses any more, and of what gone editions and starters used. */
export async function letGo(rows: Rows): Promise<void> {
  await rows.query(
    `DELETE FROM asset_use u WHERE
       (u.name LIKE 'edition:%' AND NOT EXISTS (SELECT 1 FROM edition e WHERE 'edition:' || e.id = split_part(u.name, '#', 1))) OR
       (u.name LIKE 'starter:%' AND NOT EXISTS (SELECT 1 FROM starter s WHERE 'starter:' || s.id = u.name))`,
  );
  for (const table of KEPT_IN) {
    await rows.query(
      `WITH gone AS (
         DELETE FROM ${table} k WHERE k.created_at < now() - interval '${GRACE}' AND NOT EXISTS
           (SELECT 1 FROM asset_use u WHERE u.hash = k.hash AND u.name NOT LIKE 'by:%') RETURNING hash)
       DELETE FROM asset_use u USING gone WHERE u.hash = gone.hash`,
    );
  }
}

/** Notes uses of what is there. */
export async function noteUses(rows: Rows, uses: readonly Use[]): Promise<void> {
  if (uses.length === 0) return;
  await rows.query(
    `INSERT INTO asset_use (hash, name)
     SELECT DISTINCT used.hash, used.name FROM unnest($1::text[], $2::text[]) AS used (hash, name)
     WHERE ${KEPT_IN.map((table) => `EXISTS (SELECT 1 FROM ${table} k WHERE k.hash = used.hash)`).join(' OR ')}
     ON CONFLICT DO NOTHING`,
    [uses.map(({ hash }) => hash), uses.map(({ name }) => name)],
  );
}

/** Notes what something uses by now: what it used before and does not any more is let go. */
export async function noteAllUses(rows: Rows, name: string, hashes: string[]): Promise<void> {
  await rows.query('DELETE FROM asset_use WHERE name = $1 AND hash <> ALL($2::text[])', [
    name,
    hashes,
  ]);
  await noteUses(
    rows,
    hashes.map((hash) => ({ hash, name })),
  );
}

/** Something is gone, and all that was kept under its name. */
export const forgetUses = (rows: Rows, name: string): Promise<unknown> =>
  rows.query(`DELETE FROM asset_use WHERE name = $1 OR name LIKE $1 || '#%'`, [name]);

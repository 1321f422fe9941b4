import type { EntityManager } from 'typeorm';

/**
 * Which documents and rows use a picture, so that it is shown to those who may read one of them, and goes when there is
 * none. Uses are read off the bytes that are stored: a picture is named by 64 hexadecimal digits, and whatever names it
 * uses it.
 *
 *   deck:<id>  folio:<id>  folio:<id>#<attempt>  edition:<id>  edition:<id>#student  starter:<id>
 *   by:teacher:<id>  by:folio:<id>   who brought it, while nothing uses it yet
 */
export interface PictureUse {
  hash: string;
  name: string;
}

/** What follows in a document may be any byte. */
const HASH = /(?<![0-9a-f])[0-9a-f]{64}/g;
const SHORTEST = 64;

/** The pictures that a document, as stored, or a JSON text names, each once. */
export function picturesIn(stored: Uint8Array | string): string[] {
  if (stored.length < SHORTEST) return [];
  const text =
    typeof stored === 'string'
      ? stored
      : Buffer.from(stored.buffer, stored.byteOffset, stored.byteLength).toString('latin1');
  return [...new Set(text.match(HASH))];
}

type Rows = Pick<EntityManager, 'query'>;

/** Notes uses of pictures that are there. */
export async function noteUses(rows: Rows, uses: readonly PictureUse[]): Promise<void> {
  if (uses.length === 0) return;
  await rows.query(
    `INSERT INTO asset_use (hash, name)
     SELECT DISTINCT a.hash, used.name FROM unnest($1::text[], $2::text[]) AS used (hash, name)
     JOIN asset a ON a.hash = used.hash ON CONFLICT DO NOTHING`,
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

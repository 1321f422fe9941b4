import { studentView, type Deck } from '@gobrel/core';
import { noteUses, hashesIn } from '../assets/uses.js';
import { rowOf, text, theRow, written, type Rows } from '../database/rows.js';
import { notFound } from '../problems/problem.js';

/** Keeps an edition; the deck as students see it beside it. */
export async function freeze(
  rows: Rows,
  deckId: string,
  deck: Deck,
  view = studentView(deck),
): Promise<string> {
  const { id } = await theRow(
    rows,
    { id: text },
    'INSERT INTO edition (deck_id, deck, student_view) VALUES ($1, $2, $3) RETURNING id',
    [deckId, JSON.stringify(deck), JSON.stringify(view)],
  );
  await noteUses(rows, [
    ...hashesIn(JSON.stringify(deck)).map((hash) => ({ hash, name: `edition:${id}` })),
    ...hashesIn(JSON.stringify(view)).map((hash) => ({
      hash,
      name: `edition:${id}#student`,
    })),
  ]);
  return id;
}

/** An edition with everything in it, or as students may see it. */
export async function editionIn(
  rows: Rows,
  editionId: string,
  column: 'deck' | 'student_view' = 'deck',
): Promise<Deck> {
  const row = await rowOf(
    rows,
    { deck: written<Deck>() },
    `SELECT ${column} AS deck FROM edition WHERE id = $1`,
    [editionId],
  );
  if (!row) throw notFound('edition');
  return row.deck;
}

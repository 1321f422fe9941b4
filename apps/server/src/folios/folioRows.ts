import type { Answer, DeskAnswer, DeskEntry, Placement, ProjectedChanges } from '@gobrel/core';
import type { DataSource, EntityManager } from 'typeorm';

/** The rows a folio document is projected into, written many folios at a time. */
export interface FolioChanges {
  folioId: string;
  changes: ProjectedChanges;
  leaves: DeskEntry['leaves'];
}

/**
 * All in one transaction. It does not wait for the disk: rows that a crash takes are made again from the folio's
 * document, which did wait, when it is next opened.
 */
export async function write(database: DataSource, batch: FolioChanges[]): Promise<void> {
  const answers = batch.flatMap(({ folioId, changes }) =>
    changes.answers.map((answer) => ({ folioId, ...answer })),
  );
  const placements = batch.flatMap(({ folioId, changes }) =>
    changes.placements.map((placement) => ({ folioId, ...placement })),
  );
  const visits = batch.flatMap(({ folioId, changes }) =>
    changes.visits.map((visit) => ({ folioId, ...visit })),
  );
  await database.transaction(async (rows) => {
    await rows.query('SET LOCAL synchronous_commit = off');
    if (answers.length > 0) await writeAnswers(rows, answers);
    if (placements.length > 0) await writePlacements(rows, placements);
    if (visits.length > 0) await writeVisits(rows, visits);
    await writeLeaves(rows, batch);
  });
}

async function writeAnswers(
  rows: EntityManager,
  answers: (ProjectedChanges['answers'][number] & { folioId: string })[],
): Promise<void> {
  await rows.query(
    `INSERT INTO answer (folio_id, question_id, answer, score)
     SELECT * FROM unnest($1::uuid[], $2::text[], $3::jsonb[], $4::real[])
     ON CONFLICT (folio_id, question_id) DO UPDATE
       SET answer = excluded.answer, score = excluded.score, answered_at = now()
       WHERE answer.answer <> excluded.answer`,
    [
      answers.map((a) => a.folioId),
      answers.map((a) => a.questionId),
      answers.map((a) => JSON.stringify(a.answer)),
      answers.map((a) => a.score),
    ],
  );
}

async function writePlacements(
  rows: EntityManager,
  placements: (ProjectedChanges['placements'][number] & { folioId: string })[],
): Promise<void> {
  await rows.query(
    `INSERT INTO placement (folio_id, slide_id, element_id, x, y, zone_id)
     SELECT * FROM unnest($1::uuid[], $2::text[], $3::text[], $4::real[], $5::real[], $6::text[])
     ON CONFLICT (folio_id, slide_id, element_id) DO UPDATE
       SET x = excluded.x, y = excluded.y, zone_id = excluded.zone_id`,
    [
      placements.map((p) => p.folioId),
      placements.map((p) => p.slideId),
      placements.map((p) => p.elementId),
      placements.map((p) => p.x),
      placements.map((p) => p.y),
      placements.map((p) => p.zoneId),
    ],
  );
}

/** Steps carry the student's own clock; one that is off by more than a day is taken as now. */
async function writeVisits(
  rows: EntityManager,
  visits: (ProjectedChanges['visits'][number] & { folioId: string })[],
): Promise<void> {
  const now = Date.now();
  const time = (at: number): Date => new Date(Math.abs(at - now) < 86_400_000 ? at : now);
  await rows.query(
    `INSERT INTO visit (folio_id, seq, slide_id, via, at)
     SELECT * FROM unnest($1::uuid[], $2::int[], $3::text[], $4::text[], $5::timestamptz[])
     ON CONFLICT DO NOTHING`,
    [
      visits.map((v) => v.folioId),
      visits.map((v) => v.seq),
      visits.map((v) => v.slideId),
      visits.map((v) => v.via),
      visits.map((v) => time(v.at)),
    ],
  );
}

async function writeLeaves(rows: EntityManager, batch: FolioChanges[]): Promise<void> {
  const withLeaves = batch.filter(({ leaves }) => leaves.length > 0);
  if (withLeaves.length === 0) return;
  await rows.query(
    `UPDATE folio SET leaves = given.leaves
     FROM (SELECT * FROM unnest($1::uuid[], $2::jsonb[]) AS t(id, leaves)) AS given
     WHERE folio.id = given.id AND folio.leaves <> given.leaves`,
    [withLeaves.map((b) => b.folioId), withLeaves.map((b) => JSON.stringify(b.leaves))],
  );
}

const ENTRY = `f.id, f.name, f.leaves, f.handed_in_at AS "handedInAt",
  v.slide_id AS "slideId", coalesce(v.seq + 1, 0) AS steps
  FROM folio f LEFT JOIN LATERAL
    (SELECT slide_id, seq FROM visit WHERE folio_id = f.id ORDER BY seq DESC LIMIT 1) v ON true`;

type EntryRow = Omit<DeskEntry, 'isHere' | 'handedInAt'> & { id: string; handedInAt: Date | null };

const toEntry = ({ name, leaves, handedInAt, slideId, steps }: EntryRow): DeskEntry => ({
  name,
  leaves,
  slideId,
  steps,
  handedInAt: handedInAt?.toISOString() ?? null,
  isHere: false,
});

export async function readEntry(database: DataSource, folioId: string): Promise<DeskEntry | null> {
  const [row] = await database.query<EntryRow[]>(`SELECT ${ENTRY} WHERE f.id = $1`, [folioId]);
  return row ? toEntry(row) : null;
}

/** All that the desk of a lesson knows from rows. */
export async function readLesson(
  database: DataSource,
  lessonId: string,
): Promise<{
  entries: { folioId: string; entry: DeskEntry }[];
  answers: { key: string; value: DeskAnswer }[];
  placements: { key: string; value: Placement }[];
}> {
  const [entries, answers, placements] = await Promise.all([
    database.query<EntryRow[]>(`SELECT ${ENTRY} WHERE f.lesson_id = $1`, [lessonId]),
    database.query<
      { folio_id: string; question_id: string; answer: Answer; score: number | null }[]
    >(`SELECT a.* FROM answer a JOIN folio f ON f.id = a.folio_id WHERE f.lesson_id = $1`, [
      lessonId,
    ]),
    database.query<
      { folio_id: string; slide_id: string; element_id: string; x: number; y: number }[]
    >(`SELECT p.* FROM placement p JOIN folio f ON f.id = p.folio_id WHERE f.lesson_id = $1`, [
      lessonId,
    ]),
  ]);
  return {
    entries: entries.map((row) => ({ folioId: row.id, entry: toEntry(row) })),
    answers: answers.map(({ folio_id, question_id, answer, score }) => ({
      key: `${folio_id}/${question_id}`,
      value: { answer, score },
    })),
    placements: placements.map(({ folio_id, slide_id, element_id, x, y }) => ({
      key: `${folio_id}/${slide_id}/${element_id}`,
      value: { x, y },
    })),
  };
}

import {
  markAnswer,
  readAnswer,
  STATUSES,
  type Answer,
  type DeskAnswer,
  type DeskEntry,
  type Placement,
  type ProjectedChanges,
  type QuestionElement,
  type ElementId,
  type SlideId,
  type LinkId,
  type FolioId,
} from '@gobrel/core';
import type { DataSource, EntityManager } from 'typeorm';
import {
  flag,
  id,
  listOf,
  moment,
  number,
  oneOf,
  orNull,
  rowOf,
  rowsOf,
  text,
  written,
  type RowOf,
  type Rows,
} from '../database/rows.js';
import type { Told } from './deskDocument.js';

/**
 * The rows a folio document is projected into, written many folios at a time. It is SQL all along: a class of two hundred
 * costs a handful of statements a second this way, where row by row it was hundreds that their changes had to wait for.
 * So is what a class asks that joins at once: through finders of whole rows it cost a quarter more of the processor.
 */

export interface FolioChanges {
  folioId: string;
  changes: Told;
  leaves: DeskEntry['leaves'];
  /** The stored update up to which this tells all, once a folio is left; null while it is followed. */
  upTo: bigint | null;
  /** When its student's last device went, milliseconds since 1970; null when none has been here. */
  leftAt: number | null;
}

/** All in one transaction. What is told here is not told again, so it waits for the disk. */
export async function write(database: DataSource, batch: FolioChanges[]): Promise<void> {
  await database.transaction(async (rows) => {
    // A student who was taken out meanwhile leaves nothing behind, and holds up nobody else.
    const there = await rowsOf(
      rows,
      { id: text },
      'SELECT id FROM folio WHERE id = ANY($1::uuid[]) FOR KEY SHARE',
      [batch.map(({ folioId }) => folioId)],
    );
    const known = new Set(there.map(({ id }) => id));
    const kept = batch.filter(({ folioId }) => known.has(folioId));
    const answers = kept.flatMap(({ folioId, changes }) =>
      changes.answers.map((answer) => ({ folioId, ...answer })),
    );
    const placements = kept.flatMap(({ folioId, changes }) =>
      changes.placements.map((placement) => ({ folioId, ...placement })),
    );
    const visits = kept.flatMap(({ folioId, changes }) =>
      changes.visits.map((visit) => ({ folioId, ...visit })),
    );
    const votes = kept.flatMap(({ folioId, changes }) =>
      changes.votes.map((vote) => ({ folioId, ...vote })),
    );
    if (answers.length > 0) await writeAnswers(rows, answers);
    if (placements.length > 0) await writePlacements(rows, placements);
    if (visits.length > 0) await writeVisits(rows, visits);
    if (votes.length > 0) await writeVotes(rows, votes);
    await writeLeaves(rows, kept);
    await writeUpTo(rows, kept);
  });
}

async function writeUpTo(rows: EntityManager, batch: FolioChanges[]): Promise<void> {
  const left = batch.filter(({ upTo }) => upTo !== null);
  if (left.length === 0) return;
  await rows.query(
    `UPDATE folio SET projected_to = greatest(projected_to, given.up_to), active_at = coalesce(given.left_at, active_at)
     FROM unnest($1::uuid[], $2::bigint[], $3::timestamptz[]) AS given (id, up_to, left_at) WHERE folio.id = given.id`,
    [
      left.map(({ folioId }) => folioId),
      left.map(({ upTo }) => String(upTo)),
      left.map(({ leftAt }) => (leftAt === null ? null : new Date(leftAt))),
    ],
  );
}

/** Folios of which more is stored than their rows tell; of one lesson or of all. */
export async function behind(database: DataSource, lessonId: string | null): Promise<string[]> {
  const rows = await rowsOf(
    database,
    { id: text },
    `SELECT f.id FROM folio f WHERE ($1::uuid IS NULL OR f.lesson_id = $1) AND f.projected_to < greatest(
       (SELECT max(u.id) FROM doc_update u WHERE u.name = 'folio:' || f.id),
       (SELECT s.up_to FROM doc_state s WHERE s.name = 'folio:' || f.id))
     ORDER BY f.id`,
    [lessonId],
  );
  return rows.map(({ id }) => id);
}

async function writeAnswers(
  rows: EntityManager,
  answers: (Told['answers'][number] & { folioId: string })[],
): Promise<void> {
  await rows.query(
    `INSERT INTO answer (folio_id, question_id, answer, score, is_late)
     SELECT * FROM unnest($1::uuid[], $2::text[], $3::jsonb[], $4::real[], $5::boolean[])
     ON CONFLICT (folio_id, question_id) DO UPDATE
       SET answer = excluded.answer, score = excluded.score, is_late = CASE WHEN answer.answer <> excluded.answer THEN excluded.is_late ELSE answer.is_late END,
         answered_at = CASE WHEN answer.answer <> excluded.answer THEN now() ELSE answer.answered_at END,
         is_done = answer.is_done AND answer.answer = excluded.answer
       WHERE NOT answer.is_locked AND (answer.answer <> excluded.answer OR answer.score IS DISTINCT FROM excluded.score)`,
    [
      answers.map((a) => a.folioId),
      answers.map((a) => a.questionId),
      answers.map((a) => JSON.stringify(a.answer)),
      answers.map((a) => a.score),
      answers.map((a) => a.isLate),
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

async function writeVotes(
  rows: EntityManager,
  votes: (ProjectedChanges['votes'][number] & { folioId: string })[],
): Promise<void> {
  await rows.query(
    `INSERT INTO vote (folio_id, slide_id, link_id) SELECT * FROM unnest($1::uuid[], $2::text[], $3::text[])
     ON CONFLICT (folio_id, slide_id) DO UPDATE SET link_id = excluded.link_id`,
    [votes.map((v) => v.folioId), votes.map((v) => v.slideId), votes.map((v) => v.linkId)],
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

const ENTRY = `f.id, f.name, f.status, f.hand_up_at AS "handUpAt", f.is_practice AS "isPractice", f.leaves,
  f.handed_in_at AS "handedInAt",
  v.slide_id AS "slideId", coalesce(v.seq + 1, 0) AS steps
  FROM folio f LEFT JOIN LATERAL
    (SELECT slide_id, seq FROM visit WHERE folio_id = f.id ORDER BY seq DESC LIMIT 1) v ON true`;

const ENTRY_ROW = {
  id: text,
  name: text,
  status: oneOf(STATUSES),
  handUpAt: orNull(moment),
  isPractice: flag,
  leaves: written<DeskEntry['leaves']>(),
  handedInAt: orNull(moment),
  slideId: orNull(id<SlideId>()),
  steps: number,
};

const toEntry = (row: RowOf<typeof ENTRY_ROW>): DeskEntry => {
  const { name, status, isPractice, leaves, handedInAt, handUpAt, slideId, steps } = row;
  return {
    name,
    status,
    isPractice,
    activeAt: 0,
    handUpAt: handUpAt?.toISOString() ?? null,
    leaves,
    slideId,
    steps,
    handedInAt: handedInAt?.toISOString() ?? null,
    isHere: false,
    isUnreadable: false,
  };
};

export async function readEntry(database: DataSource, folioId: string): Promise<DeskEntry | null> {
  const row = await rowOf(database, ENTRY_ROW, `SELECT ${ENTRY} WHERE f.id = $1`, [folioId]);
  return row && toEntry(row);
}

const ANSWER_ROW = {
  folio_id: id<FolioId>(),
  question_id: id<ElementId>(),
  answer: written<Answer>(),
  score: orNull(number),
  is_late: flag,
  answered_at: moment,
};

/** All answers of a lesson, as they were put in. */
export const readAnswers = (
  database: DataSource,
  lessonId: string,
): Promise<RowOf<typeof ANSWER_ROW>[]> =>
  rowsOf(
    database,
    ANSWER_ROW,
    'SELECT a.* FROM answer a JOIN folio f ON f.id = a.folio_id WHERE f.lesson_id = $1',
    [lessonId],
  );

const FOLIO = {
  id: id<FolioId>(),
  lessonId: text,
  name: text,
  returnCode: text,
  handedInAt: orNull(moment),
  status: oneOf(STATUSES),
  handUpAt: orNull(moment),
};
/** A folio as those need it who join, and every request of its student. */
export type JoinedFolio = RowOf<typeof FOLIO>;
/** The columns of a `JoinedFolio`. */
export const FOLIO_COLUMNS = `id, lesson_id AS "lessonId", name, return_code AS "returnCode",
  handed_in_at AS "handedInAt", status, hand_up_at AS "handUpAt"`;

/** The folio that a statement about the table `folio` tells of, or returns. */
export const folioBy = (
  rows: Rows,
  statement: string,
  given: readonly unknown[],
): Promise<JoinedFolio | null> => rowOf(rows, FOLIO, statement, given);

/** The folio for which a condition holds; null for none. */
export const findFolio = (
  rows: Rows,
  condition: string,
  given: readonly unknown[],
): Promise<JoinedFolio | null> =>
  folioBy(rows, `SELECT ${FOLIO_COLUMNS} FROM folio WHERE ${condition}`, given);

/** What the rows know of a folio whose document is opened; null of one that is gone. */
export const readKnown = (database: DataSource, folioId: string): Promise<KnownOfFolio | null> =>
  rowOf(
    database,
    KNOWN_ROW,
    `SELECT f.lesson_id AS "lessonId", f.active_at AS "activeAt",
       coalesce((SELECT max(seq) + 1 FROM visit v WHERE v.folio_id = f.id), 0) AS steps,
       ARRAY(SELECT question_id FROM answer a WHERE a.folio_id = f.id) AS answered,
       ARRAY(SELECT question_id FROM answer a WHERE a.folio_id = f.id AND a.is_locked) AS locked,
       greatest((SELECT max(received_at) FROM doc_update u WHERE u.name = 'folio:' || f.id),
         (SELECT received_at FROM doc_state s WHERE s.name = 'folio:' || f.id)) AS "storedAt"
     FROM folio f WHERE f.id = $1`,
    [folioId],
  );
export type KnownOfFolio = RowOf<typeof KNOWN_ROW>;
const KNOWN_ROW = {
  lessonId: text,
  activeAt: orNull(moment),
  steps: number,
  answered: listOf(id<ElementId>()),
  locked: listOf(id<ElementId>()),
  storedAt: orNull(moment),
};

/** All that the desk of a lesson knows from rows. */
export interface KnownOfLesson {
  entries: { folioId: string; entry: DeskEntry }[];
  answers: { key: string; value: DeskAnswer }[];
  marks: { key: string; value: number }[];
  placements: { key: string; value: Placement }[];
  votes: { key: string; value: LinkId }[];
  walks: { via: string; count: number }[];
}

export async function readLesson(database: DataSource, lessonId: string): Promise<KnownOfLesson> {
  const [entries, answers, marks, placements, votes, walks] = await Promise.all([
    rowsOf(database, ENTRY_ROW, `SELECT ${ENTRY} WHERE f.lesson_id = $1`, [lessonId]),
    readAnswers(database, lessonId),
    rowsOf(
      database,
      { folio_id: text, question_id: text, score: number },
      `SELECT m.folio_id, m.question_id, m.score FROM mark m JOIN folio f ON f.id = m.folio_id
       WHERE f.lesson_id = $1 AND m.score IS NOT NULL`,
      [lessonId],
    ),
    rowsOf(
      database,
      { folio_id: text, slide_id: text, element_id: text, x: number, y: number },
      'SELECT p.* FROM placement p JOIN folio f ON f.id = p.folio_id WHERE f.lesson_id = $1',
      [lessonId],
    ),
    rowsOf(
      database,
      { folio_id: text, slide_id: text, link_id: id<LinkId>() },
      'SELECT v.* FROM vote v JOIN folio f ON f.id = v.folio_id WHERE f.lesson_id = $1',
      [lessonId],
    ),
    rowsOf(
      database,
      { via: text, count: number },
      `SELECT v.via, count(*)::int AS count FROM visit v JOIN folio f ON f.id = v.folio_id
       WHERE f.lesson_id = $1 AND v.via NOT IN ('start', 'back', 'teacher') GROUP BY v.via`,
      [lessonId],
    ),
  ]);
  return {
    walks,
    entries: entries.map((row) => ({ folioId: row.id, entry: toEntry(row) })),
    answers: answers.map(({ folio_id, question_id, answer, score, is_late, answered_at }) => ({
      key: `${folio_id}/${question_id}`,
      value: { answer, score, at: answered_at.getTime(), isLate: is_late },
    })),
    marks: marks.map(({ folio_id, question_id, score }) => ({
      key: `${folio_id}/${question_id}`,
      value: score,
    })),
    votes: votes.map(({ folio_id, slide_id, link_id }) => ({
      key: `${folio_id}/${slide_id}`,
      value: link_id,
    })),
    placements: placements.map(({ folio_id, slide_id, element_id, x, y }) => ({
      key: `${folio_id}/${slide_id}/${element_id}`,
      value: { x, y },
    })),
  };
}

/**
 * Marks all answers of a lesson by its questions as they are now, and takes out those that do not fit any more. An
 * answer that is changed meanwhile is left to whoever changes it.
 */
export async function markAnew(
  database: DataSource,
  lessonId: string,
  questions: ReadonlyMap<string, QuestionElement>,
): Promise<void> {
  const known = await readAnswers(database, lessonId);
  const gone = known.filter(({ question_id, answer }) => {
    const asked = questions.get(question_id);
    return !asked || !readAnswer(asked.question, answer);
  });
  const kept = known.flatMap((row) => {
    const asked = questions.get(row.question_id);
    const answer = asked && readAnswer(asked.question, row.answer);
    return answer ? [{ ...row, score: markAnswer(asked, answer) }] : [];
  });
  await database.transaction(async (rows) => {
    await rows.query(
      `DELETE FROM answer USING unnest($1::uuid[], $2::text[], $3::jsonb[]) AS gone (folio_id, question_id, answer)
       WHERE answer.folio_id = gone.folio_id AND answer.question_id = gone.question_id AND answer.answer = gone.answer`,
      [
        gone.map((row) => row.folio_id),
        gone.map((row) => row.question_id),
        gone.map((row) => JSON.stringify(row.answer)),
      ],
    );
    await rows.query(
      `UPDATE answer SET score = given.score
       FROM unnest($1::uuid[], $2::text[], $3::real[], $4::jsonb[]) AS given (folio_id, question_id, score, answer)
       WHERE answer.folio_id = given.folio_id AND answer.question_id = given.question_id
         AND answer.answer = given.answer AND answer.score IS DISTINCT FROM given.score`,
      [
        kept.map((row) => row.folio_id),
        kept.map((row) => row.question_id),
        kept.map((row) => row.score),
        kept.map((row) => JSON.stringify(row.answer)),
      ],
    );
  });
}

import type * as wire from '@gobrel/core';
import { decodeLessonSettings, decodeLessonState, type LessonCard } from '@gobrel/core';
import type { EntityManager } from 'typeorm';

type Rows = Pick<EntityManager, 'query'>;

export type Lesson = wire.Lesson<Date>;

const COLUMNS = `l.id, l.deck_id AS "deckId", l.edition_id AS "editionId", l.class_list_id AS "classListId",
  l.title, c.name AS "className", l.join_code AS "joinCode", l.allows_typed_names AS "allowsTypedNames",
  l.state, l.settings, l.opens_at AS "opensAt", l.closes_at AS "closesAt", l.asked, l.starred, l.likened,
  l.line_up AS "lineUp", l.started_at AS "startedAt", l.ended_at AS "endedAt"`;

export async function lessonIn(rows: Rows, lessonId: string): Promise<Lesson | null> {
  const [row] = await rows.query<Lesson[]>(
    `SELECT ${COLUMNS} FROM lesson l LEFT JOIN class_list c ON c.id = l.class_list_id WHERE l.id = $1`,
    [lessonId],
  );
  return row
    ? {
        ...row,
        state: decodeLessonState(row.state),
        settings: decodeLessonSettings(row.settings),
      }
    : null;
}

/** Which lesson runs under a join code. */
export async function runningWithCode(rows: Rows, joinCode: string): Promise<string | null> {
  const [row] = await rows.query<{ id: string }[]>(
    'SELECT id FROM lesson WHERE join_code = $1 AND ended_at IS NULL',
    [joinCode],
  );
  return row?.id ?? null;
}

export async function hasEndedLately(rows: Rows, joinCode: string): Promise<boolean> {
  const ended = await rows.query<unknown[]>(
    `SELECT 1 FROM lesson WHERE join_code = $1 AND ended_at > now() - interval '1 day'`,
    [joinCode],
  );
  return ended.length > 0;
}

export function lessonsOfDeck(rows: Rows, deckId: string): Promise<LessonCard<Date>[]> {
  return rows.query<LessonCard<Date>[]>(
    `SELECT l.id, l.title, c.name AS "className", l.join_code AS "joinCode", l.started_at AS "startedAt",
       l.ended_at AS "endedAt", l.opens_at AS "opensAt", count(f.id)::int AS students, count(f.handed_in_at)::int AS "handedIn"
     FROM lesson l LEFT JOIN class_list c ON c.id = l.class_list_id LEFT JOIN folio f ON f.lesson_id = l.id
     WHERE l.deck_id = $1 GROUP BY l.id, c.name ORDER BY l.started_at DESC`,
    [deckId],
  );
}

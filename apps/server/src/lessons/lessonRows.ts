import type * as wire from '@gobrel/core';
import {
  decodeLessonSettings,
  decodeLessonState,
  type LessonCard,
  type SlideId,
  type FolioId,
} from '@gobrel/core';
import {
  flag,
  isAny,
  moment,
  number,
  orNull,
  readBy,
  rowOf,
  rowsOf,
  text,
  written,
  type Rows,
} from '../database/rows.js';

export type Lesson = wire.Lesson<Date>;

const LESSON = {
  id: text,
  deckId: text,
  editionId: text,
  classListId: orNull(text),
  title: text,
  className: orNull(text),
  joinCode: text,
  allowsTypedNames: flag,
  state: readBy(decodeLessonState),
  settings: readBy(decodeLessonSettings),
  opensAt: orNull(moment),
  closesAt: orNull(moment),
  asked: written<SlideId[]>(),
  starred: written<string[]>(),
  likened: written<Lesson['likened']>(),
  lineUp: written<FolioId[]>(),
  startedAt: moment,
  endedAt: orNull(moment),
};
const COLUMNS = `l.id, l.deck_id AS "deckId", l.edition_id AS "editionId", l.class_list_id AS "classListId",
  l.title, c.name AS "className", l.join_code AS "joinCode", l.allows_typed_names AS "allowsTypedNames",
  l.state, l.settings, l.opens_at AS "opensAt", l.closes_at AS "closesAt", l.asked, l.starred, l.likened,
  l.line_up AS "lineUp", l.started_at AS "startedAt", l.ended_at AS "endedAt"`;

export async function lessonIn(rows: Rows, lessonId: string): Promise<Lesson | null> {
  return rowOf(
    rows,
    LESSON,
    `SELECT ${COLUMNS} FROM lesson l LEFT JOIN class_list c ON c.id = l.class_list_id WHERE l.id = $1`,
    [lessonId],
  );
}

/** Which lesson runs under a join code. */
export async function runningWithCode(rows: Rows, joinCode: string): Promise<string | null> {
  const row = await rowOf(
    rows,
    { id: text },
    'SELECT id FROM lesson WHERE join_code = $1 AND ended_at IS NULL',
    [joinCode],
  );
  return row?.id ?? null;
}

export async function hasEndedLately(rows: Rows, joinCode: string): Promise<boolean> {
  return isAny(
    rows,
    `SELECT 1 FROM lesson WHERE join_code = $1 AND ended_at > now() - interval '1 day'`,
    [joinCode],
  );
}

export function lessonsOfDeck(rows: Rows, deckId: string): Promise<LessonCard<Date>[]> {
  return rowsOf(
    rows,
    {
      id: text,
      title: text,
      className: orNull(text),
      joinCode: text,
      startedAt: moment,
      endedAt: orNull(moment),
      opensAt: orNull(moment),
      students: number,
      handedIn: number,
    },
    `SELECT l.id, l.title, c.name AS "className", l.join_code AS "joinCode", l.started_at AS "startedAt",
       l.ended_at AS "endedAt", l.opens_at AS "opensAt", count(f.id)::int AS students, count(f.handed_in_at)::int AS "handedIn"
     FROM lesson l LEFT JOIN class_list c ON c.id = l.class_list_id LEFT JOIN folio f ON f.lesson_id = l.id
     WHERE l.deck_id = $1 GROUP BY l.id, c.name ORDER BY l.started_at DESC`,
    [deckId],
  );
}

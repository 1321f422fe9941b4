import { Inject, Injectable } from '@nestjs/common';
import { can, ROLES, STATUSES, type Capability, type Role, type Thing } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { CONFIG, type Config } from '../config.js';
import { isAny, oneOf, rowOf, rowsOf, text } from '../database/rows.js';
import { cookieIn } from './cookies.js';
import { IS_LIVE, passesIn } from './livePublication.js';
import { OPEN_SCREEN } from './openScreen.js';
import { followerIn, IS_RUNNING, isSigned } from './runningShow.js';
import {
  FOLLOWER_COOKIE,
  hashToken,
  REMOTE_COOKIE,
  SCREEN_COOKIE,
  SESSION_COOKIE,
  STUDENT_COOKIE,
} from './tokens.js';

/*
 * All of it is SQL: every request and every socket asks, and what somebody is to a thing is one statement over up to five
 * tables.
 */

/** Lessons held with a deck, and what is done in them, are for those who may teach with it. */
export const TEACHES = `p.role IN (${ROLES.filter((role) => can([role], 'deck:teach'))
  .map((role) => `'${role}'`)
  .join(', ')})`;

/** What uses a picture, sound or file, by its identity; the names are told in `assets/uses.ts`. */
const idOf = (kind: string): string =>
  `CASE WHEN u.name LIKE '${kind}:%' THEN substr(u.name, ${kind.length + 2}, 36)::uuid END AS ${kind}_id`;
const USED = `WITH used AS (
  SELECT u.name, ${['deck', 'edition', 'folio', 'starter'].map(idOf).join(', ')}
  FROM asset_use u WHERE u.hash = $1)`;
const READ_BY_TEACHER = `${USED}
  SELECT 1 FROM used WHERE name = 'by:teacher:' || $2::text UNION ALL
  SELECT 1 FROM used JOIN deck_person p USING (deck_id) WHERE p.teacher_id = $2::uuid UNION ALL
  SELECT 1 FROM used JOIN edition e ON e.id = edition_id JOIN deck_person p ON p.deck_id = e.deck_id
    WHERE p.teacher_id = $2::uuid AND ${TEACHES} UNION ALL
  SELECT 1 FROM used JOIN folio f ON f.id = folio_id JOIN lesson l ON l.id = f.lesson_id
    JOIN deck_person p ON p.deck_id = l.deck_id WHERE p.teacher_id = $2::uuid AND ${TEACHES} UNION ALL
  SELECT 1 FROM used JOIN starter s ON s.id = starter_id WHERE s.teacher_id = $2::uuid LIMIT 1`;
/** $3 is null while a student waits to be let in. */
const READ_BY_STUDENT = `${USED}
  SELECT 1 FROM used WHERE name = 'by:folio:' || $2::text OR folio_id = $2::uuid UNION ALL
  SELECT 1 FROM used JOIN lesson l USING (edition_id) WHERE l.id = $3::uuid AND used.name LIKE '%#student' UNION ALL
  SELECT 1 FROM used JOIN folio f ON f.id = folio_id JOIN lesson l ON l.id = f.lesson_id
    WHERE l.id = $3::uuid AND f.status = 'in' AND ((l.settings->>'seesLeaves')::boolean
      OR l.state->'presenting'->>'folioId' = f.id::text) LIMIT 1`;
const READ_ON_SCREEN = `${USED}, paired AS (
    SELECT l.* FROM ${OPEN_SCREEN} JOIN lesson l ON l.id = s.lesson_id WHERE s.token_hash = $2)
  SELECT 1 FROM used JOIN paired USING (edition_id) WHERE used.name LIKE '%#student' UNION ALL
  SELECT 1 FROM used JOIN paired l ON l.state->'presenting'->>'folioId' = folio_id::text LIMIT 1`;
/** What readers get of a published deck, by the pass words that they have told. */
const READ_BY_READER = `${USED}
  SELECT 1 FROM used JOIN publication b USING (edition_id) JOIN deck d ON d.id = b.deck_id
    WHERE used.name LIKE '%#student' AND ${IS_LIVE}
      AND (b.pass_token IS NULL OR b.pass_token = ANY ($2::text[])) LIMIT 1`;

/** What those see who follow or steer a show. */
const READ_IN_SHOW = `${USED}
  SELECT 1 FROM used JOIN show s USING (edition_id)
    WHERE used.name LIKE '%#student' AND s.id = ANY ($2::uuid[]) AND ${IS_RUNNING} LIMIT 1`;

/** What a teacher is to a lesson: it belongs to those who may teach with the deck, its end to the owner of one that is there. */
const LESSON = `SELECT unnest(CASE WHEN p.role = 'owner' AND d.trashed_at IS NULL
    THEN ARRAY['teaches', 'owner'] ELSE ARRAY['teaches'] END) AS role
  FROM lesson l JOIN deck_person p USING (deck_id) JOIN deck d ON d.id = l.deck_id
  WHERE l.id = $1 AND p.teacher_id = $2 AND ${TEACHES}`;
const FOLIO = `SELECT 'teaches' AS role FROM folio f JOIN lesson l ON l.id = f.lesson_id
  JOIN deck_person p USING (deck_id) WHERE f.id = $1 AND p.teacher_id = $2 AND ${TEACHES}`;
const DECK = `SELECT p.role FROM deck_person p JOIN deck d ON d.id = p.deck_id
  WHERE d.id = $1 AND p.teacher_id = $2 AND d.trashed_at IS NULL`;
const SHOW = `SELECT 'hosts' AS role FROM show s
  WHERE s.id = $1 AND s.teacher_id = $2 AND ${IS_RUNNING}`;
const TRASHED = DECK.replace('IS NULL', 'IS NOT NULL');
const OWNED = {
  class: `SELECT 'owner' AS role FROM class_list WHERE id = $1 AND teacher_id = $2`,
  starter: `SELECT 'owner' AS role FROM starter WHERE id = $1 AND teacher_id = $2`,
  theme: `SELECT 'owner' AS role FROM kept_theme WHERE id = $1 AND teacher_id = $2`,
};

/** Who is asking. One browser may hold both: a teacher who tries a lesson out. */
export interface Visitor {
  teacher: { id: string; name: string; email: string } | null;
  /** `waiting` has joined and has not been let in yet. */
  student: { folioId: string; lessonId: string; status: 'waiting' | 'in' } | null;
  /** Follows a show, or steers it; `key` tells devices apart and nothing else. */
  follower: { showId: string; key: string } | null;
  remote: { showId: string; key: string } | null;
}

export const NOBODY: Visitor = { teacher: null, student: null, follower: null, remote: null };

/** `steer`: reads it, and says to its keeper what happens. */
export type DocumentAccess = 'write' | 'steer' | 'read' | null;
export type DocumentKind = 'deck' | 'folio' | 'lesson' | 'desk' | 'show';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
export const isUuid = (value: string): boolean => UUID.test(value);

export function parseDocumentName(name: string): { kind: DocumentKind; id: string } | null {
  const match = /^(deck|folio|lesson|desk|show):(.+)$/.exec(name);
  return match && isUuid(match[2]!) ? { kind: match[1] as DocumentKind, id: match[2]! } : null;
}

/** The one place that decides who may see and do what. */
@Injectable()
export class AccessService {
  constructor(
    private readonly database: DataSource,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  /** From the cookies of a request or of a socket's upgrade. */
  async visitorOf(cookieHeader: string | undefined): Promise<Visitor> {
    const held = (name: string): string | undefined => cookieIn(cookieHeader, this.config, name);
    const [teacher, student, follower, remote] = await Promise.all([
      this.#teacherOf(held(SESSION_COOKIE)),
      this.#studentOf(held(STUDENT_COOKIE)),
      this.#followerOf(held(FOLLOWER_COOKIE)),
      this.#remoteOf(held(REMOTE_COOKIE)),
    ]);
    return { teacher, student, follower, remote };
  }

  async #followerOf(token: string | undefined): Promise<Visitor['follower']> {
    const told = followerIn(token ?? '');
    if (!told || !isUuid(told.showId)) return null;
    const row = await rowOf(
      this.database,
      { secret: text },
      `SELECT s.secret FROM show s WHERE s.id = $1 AND ${IS_RUNNING}`,
      [told.showId],
    );
    return row && isSigned(row.secret, told) ? { showId: told.showId, key: told.nonce } : null;
  }

  async #remoteOf(token: string | undefined): Promise<Visitor['remote']> {
    if (!token) return null;
    const row = await rowOf(
      this.database,
      { showId: text },
      `SELECT s.id AS "showId" FROM show_remote r JOIN show s ON s.id = r.show_id
       WHERE r.token_hash = $1 AND ${IS_RUNNING}`,
      [hashToken(token)],
    );
    return row && { ...row, key: hashToken(token) };
  }

  async #teacherOf(token: string | undefined): Promise<Visitor['teacher']> {
    if (!token) return null;
    const row = await rowOf(
      this.database,
      { id: text, name: text, email: text },
      `SELECT t.id, t.name, t.email FROM session s JOIN teacher t ON t.id = s.teacher_id
       WHERE s.token_hash = $1 AND s.expires_at > now() AND s.seen_at > now() - interval '7 days'`,
      [hashToken(token)],
    );
    if (row) {
      await this.database.query(
        `UPDATE session SET seen_at = now() WHERE token_hash = $1 AND seen_at < now() - interval '1 hour'`,
        [hashToken(token)],
      );
    }
    return row;
  }

  /** A student's device is let in until two weeks after the lesson: marks are looked at after it. */
  async #studentOf(token: string | undefined): Promise<Visitor['student']> {
    if (!token) return null;
    return rowOf(
      this.database,
      { folioId: text, lessonId: text, status: oneOf(STATUSES) },
      `SELECT f.id AS "folioId", f.lesson_id AS "lessonId", f.status FROM student_token t
       JOIN folio f ON f.id = t.folio_id JOIN lesson l ON l.id = f.lesson_id
       WHERE t.token_hash = $1 AND (l.ended_at IS NULL OR l.ended_at > now() - interval '14 days')`,
      [hashToken(token)],
    );
  }

  /**
   * What the bearer of these cookies is to a thing, or to this server where no thing is named. Of a thing that is not
   * there, or whose name is none, nobody is anything.
   */
  async rolesOn(
    visitor: Visitor,
    thing: Thing,
    id: string,
    cookieHeader?: string,
  ): Promise<Role[]> {
    const { teacher, student, follower, remote } = visitor;
    const inLesson: Role[] = student ? [student.status === 'in' ? 'student' : 'waiting'] : [];
    if (thing === 'file') return this.#rolesOnFile(visitor, id, cookieHeader);
    if (!id) return [...(teacher ? (['teacher'] as const) : []), ...inLesson];
    if (!isUuid(id)) return [];
    switch (thing) {
      case 'deck':
        return this.#ofTeacher(teacher, DECK, id);
      case 'trash':
        return this.#ofTeacher(teacher, TRASHED, id);
      case 'class':
      case 'starter':
      case 'theme':
        return this.#ofTeacher(teacher, OWNED[thing], id);
      case 'lesson':
        return [
          ...(student?.lessonId === id ? inLesson : []),
          ...(await this.#ofTeacher(teacher, LESSON, id)),
        ];
      case 'folio':
        return [
          ...(student?.folioId === id ? inLesson : []),
          ...(await this.#ofTeacher(teacher, FOLIO, id)),
        ];
      case 'show':
        return [
          ...(await this.#ofTeacher(teacher, SHOW, id)),
          ...(remote?.showId === id ? (['steers'] as const) : []),
          ...(follower?.showId === id ? (['follows'] as const) : []),
        ];
      case 'site':
        return [];
    }
  }

  async #ofTeacher(teacher: Visitor['teacher'], statement: string, id: string): Promise<Role[]> {
    if (!teacher) return [];
    const columns = { role: oneOf(ROLES) };
    const rows = await rowsOf(this.database, columns, statement, [id, teacher.id]);
    return rows.map(({ role }) => role);
  }

  /** Whoever brought a picture, sound or file, and whoever may read something that uses it. */
  async #rolesOnFile(
    { teacher, student, follower, remote }: Visitor,
    hash: string,
    cookieHeader: string | undefined,
  ): Promise<Role[]> {
    if (!/^[0-9a-f]{64}$/.test(hash)) return [];
    const screen = cookieIn(cookieHeader, this.config, SCREEN_COOKIE);
    if (teacher && (await this.#isFound(READ_BY_TEACHER, [hash, teacher.id]))) return ['reader'];
    if (student) {
      const isIn = student.status === 'in';
      const given = [hash, student.folioId, isIn ? student.lessonId : null];
      if (await this.#isFound(READ_BY_STUDENT, given)) return ['reader'];
    }
    // On a big screen: what the lesson's edition shows, and the leaves that are presented on it.
    if (screen && (await this.#isFound(READ_ON_SCREEN, [hash, hashToken(screen)])))
      return ['reader'];
    const shows = [follower, remote].flatMap((one) => one?.showId ?? []);
    if (shows.length > 0 && (await this.#isFound(READ_IN_SHOW, [hash, shows]))) return ['reader'];
    const passes = passesIn(cookieHeader, this.config);
    return (await this.#isFound(READ_BY_READER, [hash, passes])) ? ['reader'] : [];
  }

  #isFound(statement: string, given: unknown[]): Promise<boolean> {
    return isAny(this.database, statement, given);
  }

  /** What a visitor may do with a synced document. A name that is none opens nothing. */
  async documentAccess(visitor: Visitor, name: string): Promise<DocumentAccess> {
    const document = parseDocumentName(name);
    if (!document) return null;
    const { kind, id } = document;
    const mayOn = async (thing: Thing, capability: Capability): Promise<boolean> =>
      can(await this.rolesOn(visitor, thing, id), capability);
    switch (kind) {
      case 'deck': {
        const roles = await this.rolesOn(visitor, 'deck', id);
        return can(roles, 'deck:write') ? 'write' : can(roles, 'deck:read') ? 'read' : null;
      }
      case 'folio': {
        const roles = await this.rolesOn(visitor, 'folio', id);
        if (can(roles, 'folio:write') && (await this.isFolioOpen(id))) return 'write';
        return can(roles, 'folio:read') ? 'read' : null;
      }
      case 'lesson':
        return (await mayOn('lesson', 'lesson:watch')) ? 'read' : null;
      case 'desk':
        return (await mayOn('lesson', 'lesson:teach')) ? 'read' : null;
      case 'show': {
        const roles = await this.rolesOn(visitor, 'show', id);
        return can(roles, 'show:steer') ? 'steer' : can(roles, 'show:follow') ? 'read' : null;
      }
    }
  }

  /** A folio is written until it is handed in, or the lesson has ended a day ago: what was done offline still comes. */
  isFolioOpen(folioId: string): Promise<boolean> {
    return isAny(
      this.database,
      `SELECT 1 FROM folio f JOIN lesson l ON l.id = f.lesson_id
       WHERE f.id = $1 AND f.handed_in_at IS NULL AND (l.ended_at IS NULL OR l.ended_at > now() - interval '1 day')`,
      [folioId],
    );
  }
}

import { Injectable } from '@nestjs/common';
import { parse } from 'cookie';
import { DataSource } from 'typeorm';
import { notFound } from '../problems/problem.js';
import { hashToken, SESSION_COOKIE, STUDENT_COOKIE } from './tokens.js';

/** Who is asking. One browser may hold both: a teacher who tries a lesson out. */
export interface Visitor {
  teacher: { id: string; name: string; email: string } | null;
  /** `waiting` has joined and has not been let in yet. */
  student: { folioId: string; lessonId: string; status: 'waiting' | 'in' } | null;
}

export type DeckRole = 'owner' | 'coauthor';
export type DocumentAccess = 'write' | 'read' | null;
export type DocumentKind = 'deck' | 'folio' | 'lesson' | 'desk';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;
export const isUuid = (value: string): boolean => UUID.test(value);

export function parseDocumentName(name: string): { kind: DocumentKind; id: string } | null {
  const match = /^(deck|folio|lesson|desk):(.+)$/.exec(name);
  return match && isUuid(match[2]!) ? { kind: match[1] as DocumentKind, id: match[2]! } : null;
}

/** The one place that decides who may see and do what. */
@Injectable()
export class AccessService {
  constructor(private readonly database: DataSource) {}

  /** From the cookies of a request or of a socket's upgrade. */
  async visitorOf(cookieHeader: string | undefined): Promise<Visitor> {
    const cookies = parse(cookieHeader ?? '');
    const [teacher, student] = await Promise.all([
      this.#teacherOf(cookies[SESSION_COOKIE]),
      this.#studentOf(cookies[STUDENT_COOKIE]),
    ]);
    return { teacher, student };
  }

  async #teacherOf(token: string | undefined): Promise<Visitor['teacher']> {
    if (!token) return null;
    const [row] = await this.database.query<{ id: string; name: string; email: string }[]>(
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
    return row ?? null;
  }

  /** A student's device is let in until two weeks after the lesson: marks are looked at after it. */
  async #studentOf(token: string | undefined): Promise<Visitor['student']> {
    if (!token) return null;
    const [row] = await this.database.query<NonNullable<Visitor['student']>[]>(
      `SELECT f.id AS "folioId", f.lesson_id AS "lessonId", f.status FROM student_token t
       JOIN folio f ON f.id = t.folio_id JOIN lesson l ON l.id = f.lesson_id
       WHERE t.token_hash = $1 AND (l.ended_at IS NULL OR l.ended_at > now() - interval '14 days')`,
      [hashToken(token)],
    );
    return row ?? null;
  }

  /** A teacher's role on a deck that is not in the trash, or null. */
  async deckRole(teacherId: string, deckId: string): Promise<DeckRole | null> {
    if (!isUuid(deckId)) return null;
    const [row] = await this.database.query<{ role: DeckRole }[]>(
      `SELECT p.role FROM deck_person p JOIN deck d ON d.id = p.deck_id
       WHERE p.deck_id = $1 AND p.teacher_id = $2 AND d.trashed_at IS NULL`,
      [deckId, teacherId],
    );
    return row?.role ?? null;
  }

  async requireDeck(teacherId: string, deckId: string, role?: DeckRole): Promise<DeckRole> {
    const has = await this.deckRole(teacherId, deckId);
    if (!has || (role === 'owner' && has !== 'owner')) throw notFound('deck');
    return has;
  }

  /** Lessons belong to those who may write the deck. */
  async teachesLesson(teacherId: string, lessonId: string): Promise<boolean> {
    if (!isUuid(lessonId)) return false;
    const rows = await this.database.query<unknown[]>(
      `SELECT 1 FROM lesson l JOIN deck_person p ON p.deck_id = l.deck_id
       WHERE l.id = $1 AND p.teacher_id = $2`,
      [lessonId, teacherId],
    );
    return rows.length > 0;
  }

  async requireLesson(teacherId: string, lessonId: string): Promise<void> {
    if (!(await this.teachesLesson(teacherId, lessonId))) throw notFound('lesson');
  }

  /** What a visitor may do with a synced document. A name that is none opens nothing. */
  async documentAccess(visitor: Visitor, name: string): Promise<DocumentAccess> {
    const document = parseDocumentName(name);
    if (!document) return null;
    const { kind, id } = document;
    const { teacher } = visitor;
    const student = visitor.student?.status === 'in' ? visitor.student : null;
    switch (kind) {
      case 'deck':
        return teacher && (await this.deckRole(teacher.id, id)) ? 'write' : null;
      case 'folio': {
        if (student?.folioId === id) return (await this.isFolioOpen(id)) ? 'write' : 'read';
        const lessonId = teacher && (await this.#lessonOfFolio(id));
        return lessonId && (await this.teachesLesson(teacher.id, lessonId)) ? 'read' : null;
      }
      case 'lesson':
        if (student?.lessonId === id) return 'read';
        return teacher && (await this.teachesLesson(teacher.id, id)) ? 'read' : null;
      case 'desk':
        return teacher && (await this.teachesLesson(teacher.id, id)) ? 'read' : null;
    }
  }

  /** A folio is written until it is handed in, or the lesson has ended a day ago: what was done offline still comes. */
  async isFolioOpen(folioId: string): Promise<boolean> {
    const rows = await this.database.query<unknown[]>(
      `SELECT 1 FROM folio f JOIN lesson l ON l.id = f.lesson_id
       WHERE f.id = $1 AND f.handed_in_at IS NULL AND (l.ended_at IS NULL OR l.ended_at > now() - interval '1 day')`,
      [folioId],
    );
    return rows.length > 0;
  }

  async #lessonOfFolio(folioId: string): Promise<string | null> {
    const [row] = await this.database.query<{ lesson_id: string }[]>(
      'SELECT lesson_id FROM folio WHERE id = $1',
      [folioId],
    );
    return row?.lesson_id ?? null;
  }
}

import { Injectable, type OnModuleInit } from '@nestjs/common';
import {
  decodeLessonState,
  makeJoinCode,
  OPENING_STATE,
  studentView,
  writeLessonState,
  type Deck,
  type LessonState,
} from '@gobrel/core';
import { DataSource, QueryFailedError } from 'typeorm';
import { random } from '../access/tokens.js';
import { DecksService } from '../decks/DecksService.js';
import { notFound, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';

export interface Lesson {
  id: string;
  deckId: string;
  editionId: string;
  classListId: string | null;
  title: string;
  className: string | null;
  joinCode: string;
  allowsTypedNames: boolean;
  state: LessonState;
  lineUp: string[];
  startedAt: string;
  endedAt: string | null;
}

export interface LessonCard {
  id: string;
  title: string;
  className: string | null;
  joinCode: string;
  startedAt: string;
  endedAt: string | null;
  students: number;
  handedIn: number;
}

export interface NewLesson {
  deckId: string;
  classListId: string | null;
  allowsTypedNames: boolean;
  joinCode?: string;
  id?: string;
}

const COLUMNS = `l.id, l.deck_id AS "deckId", l.edition_id AS "editionId", l.class_list_id AS "classListId",
  l.title, c.name AS "className", l.join_code AS "joinCode", l.allows_typed_names AS "allowsTypedNames",
  l.state, l.line_up AS "lineUp", l.started_at AS "startedAt", l.ended_at AS "endedAt"`;

@Injectable()
export class LessonsService implements OnModuleInit {
  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly decks: DecksService,
  ) {}

  onModuleInit(): void {
    this.sync.keep({
      kind: 'lesson',
      onLoad: async (lessonId, doc) => writeLessonState(doc, (await this.require(lessonId)).state),
    });
  }

  /** Freezes an edition of the deck and opens a lesson on it under a code that no running lesson has. */
  async start({ deckId, classListId, allowsTypedNames, joinCode, id }: NewLesson): Promise<string> {
    const deck = await this.decks.read(deckId);
    const view = studentView(deck);
    if (!view.startSlideId)
      throw refused('This deck has no slide to start on yet. Make one first.');
    const [edition] = await this.database.query<{ id: string }[]>(
      'INSERT INTO edition (deck_id, deck, student_view) VALUES ($1, $2, $3) RETURNING id',
      [deckId, JSON.stringify(deck), JSON.stringify(view)],
    );
    const state: LessonState = { ...OPENING_STATE, slideId: view.startSlideId };
    for (let attempt = 0; attempt < 20; attempt++) {
      try {
        const [lesson] = await this.database.query<{ id: string }[]>(
          `INSERT INTO lesson (id, deck_id, edition_id, class_list_id, title, join_code, allows_typed_names, state)
           VALUES (coalesce($8::uuid, gen_random_uuid()), $1, $2, $3, $4, $5, $6, $7) RETURNING id`,
          [
            deckId,
            edition!.id,
            classListId,
            deck.title,
            joinCode ?? makeJoinCode(random),
            allowsTypedNames,
            JSON.stringify(state),
            id ?? null,
          ],
        );
        return lesson!.id;
      } catch (error) {
        if (!(error instanceof QueryFailedError && isDuplicate(error))) throw error;
      }
    }
    throw refused('No free join code was found. End a lesson that is over and try again.');
  }

  async find(lessonId: string): Promise<Lesson | null> {
    const [row] = await this.database.query<Lesson[]>(
      `SELECT ${COLUMNS} FROM lesson l LEFT JOIN class_list c ON c.id = l.class_list_id WHERE l.id = $1`,
      [lessonId],
    );
    return row ? { ...row, state: decodeLessonState(row.state) } : null;
  }

  async require(lessonId: string): Promise<Lesson> {
    const lesson = await this.find(lessonId);
    if (!lesson) throw notFound('lesson');
    return lesson;
  }

  /** The running lesson with a join code. */
  async findByCode(joinCode: string): Promise<Lesson | null> {
    const [row] = await this.database.query<{ id: string }[]>(
      'SELECT id FROM lesson WHERE join_code = $1 AND ended_at IS NULL',
      [joinCode],
    );
    return row ? this.find(row.id) : null;
  }

  /** Whether a code was a lesson's that has ended: a kinder answer than "wrong". */
  async hasEnded(joinCode: string): Promise<boolean> {
    const rows = await this.database.query<unknown[]>(
      `SELECT 1 FROM lesson WHERE join_code = $1 AND ended_at > now() - interval '1 day'`,
      [joinCode],
    );
    return rows.length > 0;
  }

  async listOfDeck(deckId: string): Promise<LessonCard[]> {
    return this.database.query<LessonCard[]>(
      `SELECT l.id, l.title, c.name AS "className", l.join_code AS "joinCode", l.started_at AS "startedAt",
         l.ended_at AS "endedAt", count(f.id)::int AS students, count(f.handed_in_at)::int AS "handedIn"
       FROM lesson l LEFT JOIN class_list c ON c.id = l.class_list_id LEFT JOIN folio f ON f.lesson_id = l.id
       WHERE l.deck_id = $1 GROUP BY l.id, c.name ORDER BY l.started_at DESC`,
      [deckId],
    );
  }

  /** The edition with everything in it: for teachers and for marking. */
  async edition(editionId: string): Promise<Deck> {
    return this.#editionColumn(editionId, 'deck');
  }

  /** The edition as students may see it. */
  async editionForStudents(editionId: string): Promise<Deck> {
    return this.#editionColumn(editionId, 'student_view');
  }

  async #editionColumn(editionId: string, column: 'deck' | 'student_view'): Promise<Deck> {
    const [row] = await this.database.query<{ deck: Deck }[]>(
      `SELECT ${column} AS deck FROM edition WHERE id = $1`,
      [editionId],
    );
    if (!row) throw notFound('edition');
    return row.deck;
  }

  /** Changes the lesson's state in its row, then tells everyone in the lesson. Refused once it has ended. */
  async change(
    lessonId: string,
    change: (state: LessonState) => LessonState,
  ): Promise<LessonState> {
    const state = await this.database.transaction(async (rows) => {
      const [row] = await rows.query<{ state: unknown; ended_at: string | null }[]>(
        'SELECT state, ended_at FROM lesson WHERE id = $1 FOR UPDATE',
        [lessonId],
      );
      if (!row) throw notFound('lesson');
      if (row.ended_at) throw refused('This lesson has ended.');
      const before = decodeLessonState(row.state);
      const next = { ...change(before), version: before.version + 1 };
      await rows.query(
        'UPDATE lesson SET state = $2, ended_at = CASE WHEN $3 THEN now() END WHERE id = $1',
        [lessonId, JSON.stringify(next), next.isEnded],
      );
      return next;
    });
    await this.sync.write(`lesson:${lessonId}`, (doc) => writeLessonState(doc, state));
    return state;
  }

  /** Ends a lesson: its code is free again, nothing more is taken into its folios. */
  async end(lessonId: string): Promise<void> {
    await this.change(lessonId, (state) => ({ ...state, isEnded: true, presenting: null }));
    const folios = await this.database.query<{ id: string }[]>(
      'SELECT id FROM folio WHERE lesson_id = $1',
      [lessonId],
    );
    for (const { id } of folios) this.sync.freeze(`folio:${id}`);
  }

  async setLineUp(lessonId: string, folioIds: string[]): Promise<void> {
    const known = await this.database.query<{ id: string }[]>(
      'SELECT id FROM folio WHERE lesson_id = $1 AND id = ANY($2::uuid[])',
      [lessonId, folioIds],
    );
    if (known.length !== new Set(folioIds).size || known.length !== folioIds.length) {
      throw refused('The line-up names a student who is not in this lesson, or one twice.');
    }
    await this.database.query('UPDATE lesson SET line_up = $2 WHERE id = $1', [
      lessonId,
      JSON.stringify(folioIds),
    ]);
  }
}

export function isDuplicate(error: QueryFailedError): boolean {
  return (error.driverError as { code?: string }).code === '23505';
}

import { Injectable } from '@nestjs/common';
import { makeReturnCode, readFolio, readLeaves, type Deck, type Presenting } from '@gobrel/core';
import { DataSource, QueryFailedError } from 'typeorm';
import * as Y from 'yjs';
import { hashToken, makeToken, random } from '../access/tokens.js';
import { isDuplicate, LessonsService, type Lesson } from '../lessons/LessonsService.js';
import { notFound, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { FolioProjector } from './FolioProjector.js';

export interface FolioRow {
  id: string;
  lessonId: string;
  name: string;
  returnCode: string;
  handedInAt: string | null;
}

/** A name to choose when joining. */
export interface NameOnList {
  id: string;
  name: string;
  isTaken: boolean;
}

/** What a student's device starts from. */
export interface StudentLesson {
  folioId: string;
  lessonId: string;
  name: string;
  returnCode: string;
  handedInAt: string | null;
  title: string;
  edition: Deck;
}

const COLUMNS = `id, lesson_id AS "lessonId", name, return_code AS "returnCode", handed_in_at AS "handedInAt"`;

@Injectable()
export class FoliosService {
  constructor(
    private readonly database: DataSource,
    private readonly lessons: LessonsService,
    private readonly sync: SyncService,
    private readonly projector: FolioProjector,
  ) {}

  async namesFor(lesson: Lesson): Promise<NameOnList[]> {
    if (!lesson.classListId) return [];
    return this.database.query<NameOnList[]>(
      `SELECT s.id, s.name, EXISTS (SELECT 1 FROM folio f WHERE f.lesson_id = $1
         AND (f.class_student_id = s.id OR lower(f.name) = lower(s.name))) AS "isTaken"
       FROM class_student s WHERE s.class_list_id = $2 ORDER BY s.name`,
      [lesson.id, lesson.classListId],
    );
  }

  /** Opens a folio under a name from the list or a typed one. A name is given to one student only. */
  async join(
    lesson: Lesson,
    who: { classStudentId?: string; name?: string; id?: string },
  ): Promise<FolioRow> {
    const name = await this.#nameOf(lesson, who);
    for (let attempt = 0; attempt < 20; attempt++) {
      try {
        const [folio] = await this.database.query<FolioRow[]>(
          `INSERT INTO folio (id, lesson_id, class_student_id, name, return_code)
           VALUES (coalesce($5::uuid, gen_random_uuid()), $1, $2, $3, $4) RETURNING ${COLUMNS}`,
          [lesson.id, who.classStudentId ?? null, name, makeReturnCode(random), who.id ?? null],
        );
        await this.projector.announce(lesson.id, folio!.id);
        return folio!;
      } catch (error) {
        if (!(error instanceof QueryFailedError && isDuplicate(error))) throw error;
        const constraint = (error.driverError as { constraint?: string }).constraint;
        if (constraint !== 'folio_return_code') {
          throw refused(
            `“${name}” has joined already. If that is you on another device, use your return code.`,
          );
        }
      }
    }
    throw refused('No free return code was found.');
  }

  async #nameOf(lesson: Lesson, who: { classStudentId?: string; name?: string }): Promise<string> {
    if (who.classStudentId) {
      const [row] = await this.database.query<{ name: string }[]>(
        'SELECT name FROM class_student WHERE id = $1 AND class_list_id = $2',
        [who.classStudentId, lesson.classListId],
      );
      if (!row) throw notFound('name on the class list');
      return row.name;
    }
    if (!lesson.allowsTypedNames) throw refused('Choose your name from the list.');
    return (who.name ?? '').replace(/\s+/g, ' ').trim();
  }

  /** The folio that a return code opens, or null. */
  async findByReturnCode(lessonId: string, returnCode: string): Promise<FolioRow | null> {
    const [row] = await this.database.query<FolioRow[]>(
      `SELECT ${COLUMNS} FROM folio WHERE lesson_id = $1 AND return_code = $2`,
      [lessonId, returnCode],
    );
    return row ?? null;
  }

  /** A token for one more device of this student. */
  async openDevice(folioId: string): Promise<string> {
    const token = makeToken();
    await this.database.query('INSERT INTO student_token (token_hash, folio_id) VALUES ($1, $2)', [
      hashToken(token),
      folioId,
    ]);
    return token;
  }

  async require(folioId: string): Promise<FolioRow> {
    const [row] = await this.database.query<FolioRow[]>(
      `SELECT ${COLUMNS} FROM folio WHERE id = $1`,
      [folioId],
    );
    if (!row) throw notFound('folio');
    return row;
  }

  async forStudent(folioId: string): Promise<StudentLesson> {
    const folio = await this.require(folioId);
    const lesson = await this.lessons.require(folio.lessonId);
    return {
      folioId,
      lessonId: lesson.id,
      name: folio.name,
      returnCode: folio.returnCode,
      handedInAt: folio.handedInAt,
      title: lesson.title,
      edition: await this.lessons.editionForStudents(lesson.editionId),
    };
  }

  /** Freezes the folio as an attempt. A second hand-in is refused. */
  async handIn(folioId: string): Promise<{ handedInAt: string }> {
    const folio = await this.require(folioId);
    if (folio.handedInAt) throw refused('This folio has been handed in already.');
    const lesson = await this.lessons.require(folio.lessonId);
    if (lesson.endedAt) throw refused('This lesson has ended.');
    const thaw = this.sync.freeze(`folio:${folioId}`);
    const handedInAt = await this.#keepAttempt(folioId).catch((error: unknown) => {
      thaw();
      throw error;
    });
    await this.projector.announce(folio.lessonId, folioId);
    return { handedInAt };
  }

  async #keepAttempt(folioId: string): Promise<string> {
    const doc = await this.sync.read(`folio:${folioId}`);
    return this.database.transaction(async (rows) => {
      const [row] = await rows.query<[{ handed_in_at: Date }[], number]>(
        'UPDATE folio SET handed_in_at = now() WHERE id = $1 AND handed_in_at IS NULL RETURNING handed_in_at',
        [folioId],
      );
      const updated = row[0];
      if (!updated) throw refused('This folio has been handed in already.');
      await rows.query(
        `INSERT INTO attempt (folio_id, number, folio, document)
         VALUES ($1, 1 + (SELECT count(*) FROM attempt WHERE folio_id = $1), $2, $3)`,
        [folioId, JSON.stringify(readFolio(doc)), Buffer.from(Y.encodeStateAsUpdate(doc))],
      );
      return updated.handed_in_at.toISOString();
    });
  }

  /** Resolves when all that has changed in open folios is in the rows. */
  settle(): Promise<void> {
    return this.projector.settle();
  }

  /** Checks that a student can present in this lesson, and starts on the first leaf. */
  async presenterOf(lessonId: string, folioId: string): Promise<Presenting> {
    const folio = await this.require(folioId);
    if (folio.lessonId !== lessonId) throw notFound('folio');
    const leaves = readLeaves(await this.sync.read(`folio:${folioId}`));
    return { folioId, who: folio.name, leafId: leaves[0]?.id ?? null };
  }

  /** The presenting student turns to a leaf. */
  async turnTo(folioId: string, leafId: string): Promise<void> {
    const folio = await this.require(folioId);
    const leaves = readLeaves(await this.sync.read(`folio:${folioId}`));
    if (!leaves.some((leaf) => leaf.id === leafId)) throw notFound('leaf');
    await this.lessons.change(folio.lessonId, (state) => {
      if (state.presenting?.folioId !== folioId) throw refused('It is not your turn to present.');
      return { ...state, presenting: { ...state.presenting, leafId } };
    });
  }
}

import { Injectable } from '@nestjs/common';
import {
  deskMarks,
  questionsOf,
  type Answer,
  type HandMark,
  type StudentResult,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import { LessonsService } from '../lessons/LessonsService.js';
import { notFound } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { FolioProjector } from './FolioProjector.js';

@Injectable()
export class ResultsService {
  constructor(
    private readonly database: DataSource,
    private readonly lessons: LessonsService,
    private readonly sync: SyncService,
    private readonly projector: FolioProjector,
  ) {}

  /** All that the students of a lesson did, by name. */
  async studentsOf(lessonId: string): Promise<StudentResult[]> {
    await this.projector.catchUp(lessonId);
    const [folios, answers, marks, visits] = await Promise.all([
      this.database.query<
        {
          id: string;
          name: string;
          handed_in_at: Date | null;
          is_practice: boolean;
          attempts: number;
        }[]
      >(
        `SELECT f.id, f.name, f.handed_in_at, f.is_practice,
           (SELECT count(*)::int FROM attempt a WHERE a.folio_id = f.id) AS attempts
         FROM folio f WHERE f.lesson_id = $1 AND f.status = 'in' ORDER BY lower(f.name)`,
        [lessonId],
      ),
      this.database.query<
        {
          folio_id: string;
          question_id: string;
          answer: Answer;
          score: number | null;
          answered_at: Date;
          is_late: boolean;
        }[]
      >('SELECT a.* FROM answer a JOIN folio f ON f.id = a.folio_id WHERE f.lesson_id = $1', [
        lessonId,
      ]),
      this.database.query<
        {
          folio_id: string;
          question_id: string;
          score: number | null;
          comment: string;
          stamp: string;
        }[]
      >('SELECT m.* FROM mark m JOIN folio f ON f.id = m.folio_id WHERE f.lesson_id = $1', [
        lessonId,
      ]),
      this.database.query<{ folio_id: string; slide_id: string; via: string; at: Date }[]>(
        `SELECT v.folio_id, v.slide_id, v.via, v.at FROM visit v JOIN folio f ON f.id = v.folio_id
         WHERE f.lesson_id = $1 ORDER BY v.folio_id, v.seq`,
        [lessonId],
      ),
    ]);
    const students = new Map(
      folios.map((row): [string, StudentResult] => [
        row.id,
        {
          folioId: row.id,
          name: row.name,
          handedInAt: row.handed_in_at?.toISOString() ?? null,
          attempts: row.attempts,
          isPractice: row.is_practice,
          answers: {},
          marks: {},
          walk: [],
        },
      ]),
    );
    for (const { folio_id, question_id, answer, score, answered_at, is_late } of answers) {
      const student = students.get(folio_id);
      const at = answered_at.toISOString();
      if (student) student.answers[question_id] = { answer, score, at, isLate: is_late };
    }
    for (const { folio_id, question_id, score, comment, stamp } of marks) {
      const student = students.get(folio_id);
      if (student) student.marks[question_id] = { score, comment, stamp };
    }
    for (const { folio_id, slide_id, via, at } of visits) {
      students.get(folio_id)?.walk.push({ slideId: slide_id, via, at: at.getTime() });
    }
    return [...students.values()];
  }

  /** A mark by hand; one that says nothing is taken away again. */
  async mark(lessonId: string, folioId: string, questionId: string, mark: HandMark): Promise<void> {
    const { editionId } = await this.lessons.require(lessonId);
    if (!questionsOf(await this.lessons.edition(editionId)).has(questionId)) {
      throw notFound('question');
    }
    const { score } = mark;
    await this.#keep(folioId, questionId, mark);
    await this.sync.write(`desk:${lessonId}`, (doc) => {
      const key = `${folioId}/${questionId}`;
      if (score === null) deskMarks(doc).delete(key);
      else deskMarks(doc).set(key, score);
    });
  }

  async #keep(
    folioId: string,
    questionId: string,
    { score, comment, stamp }: HandMark,
  ): Promise<void> {
    if (score === null && comment.trim() === '' && stamp === '') {
      await this.database.query('DELETE FROM mark WHERE folio_id = $1 AND question_id = $2', [
        folioId,
        questionId,
      ]);
      return;
    }
    await this.database.query(
      `INSERT INTO mark (folio_id, question_id, score, comment, stamp) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (folio_id, question_id) DO UPDATE
         SET score = excluded.score, comment = excluded.comment, stamp = excluded.stamp, marked_at = now()`,
      [folioId, questionId, score, comment, stamp],
    );
  }
}

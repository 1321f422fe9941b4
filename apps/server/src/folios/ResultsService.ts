import { Injectable } from '@nestjs/common';
import {
  deskMarks,
  questionsOf,
  type HandMark,
  type StudentResult,
  type ElementId,
  type FolioId,
  type LinkId,
  type SlideId,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import { flag, id, moment, number, orNull, rowsOf, text } from '../database/rows.js';
import { LessonsService } from '../lessons/LessonsService.js';
import { notFound } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { FolioProjector } from './FolioProjector.js';
import { readAnswers } from './folioRows.js';
import { MarkRow } from './folios.entities.js';

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
      rowsOf(
        this.database,
        {
          id: id<FolioId>(),
          name: text,
          handed_in_at: orNull(moment),
          is_practice: flag,
          attempts: number,
        },
        `SELECT f.id, f.name, f.handed_in_at, f.is_practice,
           (SELECT count(*)::int FROM attempt a WHERE a.folio_id = f.id) AS attempts
         FROM folio f WHERE f.lesson_id = $1 AND f.status = 'in' ORDER BY lower(f.name)`,
        [lessonId],
      ),
      readAnswers(this.database, lessonId),
      rowsOf(
        this.database,
        {
          folio_id: id<FolioId>(),
          question_id: id<ElementId>(),
          score: orNull(number),
          comment: text,
          stamp: text,
        },
        'SELECT m.* FROM mark m JOIN folio f ON f.id = m.folio_id WHERE f.lesson_id = $1',
        [lessonId],
      ),
      rowsOf(
        this.database,
        { folio_id: id<FolioId>(), slide_id: id<SlideId>(), via: id<LinkId>(), at: moment },
        `SELECT v.folio_id, v.slide_id, v.via, v.at FROM visit v JOIN folio f ON f.id = v.folio_id
         WHERE f.lesson_id = $1 ORDER BY v.folio_id, v.seq`,
        [lessonId],
      ),
    ]);
    const students = new Map(
      folios.map((row): [FolioId, StudentResult] => [
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
  async mark(
    lessonId: string,
    folioId: string,
    questionId: ElementId,
    mark: HandMark,
  ): Promise<void> {
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
    questionId: ElementId,
    { score, comment, stamp }: HandMark,
  ): Promise<void> {
    const marks = this.database.getRepository(MarkRow);
    if (score === null && comment.trim() === '' && stamp === '') {
      await marks.delete({ folioId, questionId });
      return;
    }
    const mark = { folioId, questionId, score, comment, stamp, markedAt: new Date() };
    await marks.upsert(mark, ['folioId', 'questionId']);
  }
}

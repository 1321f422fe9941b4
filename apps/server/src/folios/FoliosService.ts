import { Injectable } from '@nestjs/common';
import {
  leafOnPattern,
  questionsOf,
  readLeaves,
  type ElementId,
  type JoinedLesson,
  type OthersLeaf,
  type Presenting,
  type StudentMark,
  type FolioId,
  type SlideId,
  idOf,
} from '@gobrel/core';
import { DataSource, type Repository } from 'typeorm';
import { flag, id, number, orNull, rowOf, rowsOf, text } from '../database/rows.js';
import { DeskService } from '../lessons/DeskService.js';
import { isDuplicate, LessonsService } from '../lessons/LessonsService.js';
import { notFound, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { AttemptsService } from './AttemptsService.js';
import { BlocksService } from './BlocksService.js';
import { FolioProjector } from './FolioProjector.js';
import { findFolio, type JoinedFolio } from './folioRows.js';
import { AnswerRow, FolioRow } from './folios.entities.js';

@Injectable()
export class FoliosService {
  readonly #folios: Repository<FolioRow>;

  constructor(
    private readonly database: DataSource,
    private readonly lessons: LessonsService,
    private readonly desk: DeskService,
    private readonly sync: SyncService,
    private readonly projector: FolioProjector,
    private readonly blocks: BlocksService,
    private readonly attempts: AttemptsService,
  ) {
    this.#folios = database.getRepository(FolioRow);
  }

  /** What a teacher changes of a student of this lesson. */
  async change(
    lessonId: string,
    folioId: string,
    to: { name?: string; status?: 'in'; mayAddDevice?: boolean; hasHandUp?: false },
  ): Promise<void> {
    await this.requireIn(lessonId, folioId);
    try {
      const { name, status, mayAddDevice } = to;
      // What is not given stays as it is.
      const changed = {
        name,
        status,
        mayAddDevice,
        handUpAt: to.hasHandUp === false ? null : undefined,
      };
      if (Object.values(changed).some((value) => value !== undefined)) {
        await this.#folios.update({ id: idOf<FolioId>(folioId) }, changed);
      }
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      throw refused(`There is a “${to.name}” in this lesson already.`);
    }
    // Its devices hear of a new name, or that they are let in, by coming back.
    if (to.name !== undefined || to.status !== undefined) this.sync.hangUpOn({ folioId });
    await this.projector.announce(lessonId, folioId);
  }

  /** Takes students out of a lesson, with all that they did; from their devices at once. */
  async remove(lessonId: string, folioIds: string[], isBlocked = false): Promise<void> {
    const gone = await rowsOf(
      this.database,
      { id: id<FolioId>(), name: text },
      'DELETE FROM folio WHERE lesson_id = $1 AND id = ANY($2::uuid[]) RETURNING id, name',
      [lessonId, folioIds],
    );
    if (gone.length === 0) throw notFound('student');
    if (isBlocked) {
      await this.blocks.add(
        lessonId,
        gone.map(({ name }) => name),
      );
    }
    for (const { id } of gone) {
      this.sync.hangUpOn({ folioId: id });
      await this.sync.forget(`folio:${id}`);
    }
    const ids = gone.map(({ id }) => id);
    await this.desk.leaveOut(lessonId, ids);
    await this.projector.announce(lessonId, ...ids);
  }

  /** A student puts a hand up, or takes it down. */
  async setHand(folioId: string, isUp: boolean): Promise<void> {
    const row = await rowOf(
      this.database,
      { lesson_id: text },
      `UPDATE folio SET hand_up_at = CASE WHEN $2 THEN coalesce(hand_up_at, now()) END WHERE id = $1
       RETURNING lesson_id`,
      [folioId, isUp],
    );
    if (row) await this.projector.announce(row.lesson_id, folioId);
  }

  async require(folioId: string): Promise<JoinedFolio> {
    const folio = await findFolio(this.database, 'id = $1', [folioId]);
    if (!folio) throw notFound('folio');
    return folio;
  }

  /** A folio of this very lesson. */
  async requireIn(lessonId: string, folioId: string): Promise<JoinedFolio> {
    const folio = await this.require(folioId);
    if (folio.lessonId !== lessonId) throw notFound('student');
    return folio;
  }

  /**
   * What a student may see of the marks by now; null when none. Marks by hand take the place of the machine's, and what
   * came late and does not count has only those. Where marks come at once, they come for what the student is done with:
   * whoever could try tick by tick would read the key off the marks.
   */
  async marksFor(folioId: string): Promise<Record<ElementId, StudentMark> | null> {
    const folio = await this.require(folioId);
    const { settings, editionId } = await this.lessons.require(folio.lessonId);
    const { seesMarks, isReleased, countsLate } = settings;
    const isSeen =
      seesMarks === 'at-once' ||
      (seesMarks === 'after-hand-in' && folio.handedInAt !== null) ||
      (seesMarks === 'when-released' && isReleased);
    if (!isSeen) return null;
    const questions = questionsOf(await this.lessons.edition(editionId));
    const rows = await rowsOf(
      this.database,
      {
        id: id<ElementId>(),
        score: orNull(number),
        comment: orNull(text),
        stamp: orNull(text),
        is_done: flag,
        is_locked: flag,
      },
      `SELECT a.question_id AS id, coalesce(m.score, CASE WHEN $2 OR NOT a.is_late THEN a.score END) AS score, m.comment, m.stamp,
         a.is_done OR m.folio_id IS NOT NULL AS is_done, a.is_locked
       FROM answer a LEFT JOIN mark m ON m.folio_id = a.folio_id AND m.question_id = a.question_id
       WHERE a.folio_id = $1`,
      [folioId, countsLate],
    );
    return Object.fromEntries(
      rows.flatMap(({ id, score, comment, stamp, is_done, is_locked }) => {
        const asked = questions.get(id);
        if (!asked) return [];
        const waits = seesMarks === 'at-once' && folio.handedInAt === null;
        if (waits && !is_done && !asked.isFinal) return [];
        const { explanation, question } = asked;
        const mark: StudentMark = {
          score,
          points: question.points,
          explanation,
          comment: comment ?? '',
          stamp: stamp ?? '',
          isLocked: is_locked,
        };
        return [[id, mark]];
      }),
    );
  }

  /**
   * A student is done with an answer, as it is in the rows by now: its mark may be seen where marks come at once, and
   * it stands from then on where the lesson says so.
   */
  async done(folioId: string, questionId: ElementId): Promise<void> {
    const folio = await this.require(folioId);
    const { settings, endedAt } = await this.lessons.require(folio.lessonId);
    if (endedAt) throw refused('This lesson has ended.');
    if (settings.seesMarks !== 'at-once')
      throw refused('Marks do not come at once in this lesson.');
    await this.projector.settleFolio(folioId);
    const { affected } = await this.database
      .getRepository(AnswerRow)
      .update(
        { folioId, questionId },
        settings.locksDone ? { isDone: true, isLocked: true } : { isDone: true },
      );
    if (!affected) throw refused('There is no answer to this question yet.');
    if (settings.locksDone) this.projector.lock(folioId, questionId);
  }

  /** Leaves of all others in the lesson, as they are now; none unless the lesson's settings let them be seen. */
  async leavesOfOthers(folioId: string): Promise<OthersLeaf[]> {
    const folio = await this.require(folioId);
    const { settings, editionId } = await this.lessons.require(folio.lessonId);
    if (!settings.seesLeaves) return [];
    const { slides } = await this.lessons.editionForStudents(editionId);
    const others = await rowsOf(
      this.database,
      { id: text, name: text },
      `SELECT id, name FROM folio WHERE lesson_id = $1 AND id <> $2 AND leaves <> '[]' AND status = 'in'
       ORDER BY lower(name) LIMIT 60`,
      [folio.lessonId, folioId],
    );
    const all: OthersLeaf[] = [];
    for (const { id, name } of others) {
      const leaves = readLeaves(await this.sync.read(`folio:${id}`));
      all.push(
        ...leaves.map((leaf) => ({ name, slide: leafOnPattern(leaf, slides[leaf.patternId]) })),
      );
    }
    return all;
  }

  async forStudent(folioId: string): Promise<JoinedLesson<Date>> {
    const folio = await this.require(folioId);
    const lesson = await this.lessons.require(folio.lessonId);
    return {
      folioId,
      lessonId: lesson.id,
      name: folio.name,
      returnCode: folio.returnCode,
      handedInAt: folio.handedInAt,
      handUpAt: folio.handUpAt,
      attempts: { made: await this.attempts.countOf(folioId), most: lesson.settings.attempts },
      seesMarks: lesson.settings.seesMarks,
      seesClassAnswers: lesson.settings.seesClassAnswers,
      seesLeaves: lesson.settings.seesLeaves,
      title: lesson.title,
      now: Date.now(),
      edition:
        folio.status === 'in' ? await this.lessons.editionForStudents(lesson.editionId) : null,
    };
  }

  /** Opens a folio that was handed in for another attempt, while the lesson allows one. */
  async tryAgain(folioId: string): Promise<void> {
    const folio = await this.require(folioId);
    const lesson = await this.lessons.require(folio.lessonId);
    if (lesson.endedAt) throw refused('This lesson has ended.');
    if ((await this.attempts.countOf(folioId)) >= lesson.settings.attempts) {
      throw refused('This lesson allows no other attempt.');
    }
    await this.open(folioId);
  }

  /** Lets a folio be written again that was handed in; its attempts stay. */
  async open(folioId: string): Promise<void> {
    const { lessonId } = await this.require(folioId);
    await this.#folios.update({ id: idOf<FolioId>(folioId) }, { handedInAt: null });
    await this.database
      .getRepository(AnswerRow)
      .update({ folioId, isDone: true }, { isDone: false, isLocked: false });
    this.projector.unlock(folioId);
    this.sync.reopen(`folio:${folioId}`);
    await this.projector.announce(lessonId, folioId);
  }

  /** Freezes the folio as an attempt. A second hand-in is refused. */
  async handIn(folioId: string): Promise<{ handedInAt: string }> {
    const folio = await this.require(folioId);
    if (folio.handedInAt) throw refused('This folio has been handed in already.');
    const lesson = await this.lessons.require(folio.lessonId);
    if (lesson.endedAt) throw refused('This lesson has ended.');
    const thaw = this.sync.freeze(`folio:${folioId}`);
    const handedInAt = await this.attempts.keep(folioId).catch((error: unknown) => {
      thaw();
      throw error;
    });
    await this.projector.catchUp(folio.lessonId);
    await this.projector.announce(folio.lessonId, folioId);
    return { handedInAt };
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
    return { folioId: folio.id, who: folio.name, leafId: leaves[0]?.id ?? null };
  }

  /** The presenting student turns to a leaf. */
  async turnTo(folioId: string, leafId: SlideId): Promise<void> {
    const folio = await this.require(folioId);
    const leaves = readLeaves(await this.sync.read(`folio:${folioId}`));
    if (!leaves.some((leaf) => leaf.id === leafId)) throw notFound('leaf');
    await this.lessons.change(folio.lessonId, (state) => {
      if (state.presenting?.folioId !== folioId) throw refused('It is not your turn to present.');
      return { ...state, presenting: { ...state.presenting, leafId } };
    });
  }
}

import { Injectable } from '@nestjs/common';
import {
  linedUp,
  normalised,
  questionsOf,
  writeDeskWork,
  type DeskWork,
  type ElementId,
  type FolioId,
} from '@gobrel/core';
import { isAny } from '../database/rows.js';
import { notFound, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { editionIn } from './editions.js';
import { LessonsService, type Locked } from './LessonsService.js';

/** What teachers set at a lesson's desk beside its state: what counts alike, what is starred, who is lined up. */
@Injectable()
export class DeskService {
  constructor(
    private readonly lessons: LessonsService,
    private readonly sync: SyncService,
  ) {}

  /** Counts what was written as something else that was; null parts them again. */
  async liken(
    lessonId: string,
    questionId: ElementId,
    text: string,
    as: string | null,
  ): Promise<void> {
    const lesson = await this.lessons.alter(
      lessonId,
      async (lesson, rows) => {
        const asked = questionsOf(await editionIn(rows, lesson.editionId)).get(questionId);
        if (asked?.question.kind !== 'textEntry') {
          throw refused('Only words that were written can count as others.');
        }
        const { [normalised(text)]: _before, ...others } = lesson.likened[questionId] ?? {};
        const ofQuestion = as ? { ...others, [normalised(text)]: normalised(as) } : others;
        if (Object.keys(ofQuestion).length > 300) {
          throw refused('Three hundred are likened at the most.');
        }
        lesson.likened = { ...lesson.likened, [questionId]: ofQuestion };
        lesson.state.renewed += 1;
      },
      true,
    );
    await this.#tellDesks(lessonId, lesson, ['likened']);
  }

  /** Stars an answer to be shown, or takes its star away. */
  async star(lessonId: string, answer: string, isStarred: boolean): Promise<void> {
    const lesson = await this.lessons.alter(
      lessonId,
      (lesson) => {
        const others = lesson.starred.filter((one) => one !== answer);
        lesson.starred = isStarred ? [...others, answer] : others;
        if (lesson.starred.length > 300) {
          throw refused('Three hundred answers are starred at the most.');
        }
      },
      true,
    );
    await this.#tellDesks(lessonId, lesson, ['starred']);
  }

  /** Puts a student of the lesson into the line-up before another, or last; who is in it moves. */
  async lineUp(lessonId: string, folioId: FolioId, before: FolioId | null): Promise<void> {
    const lesson = await this.lessons.alter(
      lessonId,
      async (lesson, rows) => {
        const isKnown = await isAny(rows, 'SELECT 1 FROM folio WHERE lesson_id = $1 AND id = $2', [
          lessonId,
          folioId,
        ]);
        if (!isKnown) throw notFound('student');
        lesson.lineUp = linedUp(lesson.lineUp, folioId, before);
      },
      true,
    );
    await this.#tellDesks(lessonId, lesson, ['lineUp']);
  }

  async takeOutOfLineUp(lessonId: string, folioId: string): Promise<void> {
    const lesson = await this.lessons.alter(
      lessonId,
      (lesson) => {
        lesson.lineUp = lesson.lineUp.filter((one) => one !== folioId);
      },
      true,
    );
    await this.#tellDesks(lessonId, lesson, ['lineUp']);
  }

  /** Of students who are taken out nothing stays lined up, starred or on the big screen. */
  async leaveOut(lessonId: string, folioIds: readonly string[]): Promise<void> {
    const isGone = (folioId: string | undefined): boolean => folioIds.includes(folioId ?? '');
    const lesson = await this.lessons.alter(
      lessonId,
      (lesson) => {
        lesson.lineUp = lesson.lineUp.filter((one) => !isGone(one));
        lesson.starred = lesson.starred.filter((one) => !isGone(one.split('/')[0]));
        const { presenting, shown } = lesson.state;
        if (isGone(presenting?.folioId)) lesson.state.presenting = null;
        if (isGone(shown?.folioId)) lesson.state.shown = null;
      },
      true,
    );
    await this.#tellDesks(lessonId, lesson, ['lineUp', 'starred']);
  }

  /** Everyone at the lesson's desk sees what one of them has set. */
  #tellDesks(
    lessonId: string,
    lesson: Locked,
    changed: readonly (keyof DeskWork)[],
  ): Promise<void> {
    const work = Object.fromEntries(changed.map((name) => [name, lesson[name]]));
    return this.sync.write(`desk:${lessonId}`, (doc) =>
      writeDeskWork(doc, work, lesson.state.version),
    );
  }
}

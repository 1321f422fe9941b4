import { Injectable } from '@nestjs/common';
import {
  askedBefore,
  leafOnPattern,
  makeReturnCode,
  questionsOf,
  readDesk,
  readLeaves,
  votesOn,
  type Desk,
  type LinkId,
  type ScreenLesson,
  type ScreenShows,
  sure,
} from '@gobrel/core';
import { DataSource, LessThan, MoreThan } from 'typeorm';
import { OPEN_SCREEN } from '../access/openScreen.js';
import { hashToken, makeToken, random } from '../access/tokens.js';
import type { Lesson } from '../lessons/lessonRows.js';
import { ScreenRow } from '../lessons/lessons.entities.js';
import { LessonsService } from '../lessons/LessonsService.js';
import { orNull, rowOf, text } from '../database/rows.js';
import { Problem } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';

/** Milliseconds. */
const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Screens of a device of their own: paired with a lesson by a short code. */
@Injectable()
export class ScreensService {
  constructor(
    private readonly database: DataSource,
    private readonly lessons: LessonsService,
    private readonly sync: SyncService,
  ) {}

  /** A screen that waits to be paired. */
  async open(): Promise<{ token: string; code: string }> {
    const screens = this.database.getRepository(ScreenRow);
    await screens.delete({ createdAt: LessThan(new Date(Date.now() - DAY)) });
    const [token, code] = [makeToken(), makeReturnCode(random)];
    await screens.insert({ tokenHash: hashToken(token), code });
    return { token, code };
  }

  /** Pairs the screen that shows this code with a lesson: the code is used up. */
  async pair(lessonId: string, code: string): Promise<void> {
    const lately = MoreThan(new Date(Date.now() - HOUR));
    const { affected } = await this.database
      .getRepository(ScreenRow)
      .update({ code, createdAt: lately }, { lessonId, code: null });
    if (!affected) {
      throw new Problem(404, 'Not found', 'No screen shows this code. Look at it again.');
    }
  }

  /** Nothing more of a lesson is shown on screens that were paired with it. */
  async part(lessonId: string): Promise<void> {
    await this.database.getRepository(ScreenRow).delete({ lessonId });
  }

  /**
   * What a screen shows: null for one that is not known, its code while it waits. `has` is the making of the edition
   * that it was given last, as the lesson's state counts them.
   */
  async shown(
    token: string | undefined,
    has: number | null,
  ): Promise<{ code: string | null; lesson: ScreenLesson | null } | null> {
    const row = await rowOf(
      this.database,
      { code: orNull(text), lesson_id: orNull(text) },
      `SELECT s.code, s.lesson_id FROM ${OPEN_SCREEN} WHERE s.token_hash = $1`,
      [hashToken(token ?? '')],
    );
    if (!row) return null;
    if (!row.lesson_id) return { code: row.code, lesson: null };
    const lesson = await this.lessons.require(row.lesson_id);
    const { title, joinCode, state, editionId } = lesson;
    return {
      code: null,
      lesson: {
        title,
        joinCode,
        state,
        now: Date.now(),
        edition: has === state.renewed ? null : await this.lessons.editionForStudents(editionId),
        shows: await this.#shows(lesson),
        votes: await this.#votes(lesson),
      },
    };
  }

  /** What is put up, for students' own devices: null unless the lesson lets them see it. */
  async putUpForStudents(
    lessonId: string,
  ): Promise<Extract<ScreenShows, { kind: 'tally' }> | null> {
    const lesson = await this.lessons.require(lessonId);
    if (!lesson.settings.seesClassAnswers || lesson.endedAt) return null;
    const state = { ...lesson.state, presenting: null, shown: null };
    const shows = await this.#shows({ ...lesson, state });
    return shows?.kind === 'tally' ? shows : null;
  }

  async #votes({ id, state }: Lesson): Promise<Record<LinkId, number> | null> {
    if (!state.vote || state.vote.slideId !== state.slideId) return null;
    const { students } = await this.#desk(id);
    return votesOn(students, state.vote.slideId);
  }

  async #shows({ id, state, editionId }: Lesson): Promise<ScreenShows> {
    const { presenting, shown, putUp } = state;
    if (!presenting && !shown && !putUp) return null;
    const edition = await this.lessons.edition(editionId);
    if (presenting) {
      const leaves = readLeaves(await this.sync.read(`folio:${presenting.folioId}`));
      const leaf = leaves.find((one) => one.id === presenting.leafId) ?? leaves[0];
      return leaf
        ? {
            kind: 'leaf',
            slide: leafOnPattern(leaf, edition.slides[leaf.patternId]),
            who: presenting.who,
          }
        : null;
    }
    const questionId = shown?.questionId ?? putUp?.questionId;
    const asked = questionId && questionsOf(edition).get(questionId);
    if (!asked) return null;
    const showsKey = !shown && putUp?.showsKey === true;
    const question = { ...asked, explanation: '', ...(showsKey ? {} : { key: null }) };
    const desk = await this.#desk(id);
    if (shown) {
      const student = desk.students.find(({ folioId }) => folioId === shown.folioId);
      const answer = student?.answers[asked.id]?.answer;
      const name = shown.withName ? (student?.name ?? '') : '';
      return answer ? { kind: 'answer', question, answer, name } : null;
    }
    const tally = desk.tallies[asked.id];
    const inside = desk.students.filter(({ status }) => status === 'in');
    const answers = inside.flatMap(({ answers }) => answers[asked.id]?.answer ?? []);
    const earlier = askedBefore(asked.question);
    const before = (earlier && desk.tallies[earlier]) || null;
    return tally
      ? { kind: 'tally', question, tally, before, students: inside.length, answers }
      : null;
  }

  /** The desk as it is, whether or not somebody sits at it. */
  async #desk(lessonId: string): Promise<Desk> {
    const connection = await this.sync.hocuspocus.openDirectConnection(`desk:${lessonId}`);
    const read: Desk[] = [];
    await connection.transact((doc) => {
      read.push(readDesk(doc));
    });
    await connection.disconnect();
    return sure(read[0], 'a transaction is run before it resolves');
  }
}

import {
  Injectable,
  Logger,
  type BeforeApplicationShutdown,
  type OnApplicationBootstrap,
  type OnModuleInit,
} from '@nestjs/common';
import type { DirectConnection, Document } from '@hocuspocus/server';
import {
  deskAlarms,
  deskEntries,
  FolioProjection,
  questionsOf,
  slidesMap,
  type ElementId,
} from '@gobrel/core';
import { DataSource, QueryFailedError } from 'typeorm';
import { LessonsService } from '../lessons/LessonsService.js';
import { Problem } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { fillDesk, forget, markDeskAnew } from './deskDocument.js';
import * as rows from './folioRows.js';
import { hasItsStudent, type LiveFolio } from './liveFolio.js';
import { LiveLessons, type LiveLesson } from './LiveLessons.js';
import { PassQueue } from './PassQueue.js';
import { Projection } from './Projection.js';

/**
 * Milliseconds between two passes. What a desk sees comes no later for a person, and a busy class costs ten
 * transactions a second instead of hundreds, which the updates on their way to disk would have to wait for.
 */
const PASS_PAUSE = 100;

/**
 * Follows the folio documents that are open in this process: what they change is written into rows, marked, and told to
 * the desk, in the passes of a queue.
 * On opening, a folio is projected whole: whatever a crash kept from the rows is made good. A folio that nobody opens
 * is visited (`catchUp`): all of them when the server starts, those of a lesson before its results are told.
 */
@Injectable()
export class FolioProjector
  implements OnModuleInit, OnApplicationBootstrap, BeforeApplicationShutdown
{
  #logger = new Logger('projector');
  #live: LiveLessons;
  #folios = new Map<string, LiveFolio>();
  #queue: PassQueue<LiveFolio>;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly lessons: LessonsService,
  ) {
    this.#live = new LiveLessons(sync, lessons);
    const projection = new Projection(database, this.#live, {
      rest: (folio) => this.#queue.rest(folio),
      refresh: (lesson) => this.#refresh(lesson),
      mayRest: () => !this.#queue.isClosing,
      problem: (sentence) => this.#logger.error(sentence),
    });
    this.#queue = new PassQueue(PASS_PAUSE, {
      pass: (batch) => projection.write(batch),
      latest: (folio) => this.#folios.get(folio.id) ?? folio,
      isLasting,
      problem: (sentence) => this.#logger.error(sentence),
    });
  }

  onModuleInit(): void {
    this.sync.keep({
      kind: 'folio',
      onLoad: (folioId, doc) => this.#follow(folioId, doc),
      onUnload: (folioId) => this.#leave(folioId),
      onPresence: (folioId) => this.#touch(folioId),
    });
    this.sync.keep({ kind: 'desk', onLoad: (lessonId, doc) => this.#fillDesk(lessonId, doc) });
  }

  onApplicationBootstrap(): void {
    this.catchUp(null).catch((error: unknown) => this.#logger.error(String(error)));
  }

  /**
   * Makes good what is stored in folios of a lesson, or of all, and is not in their rows; folios that are open here are
   * followed anyway. Resolves when all is in the rows. One that cannot be read is told of and does not hold up the others.
   */
  async catchUp(lessonId: string | null): Promise<void> {
    for (const folioId of await rows.behind(this.database, lessonId)) {
      if (this.#queue.isClosing || this.#folios.has(folioId)) continue;
      try {
        await this.sync.visit(`folio:${folioId}`);
      } catch (error) {
        this.#logger.error(`folio ${folioId}: ${String(error)}`);
      }
    }
    await this.settle();
  }

  /** From now on an answer of a folio stands; its row says so already. */
  lock(folioId: string, questionId: ElementId): void {
    this.#folios.get(folioId)?.projection.lock(questionId);
  }

  unlock(folioId: string): void {
    this.#folios.get(folioId)?.projection.unlock();
  }

  isFollowing(folioId: string): boolean {
    return this.#folios.has(folioId);
  }

  async #follow(folioId: string, doc: Document): Promise<void> {
    const known = await rows.readKnown(this.database, folioId);
    if (!known) return;
    const lesson = await this.#live.hold(known.lessonId);
    try {
      this.#open(folioId, doc, lesson, known);
    } catch (error) {
      await this.#live.letGo(lesson);
      throw error;
    }
  }

  #open(folioId: string, doc: Document, lesson: LiveLesson, known: rows.KnownOfFolio): void {
    const { edition, questions } = lesson;
    const folio: LiveFolio = {
      id: folioId,
      lesson,
      doc,
      projection: new FolioProjection(doc, edition, questions, known),
      onUpdate: () => {
        folio.activeAt = Date.now();
        folio.storedAt = null;
        this.#queue.mark(folio);
      },
      activeAt: 0,
      isHere: false,
      backAt: 0,
      leaves: [],
      hasNewLeaves: true,
      isUnreadable: false,
      cost: 0,
      restsUntil: 0,
      lastHereAt: null,
      leftAt: known.activeAt?.getTime() ?? null,
      storedAt: known.storedAt?.getTime() ?? null,
      upTo: null,
    };
    this.#folios.set(folioId, folio);
    slidesMap(doc).observeDeep(() => (folio.hasNewLeaves = true));
    doc.on('update', folio.onUpdate);
    this.#queue.mark(folio);
  }

  #leave(folioId: string): void {
    const folio = this.#folios.get(folioId);
    if (!folio) return;
    folio.upTo = this.sync.storedUpTo(`folio:${folioId}`);
    this.#queue.mark(folio);
    folio.doc.off('update', folio.onUpdate);
    this.#folios.delete(folioId);
    this.settle()
      .finally(() => this.#live.letGo(folio.lesson))
      .catch((error: unknown) => this.#logger.error(String(error)));
  }

  /**
   * A lesson has another edition or other settings: all that is known of it is marked and counted by those from now on.
   * Answers that do not fit their question any more are let go from rows and desk; the folio keeps them.
   */
  async renew(lessonId: string): Promise<void> {
    await this.#live.during(lessonId, async (lesson) => {
      await this.#refresh(lesson);
      // What was on its way by the questions from before is in the rows, and marked anew with them.
      await this.settle();
      await rows.markAnew(this.database, lessonId, lesson.questions);
      await lesson.desk?.transact((doc) => markDeskAnew(doc, lesson.questions));
    });
  }

  /** Marks and counts by the lesson as it is now; each server does so when the lesson's state says that it is renewed. */
  async #refresh(lesson: LiveLesson): Promise<void> {
    await this.#live.refresh(lesson);
    for (const folio of this.#folios.values()) {
      if (folio.lesson !== lesson) continue;
      const { answered, locked, steps } = folio.projection;
      folio.projection = new FolioProjection(folio.doc, lesson.edition, lesson.questions, {
        answered,
        locked,
        steps,
      });
      this.#queue.mark(folio);
    }
  }

  #touch(folioId: string): void {
    const folio = this.#folios.get(folioId);
    if (!folio) return;
    const isHere = hasItsStudent(folio);
    if (isHere && !folio.isHere) {
      folio.lastHereAt = folio.leftAt;
      folio.backAt = Date.now();
    }
    if (!isHere && folio.isHere) folio.leftAt = Date.now();
    folio.isHere = isHere;
    this.#queue.mark(folio);
  }

  async #fillDesk(lessonId: string, doc: Document): Promise<void> {
    const lesson = await this.lessons.require(lessonId);
    const { editionId, settings, lineUp, starred, likened } = lesson;
    const known = await rows.readLesson(this.database, lessonId);
    fillDesk(doc, {
      known,
      work: { lineUp, starred, likened },
      version: lesson.state.version,
      questions: questionsOf(await this.lessons.edition(editionId)),
      countsLate: settings.countsLate,
      isHere: (folioId) => this.#isHere(folioId),
    });
  }

  #isHere(folioId: string): boolean {
    const folio = this.#folios.get(folioId);
    return folio ? hasItsStudent(folio) : false;
  }

  /** Tells the desk of a folio that has joined, changed or been handed in; of one that is gone, that it is. */
  async announce(lessonId: string, ...folioIds: string[]): Promise<void> {
    await this.#withDesk(lessonId, async (desk) => {
      for (const folioId of folioIds) {
        const entry = await rows.readEntry(this.database, folioId);
        await desk.transact((doc) => {
          if (!entry) {
            forget(doc, folioId);
            return;
          }
          const activeAt = deskEntries(doc).get(folioId)?.activeAt ?? 0;
          deskEntries(doc).set(folioId, { ...entry, activeAt, isHere: this.#isHere(folioId) });
        });
      }
    });
  }

  /** Tells the desk that somebody seems to guess return codes. */
  alarm(lessonId: string, wrongCodes: number): Promise<void> {
    return this.#withDesk(lessonId, (desk) =>
      desk.transact((doc) => void deskAlarms(doc).set('returnCodes', wrongCodes)),
    );
  }

  #withDesk(lessonId: string, tell: (desk: DirectConnection) => Promise<void>): Promise<void> {
    return this.#live.during(lessonId, async ({ desk }) => {
      if (desk) await tell(desk);
    });
  }

  /** Resolves when all that has changed so far is in the rows; what changes meanwhile is not waited for. */
  settle(): Promise<void> {
    return this.#queue.settle();
  }

  /** The same for one folio, also when it has to wait for its turn. */
  settleFolio(folioId: string): Promise<void> {
    return this.#queue.settleOne(() => this.#folios.get(folioId));
  }

  async beforeApplicationShutdown(): Promise<void> {
    await this.sync.close();
    await this.#queue.close();
    await this.#live.closeAll();
  }
}

/**
 * Whether something would go wrong again however often it was tried: the database refused what it was given (SQLSTATE
 * classes 21 to 23), rather than being out of reach; what it was for is gone; or it is a mistake of ours.
 */
const isLasting = (error: unknown): boolean =>
  error instanceof QueryFailedError
    ? /^2[123]/.test((error.driverError as { code?: string }).code ?? '')
    : error instanceof Problem || error instanceof TypeError || error instanceof RangeError;

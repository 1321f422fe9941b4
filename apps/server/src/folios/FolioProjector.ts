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
  readLeafTitles,
  SERVER_LIMITS,
  slidesMap,
  type ElementId,
  type LessonState,
} from '@gobrel/core';
import { DataSource, QueryFailedError } from 'typeorm';
import { LessonsService } from '../lessons/LessonsService.js';
import { Problem } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import {
  fillDesk,
  forget,
  markDeskAnew,
  tellDesk,
  withOpenVotes,
  type Told,
} from './deskDocument.js';
import * as rows from './folioRows.js';
import { hasItsStudent, nowOf, withLateness, type LiveFolio } from './liveFolio.js';
import { LiveLessons, type LiveLesson } from './LiveLessons.js';

/**
 * Milliseconds between two passes. What a desk sees comes no later for a person, and a busy class costs ten
 * transactions a second instead of hundreds, which the updates on their way to disk would have to wait for.
 */
const PASS_PAUSE = 100;
/** Folios worked on before others on this server get their turn. */
const AT_ONCE = 4;

/**
 * Follows the folio documents that are open in this process: writes what they change into rows, marks, and tells
 * the desk. Between two passes the next changes gather, so the busier it is the larger the passes.
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
  #dirty = new Set<LiveFolio>();
  /** Folios whose turn is not yet, because they cost much. */
  #later = new Set<LiveFolio>();
  #pass: Promise<void> | null = null;
  /** Passes begun, and the last of them whose changes are in the rows. */
  #begun = 0;
  #written = 0;
  #onPass: (() => void)[] = [];
  #isClosing = false;
  #isClosed = false;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly lessons: LessonsService,
  ) {
    this.#live = new LiveLessons(sync, lessons);
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
      if (this.#isClosing || this.#folios.has(folioId)) continue;
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
    const { edition, questions } = lesson;
    const folio: LiveFolio = {
      id: folioId,
      lesson,
      doc,
      projection: new FolioProjection(doc, edition, questions, known),
      onUpdate: () => {
        folio.activeAt = Date.now();
        folio.storedAt = null;
        this.#mark(folio);
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
    this.#mark(folio);
  }

  #leave(folioId: string): void {
    const folio = this.#folios.get(folioId);
    if (!folio) return;
    folio.upTo = this.sync.storedUpTo(`folio:${folioId}`);
    this.#mark(folio);
    folio.doc.off('update', folio.onUpdate);
    this.#folios.delete(folioId);
    this.settle()
      .then(() => this.#live.letGo(folio.lesson))
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
      this.#mark(folio);
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
    this.#mark(folio);
  }

  #mark(folio: LiveFolio): void {
    this.#dirty.add(folio);
    if (!this.#isClosed) this.#pass ??= this.#run();
  }

  async #run(): Promise<void> {
    while (this.#dirty.size + this.#later.size > 0) {
      // Let the changes that arrive together come along in one pass.
      if (!this.#isClosing) await new Promise((resolve) => setTimeout(resolve, PASS_PAUSE));
      for (const folio of this.#later) this.#dirty.add(folio);
      this.#later.clear();
      const batch = this.#takeDirty();
      const pass = ++this.#begun;
      try {
        await this.#project(batch);
        this.#written = pass;
      } catch (error) {
        this.#logger.error(error instanceof Error ? error.message : String(error));
        // Going down: the rows are made good when the folio is next opened.
        if (this.#isClosing) this.#dirty.clear();
        else if (isLasting(error)) await this.#projectOneByOne(this.#takeDirty());
        await new Promise((resolve) => setTimeout(resolve, 500));
      }
      for (const tell of this.#onPass.splice(0)) tell();
    }
    this.#pass = null;
    for (const tell of this.#onPass.splice(0)) tell();
  }

  /** Each folio once: one that was left and opened again meanwhile is told by its latest opening, which tells all. */
  #takeDirty(): LiveFolio[] {
    const batch = new Map<string, LiveFolio>();
    for (const folio of this.#dirty) {
      batch.set(folio.id, this.#folios.get(folio.id) ?? folio);
    }
    this.#dirty.clear();
    return [...batch.values()];
  }

  /** One folio that cannot be written must not hold up the others. It is tried again when it is next opened. */
  async #projectOneByOne(batch: readonly LiveFolio[]): Promise<void> {
    for (const folio of batch) {
      try {
        await this.#project([folio]);
      } catch (error) {
        this.#logger.error(`folio ${folio.id}: ${String(error)}`);
        if (isLasting(error)) this.#dirty.delete(folio);
      }
    }
  }

  async #project(all: LiveFolio[]): Promise<void> {
    let batch = all;
    const changed: { folio: LiveFolio; changes: Told }[] = [];
    const answeredBefore = new Map(batch.map((folio) => [folio, folio.projection.answered]));
    try {
      const states = new Map<LiveLesson, LessonState | null>();
      for (const { lesson } of batch) {
        if (states.has(lesson)) continue;
        const state = await this.#live.stateOf(lesson);
        states.set(lesson, state);
        if (state && state.renewed > lesson.renewed) await this.#refresh(lesson);
      }
      // Of a lesson that is gone nothing is written any more.
      batch = all.filter(({ lesson }) => states.get(lesson));
      for (const some of chunks(batch)) {
        for (const folio of some) {
          const state = states.get(folio.lesson)!;
          const changes = this.#take(folio, state);
          if (changes) changed.push({ folio, changes });
        }
        await othersTurn();
      }
      // Those that have to wait for their turn leave nothing to write.
      if (changed.length === 0) return;
      await rows.write(
        this.database,
        changed.map(({ folio, changes }) => ({
          folioId: folio.id,
          changes,
          leaves: folio.leaves,
          // What could not be read is looked at again.
          upTo: folio.isUnreadable ? null : folio.upTo,
          leftAt: folio.leftAt,
        })),
      );
    } catch (error) {
      // Nothing was written: tell everything again in a later pass.
      for (const folio of batch) {
        const { edition, questions } = folio.lesson;
        const answered = answeredBefore.get(folio)!;
        const { locked } = folio.projection;
        folio.projection = new FolioProjection(folio.doc, edition, questions, {
          answered,
          locked,
        });
        this.#dirty.add(folio);
      }
      throw error;
    }
    const byLesson = new Map<LiveLesson, typeof changed>();
    for (const entry of changed) {
      byLesson.set(entry.folio.lesson, [...(byLesson.get(entry.folio.lesson) ?? []), entry]);
    }
    for (const [lesson, entries] of byLesson) {
      for (const some of chunks(entries)) {
        await lesson.desk?.transact((doc) => {
          for (const { folio, changes } of some) tellDesk(doc, nowOf(folio), changes);
        });
        await othersTurn();
      }
    }
  }

  /**
   * What has changed in a folio; null when it cannot be read, which its teacher is told, or when it has cost so much that
   * the others come first.
   */
  #take(folio: LiveFolio, state: LessonState): Told | null {
    const began = performance.now();
    if (folio.restsUntil > began && folio.upTo === null && !this.#isClosing) {
      this.#later.add(folio);
      return null;
    }
    try {
      const changes = withOpenVotes(state, folio.projection.take());
      if (folio.hasNewLeaves) folio.leaves = readLeafTitles(folio.doc);
      folio.hasNewLeaves = false;
      folio.isUnreadable = false;
      return withLateness(folio, state, changes);
    } catch (error) {
      this.#logger.error(`folio ${folio.id}: ${String(error)}`);
      folio.isUnreadable = true;
      return { answers: [], placements: [], votes: [], visits: [] };
    } finally {
      const cost = performance.now() - began;
      const { cheap, restsTimes, longest } = SERVER_LIMITS.projection;
      // What costs much once may have waited for the processor: twice running it is the folio.
      const least = Math.min(cost, folio.cost);
      folio.cost = cost;
      if (least > cheap) folio.restsUntil = began + Math.min(least * restsTimes, longest);
    }
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
          if (!entry) return forget(doc, folioId);
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
  async settle(): Promise<void> {
    const wanted = this.#begun + 1;
    while (this.#pass && this.#written < wanted) {
      await new Promise<void>((resolve) => this.#onPass.push(resolve));
    }
  }

  /** The same for one folio, also when it has to wait for its turn. */
  async settleFolio(folioId: string): Promise<void> {
    await this.settle();
    for (;;) {
      const folio = this.#folios.get(folioId);
      if (!folio || !this.#later.has(folio) || this.#isClosing) return;
      await new Promise((resolve) => setTimeout(resolve, PASS_PAUSE));
      await this.settle();
    }
  }

  async beforeApplicationShutdown(): Promise<void> {
    await this.sync.close();
    this.#isClosing = true;
    while (this.#pass) await this.#pass;
    this.#isClosed = true;
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

const othersTurn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

const chunks = <T>(all: T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / AT_ONCE) }, (_, index) =>
    all.slice(index * AT_ONCE, (index + 1) * AT_ONCE),
  );

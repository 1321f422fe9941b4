import {
  FolioProjection,
  readLeafTitles,
  SERVER_LIMITS,
  type LessonState,
  sure,
} from '@gobrel/core';
import type { DataSource } from 'typeorm';
import { tellDesk, withOpenVotes, type Told } from './deskDocument.js';
import * as rows from './folioRows.js';
import { nowOf, withLateness, type LiveFolio } from './liveFolio.js';
import type { LiveLesson, LiveLessons } from './LiveLessons.js';

/** Folios worked on before others on this server get their turn. */
const AT_ONCE = 4;

/** What a projection asks of those who follow the folios. */
export interface AroundProjection {
  /** This folio comes in the next pass. */
  rest(folio: LiveFolio): void;
  /** Whether one may wait that costs much: not while the server goes down. */
  mayRest(): boolean;
  /** A lesson has another edition or other settings by now. */
  refresh(lesson: LiveLesson): Promise<void>;
  /** A sentence for the log. */
  problem(sentence: string): void;
}

/** Writes what has changed in folio documents into rows, marks it, and tells the desks. */
export class Projection {
  constructor(
    private readonly database: DataSource,
    private readonly live: LiveLessons,
    private readonly around: AroundProjection,
  ) {}

  /** All of them in one transaction. When it throws nothing was written, and each tells everything when it is next taken. */
  async write(all: LiveFolio[]): Promise<void> {
    let batch = all;
    const changed: { folio: LiveFolio; changes: Told }[] = [];
    const answeredBefore = new Map(batch.map((folio) => [folio, folio.projection.answered]));
    try {
      const states = new Map<LiveLesson, LessonState | null>();
      for (const { lesson } of batch) {
        if (states.has(lesson)) continue;
        const state = await this.live.stateOf(lesson);
        states.set(lesson, state);
        if (state && state.renewed > lesson.renewed) await this.around.refresh(lesson);
      }
      // Of a lesson that is gone nothing is written any more.
      batch = all.filter(({ lesson }) => states.get(lesson));
      for (const some of chunks(batch)) {
        for (const folio of some) {
          const state = sure(states.get(folio.lesson), 'lessons without a state are left out');
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
      // Nothing was written: everything is told again in a later pass.
      for (const folio of batch) {
        const { edition, questions } = folio.lesson;
        const answered = sure(answeredBefore.get(folio), 'every folio of the batch is noted');
        const { locked } = folio.projection;
        folio.projection = new FolioProjection(folio.doc, edition, questions, {
          answered,
          locked,
        });
      }
      throw error;
    }
    const byLesson = new Map<LiveLesson, typeof changed>();
    for (const entry of changed) {
      byLesson.set(entry.folio.lesson, [...(byLesson.get(entry.folio.lesson) ?? []), entry]);
    }
    for (const [lesson, entries] of byLesson) {
      try {
        for (const some of chunks(entries)) {
          await lesson.desk?.transact((doc) => {
            for (const { folio, changes } of some) tellDesk(doc, nowOf(folio), changes);
          });
          await othersTurn();
        }
      } catch (error) {
        // It is in the rows, which a desk that is opened anew is filled from.
        this.around.problem(`desk ${lesson.id}: ${String(error)}`);
      }
    }
  }

  /**
   * What has changed in a folio; null when it cannot be read, which its teacher is told, or when it has cost so much that
   * the others come first.
   */
  #take(folio: LiveFolio, state: LessonState): Told | null {
    const began = performance.now();
    if (folio.restsUntil > began && folio.upTo === null && this.around.mayRest()) {
      this.around.rest(folio);
      return null;
    }
    try {
      const changes = withOpenVotes(state, folio.projection.take());
      if (folio.hasNewLeaves) folio.leaves = readLeafTitles(folio.doc);
      folio.hasNewLeaves = false;
      folio.isUnreadable = false;
      return withLateness(folio, state, changes);
    } catch (error) {
      this.around.problem(`folio ${folio.id}: ${String(error)}`);
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
}

const othersTurn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

const chunks = <T>(all: T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / AT_ONCE) }, (_, index) =>
    all.slice(index * AT_ONCE, (index + 1) * AT_ONCE),
  );

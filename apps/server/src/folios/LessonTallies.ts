import type { DirectConnection } from '@hocuspocus/server';
import { Logger } from '@nestjs/common';
import {
  countAnswer,
  deskAnswers,
  deskTallies,
  tallyOf,
  type DeskAnswer,
  type ElementId,
  type QuestionElement,
  type Tally,
  sure,
  idOf,
} from '@gobrel/core';
import type * as Y from 'yjs';
import { answersByQuestion, counts, questionIn } from './deskDocument.js';

/** Milliseconds between two times the desk is told of a lesson's tallies. */
const TALLY_PAUSE = 200;

/**
 * The tallies of one lesson, kept up answer by answer from the desk's document, which knows the answers of all servers.
 */
export class LessonTallies {
  #logger = new Logger('tallies');
  #desk: DirectConnection;
  #tallies = new Map<ElementId, Tally>();
  #countsLate = false;
  #stale = new Set<ElementId>();
  #timer: NodeJS.Timeout | null = null;
  #counted: Y.Map<DeskAnswer> | null = null;

  constructor(desk: DirectConnection) {
    this.#desk = desk;
  }

  /** Counts all answers by these questions, and from then on every one as it comes, is changed, or goes. */
  async follow(
    questions: ReadonlyMap<ElementId, QuestionElement>,
    countsLate: boolean,
  ): Promise<void> {
    await this.#desk.transact((doc) => {
      this.#countsLate = countsLate;
      const known = answersByQuestion(doc, questions.keys(), countsLate);
      this.#tallies = new Map(
        [...questions].map(([id, { question }]) => [
          id,
          tallyOf(question, sure(known.get(id), 'every question has its list of answers')),
        ]),
      );
      for (const id of [...deskTallies(doc).keys()]) {
        if (!questions.has(idOf(id))) deskTallies(doc).delete(id);
      }
      this.#stale = new Set(questions.keys());
      if (this.#counted) return;
      this.#counted = deskAnswers(doc);
      this.#counted.observe(this.#count);
    });
    this.#tellSoon();
  }

  /** Tells what has not been told yet, and counts no more. */
  async close(): Promise<void> {
    this.#counted?.unobserve(this.#count);
    if (this.#timer) clearTimeout(this.#timer);
    await this.#tell();
  }

  #count = (event: Y.YMapEvent<DeskAnswer>): void => {
    for (const [key, { oldValue }] of event.changes.keys) {
      const questionId = questionIn(key);
      const tally = this.#tallies.get(questionId);
      if (!tally) continue;
      const before = oldValue as DeskAnswer | undefined;
      const now = event.target.get(key);
      if (before && counts(before, this.#countsLate)) countAnswer(tally, before.answer, -1);
      if (now && counts(now, this.#countsLate)) countAnswer(tally, now.answer, 1);
      this.#stale.add(questionId);
    }
    this.#tellSoon();
  };

  #tellSoon(): void {
    if (this.#stale.size === 0 || this.#timer) return;
    this.#timer = setTimeout(() => {
      this.#timer = null;
      this.#tell().catch((error: unknown) => this.#logger.error(String(error)));
    }, TALLY_PAUSE);
  }

  async #tell(): Promise<void> {
    const questionIds = [...this.#stale];
    this.#stale.clear();
    if (questionIds.length === 0) return;
    await this.#desk.transact((doc) => {
      for (const id of questionIds) {
        const tally = this.#tallies.get(id);
        // The document keeps what it is given as it is: it must not change under it.
        if (tally) deskTallies(doc).set(id, JSON.parse(JSON.stringify(tally)) as Tally);
      }
    });
  }
}

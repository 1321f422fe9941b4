import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { Injectable } from '@nestjs/common';
import {
  answerGiven,
  asId,
  idOf,
  isBlank,
  markAnswer,
  questionsOf,
  readPlacement,
  type AtAddress,
  type Deck,
  type ElementId,
  type Placements,
  type PublishedDeck,
  type QuestionElement,
  type Slide,
  type StudentMark,
  type WalkedStep,
} from '@gobrel/core';
import { DataSource } from 'typeorm';
import { editionIn } from '../lessons/editions.js';
import { notFound, refused } from '../problems/problem.js';
import type { TryDto } from './publishing.dto.js';
import type { Live } from './PublishingService.js';

const packed = promisify(gzip);

/** Editions that are held ready. */
const MOST_HELD = 20;
/** Pieces whose places are read in one try. */
const MOST_PIECES = 300;
const WITHOUT_LINK = ['start', 'trail', 'jump'];

/** An edition held ready for its readers. */
interface Reading {
  view: Deck;
  /** What is sent, by what readers may do. */
  sent: Map<string, Promise<{ plain: Buffer; packed: Buffer }>>;
  /** With their keys, and the slides that they are on; only once somebody tries one. */
  questions: Promise<Map<ElementId, { question: QuestionElement; slide: Slide }>> | null;
}

/** What readers do with published editions. Nothing of it says who they are. */
@Injectable()
export class Readings {
  #held = new Map<string, Promise<Reading>>();

  constructor(private readonly database: DataSource) {}

  /** The deck as readers get it, as JSON: plain and packed by gzip. */
  async sent(
    live: Pick<Live, 'editionId' | 'allowsTries' | 'allowsCopies'>,
  ): Promise<{ plain: Buffer; packed: Buffer }> {
    const reading = await this.#reading(live);
    const { allowsTries, allowsCopies, editionId: version } = live;
    const key = `${String(allowsTries)} ${String(allowsCopies)}`;
    const known = reading.sent.get(key);
    if (known) return known;
    const published: PublishedDeck = { edition: reading.view, version, allowsTries, allowsCopies };
    const plain = Buffer.from(
      JSON.stringify({ needsPass: false, ...published } satisfies AtAddress),
    );
    const made = packed(plain).then((smaller) => ({ plain, packed: smaller }));
    reading.sent.set(key, made);
    return made;
  }

  /** The mark for an answer that a reader tries. Nothing is kept. */
  async mark(live: Live, { questionId, answer, placements }: TryDto): Promise<StudentMark> {
    if (!live.allowsTries) throw refused('The questions of this deck cannot be tried.');
    const asked = (await this.#questions(live)).get(idOf(questionId));
    if (!asked) throw notFound('question');
    const { question, slide } = asked;
    const given = answerGiven(question.question, slide, {
      answer,
      placements: readPlacements(placements ?? {}),
    });
    // What explains the answer is told to those who have given one.
    if (!given || isBlank(given)) throw refused('Give an answer first.');
    return {
      score: markAnswer(question, given),
      points: question.question.points,
      explanation: question.explanation,
      comment: '',
      stamp: '',
      isLocked: false,
    };
  }

  /** Counts steps of a walk through the edition; what there is not in it is not counted. */
  async count(live: Live, steps: readonly WalkedStep[]): Promise<void> {
    const { slides, links } = (await this.#reading(live)).view;
    const counts = new Map<string, { slideId: string; via: string; count: number }>();
    for (const { slideId, via } of steps) {
      const isKnown = WITHOUT_LINK.includes(via) || Object.hasOwn(links, via);
      if (!isKnown || !Object.hasOwn(slides, slideId)) continue;
      const key = `${slideId} ${via}`;
      const known = counts.get(key) ?? { slideId, via, count: 0 };
      counts.set(key, { ...known, count: known.count + 1 });
    }
    // In one order, so that two who write at once do not wait for each other.
    const all = [...counts].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, one]) => one);
    if (all.length === 0) return;
    await this.database.query(
      `INSERT INTO published_step (deck_id, slide_id, via, count)
       SELECT $1, * FROM unnest($2::text[], $3::text[], $4::int[])
       ON CONFLICT (deck_id, slide_id, via) DO UPDATE SET count = published_step.count + excluded.count`,
      [
        live.deckId,
        all.map(({ slideId }) => slideId),
        all.map(({ via }) => via),
        all.map(({ count }) => count),
      ],
    );
    if (all.some(({ via }) => via === 'start')) {
      await this.database.query(
        `INSERT INTO published_day (deck_id, day, openings) VALUES ($1, current_date, 1)
         ON CONFLICT (deck_id, day) DO UPDATE SET openings = published_day.openings + 1`,
        [live.deckId],
      );
    }
  }

  #reading({ editionId }: Pick<Live, 'editionId'>): Promise<Reading> {
    const known = this.#held.get(editionId);
    // Anew at the end: what is read least goes first.
    this.#held.delete(editionId);
    const reading =
      known ??
      editionIn(this.database, editionId, 'student_view').then((view): Reading => ({
        view,
        sent: new Map(),
        questions: null,
      }));
    this.#held.set(editionId, reading);
    reading.catch(() => this.#held.delete(editionId));
    for (const oldest of this.#held.keys()) {
      if (this.#held.size <= MOST_HELD) break;
      this.#held.delete(oldest);
    }
    return reading;
  }

  async #questions(live: Live): Promise<Awaited<NonNullable<Reading['questions']>>> {
    const reading = await this.#reading(live);
    reading.questions ??= editionIn(this.database, live.editionId).then((deck) => {
      const all = questionsOf(deck);
      // What readers do not meet they do not try.
      return new Map(
        Object.values(reading.view.slides).flatMap(({ id, elements }) =>
          elements.flatMap((element) => {
            const question = all.get(element.id);
            const slide = deck.slides[id];
            return question && slide ? [[element.id, { question, slide }] as const] : [];
          }),
        ),
      );
    });
    return reading.questions;
  }
}

function readPlacements(given: Record<string, unknown>): Placements {
  const placements: Placements = {};
  for (const [key, value] of Object.entries(given).slice(0, MOST_PIECES)) {
    const pieceId = asId<ElementId>(key);
    if (pieceId) placements[pieceId] = readPlacement(value);
  }
  return placements;
}

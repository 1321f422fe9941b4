import {
  Injectable,
  Logger,
  type BeforeApplicationShutdown,
  type OnModuleInit,
} from '@nestjs/common';
import {
  decodeLessonSettings,
  decodeLessonState,
  editionChanges,
  makeJoinCode,
  newId,
  OPENING_STATE,
  spotInRowBelow,
  stateInEdition,
  studentView,
  writeLessonState,
  type Deck,
  type EditionChanges,
  type LessonCard,
  type LessonSettings,
  type LessonState,
  type Slide,
  type SlideId,
  idOf,
} from '@gobrel/core';
import type { DatabaseError } from 'pg';
import {
  DataSource,
  IsNull,
  LessThanOrEqual,
  QueryFailedError,
  type EntityManager,
  type Repository,
} from 'typeorm';
import { random } from '../access/tokens.js';
import { DecksService } from '../decks/DecksService.js';
import { readBy, rowOf, rowsOf, text } from '../database/rows.js';
import { notFound, Problem, refused } from '../problems/problem.js';
import { SyncService } from '../sync/SyncService.js';
import { editionIn, freeze } from './editions.js';
import { LessonRow } from './lessons.entities.js';
import {
  hasEndedLately,
  lessonIn,
  lessonsOfDeck,
  runningWithCode,
  type Lesson,
} from './lessonRows.js';

export interface NewLesson {
  deckId: string;
  classListId: string | null;
  allowsTypedNames: boolean;
  settings?: Partial<LessonSettings>;
  pace?: 'together' | 'own';
  opensAt?: string | null;
  closesAt?: string | null;
  joinCode?: string;
  id?: string;
}

/** What of a lesson is changed while its row is locked. */
export type Locked = Pick<
  Lesson,
  'deckId' | 'editionId' | 'state' | 'asked' | 'starred' | 'likened' | 'lineUp'
>;

/** Milliseconds between two looks at the lessons whose time may be up. */
const CLOCK = 15_000;

@Injectable()
export class LessonsService implements OnModuleInit, BeforeApplicationShutdown {
  #logger = new Logger('lessons');
  #clock: NodeJS.Timeout | null = null;

  readonly #lessons: Repository<LessonRow>;

  constructor(
    private readonly database: DataSource,
    private readonly sync: SyncService,
    private readonly decks: DecksService,
  ) {
    this.#lessons = database.getRepository(LessonRow);
  }

  onModuleInit(): void {
    this.#clock = setInterval(() => {
      this.endDue().catch((error: unknown) => this.#logger.error(String(error)));
    }, CLOCK).unref();
    this.sync.keep({
      kind: 'lesson',
      onLoad: async (lessonId, doc) => writeLessonState(doc, (await this.require(lessonId)).state),
    });
  }

  beforeApplicationShutdown(): void {
    if (this.#clock) clearInterval(this.#clock);
  }

  /** Ends the lessons whose time is up. */
  async endDue(): Promise<void> {
    const due = await this.#lessons.find({
      select: { id: true },
      where: { closesAt: LessThanOrEqual(new Date()), endedAt: IsNull() },
    });
    for (const { id } of due) {
      // Another server may have been quicker; one that cannot be ended now holds up no other.
      await this.end(id).catch((error: unknown) => {
        if (!(error instanceof Problem)) this.#logger.error(`lesson ${id}: ${String(error)}`);
      });
    }
  }

  /** Freezes an edition of the deck and opens a lesson on it under a code that no running lesson has. */
  async start(given: NewLesson): Promise<string> {
    const { deckId, classListId, allowsTypedNames, joinCode, id } = given;
    const deck = await this.decks.read(deckId);
    const view = studentView(deck);
    if (!view.startSlideId)
      throw refused('This deck has no slide to start on yet. Make one first.');
    const editionId = await freeze(this.database, deckId, deck, view);
    const { pace = 'own' } = given;
    const state: LessonState = { ...OPENING_STATE, pace, slideId: view.startSlideId };
    for (let attempt = 0; attempt < 20; attempt++) {
      try {
        const lesson = this.#lessons.create({
          id,
          deckId,
          editionId,
          classListId,
          title: deck.title,
          joinCode: joinCode ?? makeJoinCode(random),
          allowsTypedNames,
          state,
          settings: decodeLessonSettings(given.settings),
          opensAt: given.opensAt ?? null,
          closesAt: given.closesAt ?? null,
        });
        await this.#lessons.save(lesson);
        return lesson.id;
      } catch (error) {
        if (!isDuplicate(error)) throw error;
      }
    }
    throw refused('No free join code was found. End a lesson that is over and try again.');
  }

  /** What a running lesson would take over from its deck as that is now. */
  async renewal(lesson: Lesson): Promise<EditionChanges> {
    const [before, after] = await Promise.all([
      this.edition(lesson.editionId),
      this.decks.read(lesson.deckId),
    ]);
    return editionChanges(before, after, lesson.asked);
  }

  /** The deck as it is now becomes the lesson's edition; what was asked on the fly stays in it. */
  async renew(lessonId: string): Promise<void> {
    await this.alter(lessonId, async (lesson, rows) => {
      const before = await editionIn(rows, lesson.editionId);
      const after = await this.decks.read(lesson.deckId);
      const asked = lesson.asked.flatMap((id) => before.slides[id] ?? []);
      const slides = { ...after.slides, ...Object.fromEntries(asked.map((one) => [one.id, one])) };
      await this.#giveEdition(rows, lesson, { ...after, slides });
    });
  }

  /** Puts a slide into the edition on the fly, and over what everyone is at. */
  async ask(lessonId: string, slide: Slide): Promise<SlideId> {
    const id = idOf<SlideId>(`asked-${newId()}`);
    await this.alter(lessonId, async (lesson, rows) => {
      const edition = await editionIn(rows, lesson.editionId);
      const before = lesson.asked.flatMap((one) => edition.slides[one] ?? []);
      const others = Object.values(edition.slides).filter((one) => !lesson.asked.includes(one.id));
      const asked: Slide = {
        ...slide,
        id,
        isLeftOut: false,
        isEnding: true,
        sectionId: null,
        ...spotInRowBelow(others, before),
      };
      const slides = { ...edition.slides, [id]: asked };
      await this.#giveEdition(rows, lesson, { ...edition, slides }, id);
    });
    return id;
  }

  async #giveEdition(
    rows: EntityManager,
    lesson: Locked,
    edition: Deck,
    askedSlideId?: SlideId,
  ): Promise<void> {
    const view = studentView(edition);
    if (!view.startSlideId) {
      throw refused('This deck has no slide to start on any more. The lesson stays as it is.');
    }
    lesson.editionId = await freeze(rows, lesson.deckId, edition, view);
    if (askedSlideId) lesson.asked.push(askedSlideId);
    const state = stateInEdition(lesson.state, view);
    lesson.state = {
      ...state,
      askedSlideId: askedSlideId ?? state.askedSlideId,
      renewed: state.renewed + 1,
    };
  }

  /** Other settings, at any time; what is not named stays as it is. */
  async setSettings(lessonId: string, changed: Partial<LessonSettings>): Promise<LessonSettings> {
    const row = await rowOf(
      this.database,
      { settings: readBy(decodeLessonSettings) },
      'UPDATE lesson SET settings = settings || $2::jsonb WHERE id = $1 RETURNING settings',
      [lessonId, JSON.stringify(changed)],
    );
    await this.change(lessonId, (state) => ({ ...state, renewed: state.renewed + 1 }), true);
    if (!row) throw notFound('lesson');
    return row.settings;
  }

  /** When a lesson opens and closes by itself; null for never. */
  async setTimes(
    lessonId: string,
    times: { opensAt: string | null; closesAt: string | null },
  ): Promise<void> {
    await this.#lessons.update({ id: lessonId, endedAt: IsNull() }, times);
  }

  find(lessonId: string): Promise<Lesson | null> {
    return lessonIn(this.database, lessonId);
  }

  async require(lessonId: string): Promise<Lesson> {
    const lesson = await this.find(lessonId);
    if (!lesson) throw notFound('lesson');
    return lesson;
  }

  /** The running lesson with a join code. */
  async findByCode(joinCode: string): Promise<Lesson | null> {
    const id = await runningWithCode(this.database, joinCode);
    return id === null ? null : this.find(id);
  }

  /** Whether a code was a lesson's that has ended: a kinder answer than "wrong". */
  hasEnded(joinCode: string): Promise<boolean> {
    return hasEndedLately(this.database, joinCode);
  }

  listOfDeck(deckId: string): Promise<LessonCard<Date>[]> {
    return lessonsOfDeck(this.database, deckId);
  }

  /** The edition with everything in it: for teachers and for marking. */
  async edition(editionId: string): Promise<Deck> {
    return editionIn(this.database, editionId);
  }

  /** The edition as students may see it. */
  async editionForStudents(editionId: string): Promise<Deck> {
    return editionIn(this.database, editionId, 'student_view');
  }

  /** Changes the lesson's state in its row, then tells everyone in the lesson. Refused once it has ended. */
  async change(
    lessonId: string,
    change: (state: LessonState) => LessonState,
    isOverToo = false,
  ): Promise<LessonState> {
    const { state } = await this.alter(
      lessonId,
      (lesson) => {
        lesson.state = change(lesson.state);
      },
      isOverToo,
    );
    return state;
  }

  /**
   * The one way to change a lesson: read, changed and written under a lock on its row, so that of two who do something at
   * once neither undoes the other. What it is by then is told to everyone.
   */
  async alter(
    lessonId: string,
    change: (lesson: Locked, rows: EntityManager) => Promise<void> | void,
    isOverToo = false,
  ): Promise<Locked> {
    const lesson = await this.database.transaction(async (rows) => {
      const row = await rows.findOne(LessonRow, {
        where: { id: lessonId },
        lock: { mode: 'pessimistic_write' },
      });
      if (!row) throw notFound('lesson');
      if (row.endedAt && !isOverToo) throw refused('This lesson has ended.');
      const locked: Locked = {
        deckId: row.deckId,
        editionId: row.editionId,
        state: decodeLessonState(row.state),
        asked: row.asked,
        starred: row.starred,
        likened: row.likened,
        lineUp: row.lineUp,
      };
      const { version } = locked.state;
      await change(locked, rows);
      locked.state = { ...locked.state, version: version + 1 };
      const { editionId, state, asked, starred, likened, lineUp } = locked;
      const endedAt = state.isEnded ? (row.endedAt ?? new Date()) : null;
      await rows.update(
        LessonRow,
        { id: lessonId },
        { editionId, state, asked, starred, likened, lineUp, endedAt },
      );
      return locked;
    });
    await this.sync.write(`lesson:${lessonId}`, (doc) => writeLessonState(doc, lesson.state));
    return lesson;
  }

  /**
   * Ends a lesson: its code is free again, nothing more can be changed. What a device did before it heard of the end is
   * still taken for a day, and marked as late.
   */
  async end(lessonId: string): Promise<void> {
    await this.change(lessonId, (state) => ({
      ...state,
      isEnded: true,
      endedAt: Date.now(),
      presenting: null,
      putUp: null,
      askedSlideId: null,
      vote: null,
      timerEndsAt: null,
    }));
  }

  async reopen(lessonId: string): Promise<void> {
    for (let attempt = 0; attempt < 20; attempt++) {
      try {
        await this.change(lessonId, (state) => ({ ...state, isEnded: false, endedAt: 0 }), true);
        return;
      } catch (error) {
        if (!isDuplicate(error)) throw error;
        await this.#lessons.update({ id: lessonId }, { joinCode: makeJoinCode(random) });
      }
    }
    throw refused('No free join code was found. End a lesson that is over and try again.');
  }

  /** The lesson, its folios and what they hold. */
  async remove(lessonId: string): Promise<void> {
    const folios = await rowsOf(
      this.database,
      { id: text },
      'SELECT id FROM folio WHERE lesson_id = $1',
      [lessonId],
    );
    await this.#lessons.delete({ id: lessonId });
    // Desks and big screens that look at it come back to hear that it is gone.
    for (const kind of ['lesson', 'desk']) this.sync.reopen(`${kind}:${lessonId}`);
    for (const { id } of folios) {
      this.sync.hangUpOn({ folioId: id });
      await this.sync.forget(`folio:${id}`);
    }
  }
}

export const isDuplicate = (error: unknown): error is QueryFailedError<DatabaseError> =>
  error instanceof QueryFailedError && (error.driverError as DatabaseError).code === '23505';

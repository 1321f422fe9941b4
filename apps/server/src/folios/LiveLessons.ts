import type { Hocuspocus } from '@hocuspocus/server';
import {
  questionsOf,
  readLessonState,
  withLikened,
  type Deck,
  type ElementId,
  type LessonState,
  type QuestionElement,
} from '@gobrel/core';
import type { LessonsService } from '../lessons/LessonsService.js';
import type { SyncService } from '../sync/SyncService.js';
import { LessonTallies } from './LessonTallies.js';

export type DeskConnection = Awaited<ReturnType<Hocuspocus['openDirectConnection']>>;

/** A lesson with folios open in this process. */
export interface LiveLesson {
  id: string;
  edition: Deck;
  questions: Map<ElementId, QuestionElement>;
  /** Which making of edition and settings these are, as the lesson's state counts them. */
  renewed: number;
  /** Keeps the desk's document in memory, so that no change is missed while it loads. */
  desk: DeskConnection | null;
  tallies: LessonTallies;
}

/** The lessons that something in this process needs, each opened once and let go with the last who holds on to it. */
export class LiveLessons {
  /** With the number of those who hold on to each: open folios, recounts under way. */
  #lessons = new Map<string, { opening: Promise<LiveLesson>; holders: number }>();

  constructor(
    private readonly sync: SyncService,
    private readonly lessons: LessonsService,
  ) {}

  async hold(lessonId: string): Promise<LiveLesson> {
    const known = this.#lessons.get(lessonId) ?? { opening: this.#open(lessonId), holders: 0 };
    this.#lessons.set(lessonId, known);
    known.holders++;
    try {
      return await known.opening;
    } catch (error) {
      this.#lessons.delete(lessonId);
      throw error;
    }
  }

  async letGo(lesson: LiveLesson): Promise<void> {
    const known = this.#lessons.get(lesson.id);
    if (!known || --known.holders > 0) return;
    this.#lessons.delete(lesson.id);
    await close(lesson);
  }

  /** Does something with a lesson, and holds on to it meanwhile. */
  async during(lessonId: string, work: (lesson: LiveLesson) => Promise<void>): Promise<void> {
    const lesson = await this.hold(lessonId);
    try {
      await work(lesson);
    } finally {
      await this.letGo(lesson);
    }
  }

  /** Takes over another edition or other settings: what is marked and counted by from now on. */
  async refresh(lesson: LiveLesson): Promise<void> {
    const { countsLate, ...read } = await this.#read(lesson.id);
    Object.assign(lesson, read);
    if (lesson.desk) await lesson.tallies.follow(lesson.questions, countsLate);
  }

  /** The lesson's state as everyone here is told it; from its row while nobody has it open. null once it is gone. */
  async stateOf(lesson: LiveLesson): Promise<LessonState | null> {
    const doc = this.sync.hocuspocus.documents.get(`lesson:${lesson.id}`);
    const told = doc && readLessonState(doc);
    return told ?? (await this.lessons.find(lesson.id))?.state ?? null;
  }

  async closeAll(): Promise<void> {
    for (const { opening } of this.#lessons.values()) {
      const lesson = await opening.catch(() => null);
      if (lesson) await close(lesson);
    }
  }

  async #open(lessonId: string): Promise<LiveLesson> {
    const desk = await this.sync.hocuspocus.openDirectConnection(`desk:${lessonId}`);
    try {
      const { countsLate, ...read } = await this.#read(lessonId);
      const lesson: LiveLesson = { id: lessonId, ...read, desk, tallies: new LessonTallies(desk) };
      await lesson.tallies.follow(lesson.questions, countsLate);
      return lesson;
    } catch (error) {
      await desk.disconnect();
      throw error;
    }
  }

  /** What a lesson's answers are marked and counted by. */
  async #read(
    lessonId: string,
  ): Promise<Pick<LiveLesson, 'edition' | 'questions' | 'renewed'> & { countsLate: boolean }> {
    const { editionId, settings, likened, state } = await this.lessons.require(lessonId);
    const edition = await this.lessons.edition(editionId);
    return {
      edition,
      questions: withLikened(questionsOf(edition), likened),
      renewed: state.renewed,
      countsLate: settings.countsLate,
    };
  }
}

/** Lets go of the desk's document, once: both the last holder and a server going down do. */
async function close(lesson: LiveLesson): Promise<void> {
  const { desk } = lesson;
  if (!desk) return;
  lesson.desk = null;
  await lesson.tallies.close();
  await desk.disconnect();
}

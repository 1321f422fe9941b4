import type { Deck, LessonSettings } from '@gobrel/core';
import { del, get, set } from 'idb-keyval';

export interface StudentLesson {
  folioId: string;
  lessonId: string;
  name: string;
  returnCode: string;
  handedInAt: string | null;
  handUpAt: string | null;
  attempts: { made: number; most: number };
  seesMarks: LessonSettings['seesMarks'];
  seesClassAnswers: boolean;
  seesLeaves: boolean;
  title: string;
  /** The server's clock when it answered, milliseconds since 1970. */
  now: number;
  edition: Deck;
}
/** Edition null: joined, and not let in yet. */
export type JoinedLesson = Omit<StudentLesson, 'edition'> & { edition: Deck | null };

/** The lesson of this device as it was last told, for when the server cannot be reached. */
const LESSON = 'gobrel.lesson';

export const keepLesson = (lesson: JoinedLesson): Promise<void> => set(LESSON, lesson);
export const keptLesson = (): Promise<JoinedLesson | undefined> => get<JoinedLesson>(LESSON);
export const forgetLesson = (): Promise<void> => del(LESSON);

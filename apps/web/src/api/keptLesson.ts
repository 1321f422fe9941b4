import type { Deck, JoinedLesson } from '@gobrel/core';
import { del, get, set } from 'idb-keyval';

/** The lesson of a student who has been let in. */
export type StudentLesson = JoinedLesson & { edition: Deck };

/** The lesson of this device as it was last told, for when the server cannot be reached. */
const LESSON = 'gobrel.lesson';

/** A browser whose storage is full, or forbidden, keeps nothing: that is no trouble while the server is there. */
async function ifItLetsUs<T>(work: () => Promise<T>): Promise<T | undefined> {
  try {
    return await work();
  } catch {
    return undefined;
  }
}

export const keepLesson = (lesson: JoinedLesson): Promise<void> =>
  ifItLetsUs(() => set(LESSON, lesson));
export const keptLesson = (): Promise<JoinedLesson | undefined> =>
  ifItLetsUs(() => get<JoinedLesson>(LESSON));
export const forgetLesson = (): Promise<void> => ifItLetsUs(() => del(LESSON));

import type { Deck, JoinedLesson } from '@gobrel/core';
import { del, get, set } from 'idb-keyval';

/** The lesson of a student who has been let in. */
export type StudentLesson = JoinedLesson & { edition: Deck };

/** The lesson of this device as it was last told, for when the server cannot be reached. */
const LESSON = 'gobrel.lesson';

export const keepLesson = (lesson: JoinedLesson): Promise<void> => set(LESSON, lesson);
export const keptLesson = (): Promise<JoinedLesson | undefined> => get<JoinedLesson>(LESSON);
export const forgetLesson = (): Promise<void> => del(LESSON);

import { asBoolean, asNumber, asOneOf, asRecord } from '../parts/decode.js';

export const MARKS_SEEN = ['never', 'at-once', 'after-hand-in', 'when-released'] as const;

/** How a lesson is given; changed at any time. */
export interface LessonSettings {
  /** When students see their own marks. */
  seesMarks: (typeof MARKS_SEEN)[number];
  isReleased: boolean;
  /** Where marks come at once: an answer that its student is done with, and so has the mark of, stands as it is. */
  locksDone: boolean;
  /** What is put up is seen on students' own devices, too. */
  seesClassAnswers: boolean;
  seesLeaves: boolean;
  /** How often a folio may be handed in. */
  attempts: number;
  /** Students of a group share one folio. */
  byGroups: boolean;
  /** Who joins waits until the teacher lets them in. */
  hasWaitingRoom: boolean;
  /** What comes after the hold or the end counts all the same. */
  countsLate: boolean;
}

export function decodeLessonSettings(raw: unknown): LessonSettings {
  const given = asRecord(raw);
  return {
    seesMarks: asOneOf(given.seesMarks, MARKS_SEEN, 'never'),
    isReleased: asBoolean(given.isReleased),
    locksDone: given.locksDone !== false,
    seesClassAnswers: asBoolean(given.seesClassAnswers),
    seesLeaves: asBoolean(given.seesLeaves),
    attempts: Math.round(asNumber(given.attempts, 1, 1, 9)),
    byGroups: asBoolean(given.byGroups),
    hasWaitingRoom: asBoolean(given.hasWaitingRoom),
    countsLate: asBoolean(given.countsLate),
  };
}

import type { Deck, Slide } from '../deck/types.js';
import type { LessonSettings } from '../lesson/settings.js';

/** A name to choose when joining. */
export interface NameOnList {
  id: string;
  name: string;
  isTaken: boolean;
}

/** What is under a join code, for whoever wants to come in. */
export interface LessonLook {
  title: string;
  names: NameOnList[];
  allowsTypedNames: boolean;
}

/** What a student's device starts from. */
export interface JoinedLesson<Time = string> {
  folioId: string;
  lessonId: string;
  name: string;
  returnCode: string;
  handedInAt: Time | null;
  handUpAt: Time | null;
  /** How often this folio has been handed in, and how often it may be. */
  attempts: { made: number; most: number };
  seesMarks: LessonSettings['seesMarks'];
  seesClassAnswers: boolean;
  seesLeaves: boolean;
  title: string;
  /** The server's clock when it answered, milliseconds since 1970: the device's own may be off. */
  now: number;
  /** Null while the student waits to be let in. */
  edition: Deck | null;
}

/** What a student is told of the mark for an answer. */
export interface StudentMark {
  /** From 0 to 1; null while nobody has marked it. */
  score: number | null;
  points: number;
  explanation: string;
  comment: string;
  stamp: string;
  /** The answer stands: it cannot be changed any more. */
  isLocked: boolean;
}

/** A leaf that somebody else made. */
export interface OthersLeaf {
  name: string;
  slide: Slide;
}

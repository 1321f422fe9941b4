import type { Deck } from '../deck/types.js';
import type { Folio } from '../folio/folio.js';
import type { LessonSettings } from '../lesson/settings.js';
import type { DeskStudent } from '../lesson/desk.js';
import type { LessonState } from '../lesson/state.js';
import type { ElementId, FolioId, SlideId } from '../parts/ids.js';
import type { StudentResult } from '../results/results.js';

/** A lesson in the list of those that were held with a deck. */
export interface LessonCard<Time = string> {
  id: string;
  title: string;
  className: string | null;
  joinCode: string;
  startedAt: Time;
  endedAt: Time | null;
  opensAt: Time | null;
  students: number;
  handedIn: number;
}

export interface Lesson<Time = string> {
  id: string;
  deckId: string;
  editionId: string;
  classListId: string | null;
  title: string;
  className: string | null;
  joinCode: string;
  allowsTypedNames: boolean;
  settings: LessonSettings;
  opensAt: Time | null;
  closesAt: Time | null;
  state: LessonState;
  lineUp: FolioId[];
  /** Slides that were asked on the fly. */
  asked: SlideId[];
  /** Texts that count as others, by question: what was written → what it counts as, both as they are compared. */
  likened: Record<ElementId, Record<string, string>>;
  /** Answers that are starred: `folio/question`, in the order they were. */
  starred: string[];
  startedAt: Time;
  endedAt: Time | null;
}

/** A lesson as its desk starts from it. */
export interface OpenedLesson<Time = string> extends Lesson<Time> {
  edition: Deck;
  /** The server's clock when it answered, milliseconds since 1970. */
  now: number;
}

/** A folio as it was handed in. */
export interface Attempt<Time = string> {
  number: number;
  handedInAt: Time;
}

/** What is in an attempt: walk and leaves as they stood, answers with the marks that the keys of the lesson give. */
export type OpenedAttempt<Time = string> = Attempt<Time> &
  Pick<Folio, 'walk' | 'leaves'> &
  Pick<DeskStudent, 'answers' | 'placements'>;

/** A name that does not come into a lesson: as it was written, and as it is compared. */
export interface BlockedName {
  key: string;
  name: string;
}

/** What a lesson has brought. */
export interface LessonResults<Time = string> {
  lessonId: string;
  deckId: string;
  title: string;
  className: string | null;
  startedAt: Time;
  endedAt: Time | null;
  settings: LessonSettings;
  edition: Deck;
  students: StudentResult[];
}

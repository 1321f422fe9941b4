import type { ElementId, SlideId } from '../parts/ids.js';

/** What somebody says to a slide or to a thing on it. Students are sent none. */
export interface DeckComment<Time = string> {
  id: string;
  slideId: SlideId;
  /** The thing that it is about; null for the slide. */
  elementId: ElementId | null;
  /** The comment that it answers; null for the first of a thread. */
  underId: string | null;
  by: { id: string; name: string };
  words: string;
  /** Whom it calls by name. */
  mentions: { id: string; name: string }[];
  at: Time;
  changedAt: Time | null;
  /** When the thread was done; told of its first comment. */
  doneAt: Time | null;
}

/** All that is said to a deck, the oldest first, and whom one can call by name. */
export interface DeckComments<Time = string> {
  comments: DeckComment<Time>[];
  people: { id: string; name: string }[];
}

/** What is told to everybody who has the deck open, when something was said. */
export const COMMENTED = 'commented';

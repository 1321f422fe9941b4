import type { Deck } from '../deck/types.js';
import type { EditionChanges } from '../lesson/editionChanges.js';
import type { Walks } from './decks.js';

/** What whoever publishes a deck decides. */
export interface PublishSettings<Time = string> {
  /** When its address leads nowhere any more; null: as long as nobody withdraws it. */
  endsAt: Time | null;
  /** Readers may try the questions: marks come at once, and nothing is kept. */
  allowsTries: boolean;
  /** Whoever has an account may take a copy of the edition. */
  allowsCopies: boolean;
  /** The sites on whose pages it may stand, as `https://school.example`; null: on all. */
  sites: string[] | null;
}

/** A deck as it is published, for those who work on it. */
export interface Publication<Time = string> extends PublishSettings<Time> {
  /** What stands in its address. */
  code: string;
  publishedAt: Time;
  isWithdrawn: boolean;
  hasPass: boolean;
  /** What the deck as it is now would change. */
  changes: EditionChanges;
  /** How often it was opened, by day as `2026-11-27`, the latest last. */
  openings: { day: string; count: number }[];
  walks: Walks;
}

/** A published deck as its readers get it. */
export interface PublishedDeck {
  edition: Deck;
  /** Another one when it was published again. */
  version: string;
  allowsTries: boolean;
  allowsCopies: boolean;
}

/** What stands at an address: a deck to read, or one that asks for a pass word first. */
export type AtAddress = { needsPass: true } | ({ needsPass: false } & PublishedDeck);

/** A step of a reader's walk, as it is counted. */
export interface WalkedStep {
  slideId: string;
  via: string;
}

/** Steps that are told at once, at the most. */
export const MOST_STEPS_TOLD = 60;

import type { Deck, Link, Report, Slide, SlideId, LinkId } from '@gobrel/core';

/**
 * How the open deck and the worker that checks it talk. The worker keeps a copy of the deck; it is sent what has
 * changed, large decks in several parts, and answers the last of them with a report.
 */
export interface DeckChange {
  slides: Slide[];
  links: Link[];
  goneSlides: SlideId[];
  goneLinks: LinkId[];
  head: Omit<Deck, 'slides' | 'links'>;
  wordsPerMinute: number;
  /** Decks that may be read, when this deck links to others. */
  readableDecks: string[] | null;
  /** More parts follow. */
  isPart: boolean;
  /** Counts the changes, so that a report tells what it is about. */
  version: number;
}

export interface CheckAnswer {
  report: Report;
  version: number;
  /** Milliseconds that the check itself took. */
  took: number;
}

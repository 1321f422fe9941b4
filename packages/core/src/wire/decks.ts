import type { ThemeData } from '../themes/kind.js';
import type { Role } from '../access/access.js';
import type { SlideClip } from '../deck/slides/slideClip.js';
import type { LinkId, SlideId } from '../parts/ids.js';
import type { OpenInvitation, Person } from './people.js';

/** What a deck's card on the Decks page shows: its small map and a few counts. */
export interface DeckSummary {
  slides: number;
  endings: number;
  questions: number;
  /** Cards in map units, and wires between them by index. */
  cards: { x: number; y: number; isStart: boolean }[];
  wires: [number, number][];
  /** The map grows to the left; not said by decks that have not changed since it is told. */
  isLeftward?: boolean;
}

/** A deck that another one was made from. */
export interface Origin {
  title: string;
  /** Whose it was. */
  by: string;
}

/** A deck of which whoever has the address may take a copy. */
export interface CopyOffer extends Origin {
  summary: DeckSummary;
}

export interface DeckCard<Time = string> {
  id: string;
  title: string;
  role: Role;
  summary: DeckSummary;
  changedAt: Time;
  trashedAt: Time | null;
  /** Students in a lesson that runs now; null when none runs. */
  lessonNow: number | null;
  /** Anyone can read it at an address. */
  isPublished: boolean;
  /** What it was copied from, the newest last. */
  origins: Origin[];
}

/** Who a deck is shared with, and what one is to it oneself. */
export interface DeckPeople<Time = string> {
  id: string;
  role: Role;
  people: Person[];
  /** Those that wait for an answer; for the owner alone. */
  invitations: OpenInvitation<Time>[];
  /** What stands in the address from which others take copies; null while there is none, and for all but the owner. */
  copyToken: string | null;
}

/** How often students have come to each slide, and followed each link. */
export interface Walks {
  slides: Record<SlideId, number>;
  links: Record<LinkId, number>;
}

/** A slide of one's own, kept to begin other slides from. */
export interface KeptStarter {
  id: string;
  title: string;
  clip: SlideClip;
}

/** A theme of one's own, kept to show other decks in. */
export interface KeptTheme {
  id: string;
  theme: ThemeData;
}

import type { Role } from '../access/access.js';

/** A device on which somebody is signed in. */
export interface Device<Time = string> {
  id: string;
  /** What its browser says of itself. */
  device: string;
  since: Time;
  seenAt: Time;
  isThis: boolean;
}

/** Whoever has an account. */
export interface Teacher {
  id: string;
  name: string;
  email: string;
}

/** What the owner of a deck can let somebody be to it. */
export const GIVEN_ROLES = ['viewer', 'commenter', 'coauthor'] as const satisfies readonly Role[];
export type GivenRole = (typeof GIVEN_ROLES)[number];

/** What became of an invitation. */
export type InvitationAnswer = 'accepted' | 'declined' | 'withdrawn';

/** An invitation that has not been answered yet, as the owner sees it. */
export interface OpenInvitation<Time = string> {
  id: string;
  email: string;
  role: GivenRole;
  endsAt: Time;
}

/** An invitation as whoever has its address sees it. */
export interface Invitation {
  title: string;
  /** Who invites. */
  by: string;
  email: string;
  role: GivenRole;
  /** Null as long as it can be accepted; `over` when its time has passed. */
  answer: InvitationAnswer | 'over' | null;
  /** Only for whoever has accepted it. */
  deckId: string | null;
}

/** A letter that would have been sent. */
export interface Mail<Time = string> {
  id: string;
  address: string;
  subject: string;
  words: string;
  createdAt: Time;
}

/** Somebody a deck is shared with. */
export interface Person extends Teacher {
  role: Role;
}

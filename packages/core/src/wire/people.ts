import type { Role } from '../access/access.js';

/** Whoever has an account. */
export interface Teacher {
  id: string;
  name: string;
  email: string;
}

/** Somebody a deck is shared with. */
export interface Person extends Teacher {
  role: Role;
}

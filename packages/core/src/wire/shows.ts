import type { Deck } from '../deck/types.js';

/** A show that others follow, for whoever gives it. */
export interface GivenShow {
  id: string;
  /** What followers type. */
  code: string;
  /** Devices besides that steer it. */
  remotes: number;
}

/** What a device gets that steers a show and is not signed in: the deck as the show meets it, with notes. */
export interface SteeredShow {
  deck: Deck;
  version: string;
}

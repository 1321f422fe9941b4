import type { Deck, Link } from '../types.js';

const lists = new WeakMap<Deck['links'], readonly Link[]>();

/** The links of a deck, listed once for each reading: a record of thousands is slow to go through again and again. */
export function linksOf({ links }: Pick<Deck, 'links'>): readonly Link[] {
  let list = lists.get(links);
  if (!list) lists.set(links, (list = Object.values(links)));
  return list;
}

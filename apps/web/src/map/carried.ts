import { tabMemory } from '../sync/memory';

/** Slides on their way from the map of one deck to that of another. */
interface Carried {
  /** The deck that they come to. */
  to: string;
  /** As the clipboard has them. */
  clip: string;
  /** The section that they are, if they are one. */
  section: string | null;
}
const KEY = 'gobrel:carried';

export const carry = (carried: Carried): void => tabMemory.set(KEY, JSON.stringify(carried));

/** What comes to a deck, once. */
export function carriedTo(deckId: string): Carried | null {
  const { to, clip, section } = (tabMemory.read(KEY) ?? {}) as Partial<Carried>;
  if (to !== deckId || typeof clip !== 'string') return null;
  tabMemory.set(KEY, null);
  return { to, clip, section: typeof section === 'string' ? section : null };
}

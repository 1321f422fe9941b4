import { isSameTarget, readTarget, type Target } from '@gobrel/core';
import { memory } from '../sync/memory';

const MOST = 6;
const keyOf = (deckId: string): string => `gobrel:recent-targets:${deckId}`;

/** Where links of this deck were led last on this device, newest first. */
export function recentTargets(deckId: string): Target[] {
  const kept = memory.read(keyOf(deckId));
  return (Array.isArray(kept) ? kept : []).map(readTarget).filter(({ kind }) => kind !== 'none');
}

export function rememberTarget(deckId: string, target: Target): void {
  if (target.kind === 'none') return;
  const others = recentTargets(deckId).filter((kept) => !isSameTarget(kept, target));
  memory.set(keyOf(deckId), JSON.stringify([target, ...others].slice(0, MOST)));
}

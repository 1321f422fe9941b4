import type { LessonState } from './state.js';

/** Milliseconds after a hold or the end in which what arrives was on its way. */
const GRACE = 1500;
/** Milliseconds in which a server may not yet have noticed that a device was gone. */
const NOTICED = 15_000;
/** Milliseconds after coming back in which a device tells what was done while it was away. */
const TELLING = 30_000;

/** How an answer came to the server; all times are milliseconds since 1970 by the server's clock. */
export interface Arrival {
  now: number;
  /** When it was stored before the server now looks at it; null for what comes from a device this moment. */
  storedAt: number | null;
  /** When a device of its student was last here before one came back at `backAt`; null when none ever was. */
  lastHereAt: number | null;
  backAt: number;
  /** When it was given, as the device says: it knows the server's clock. 0 when it does not say. */
  givenAt: number;
}

/**
 * Whether an answer came after the hold or the end. What arrives late was in time all the same when its device was away
 * since before, tells it on coming back, and says that it was given before: a device that was there has no excuse.
 */
export function isLate(
  {
    isEnded,
    endedAt,
    isHeld,
    heldAt,
  }: Pick<LessonState, 'isEnded' | 'endedAt' | 'isHeld' | 'heldAt'>,
  arrival: Arrival,
): boolean {
  if (!isEnded && !isHeld) return false;
  const closedAt = isEnded && isHeld ? Math.min(endedAt, heldAt) : isEnded ? endedAt : heldAt;
  const inTime = closedAt + GRACE;
  const { now, storedAt, lastHereAt, backAt, givenAt } = arrival;
  if ((storedAt ?? now) <= inTime) return false;
  const wasAway = (lastHereAt ?? 0) <= closedAt + NOTICED && backAt > closedAt;
  return !(wasAway && now - backAt <= TELLING && givenAt > 0 && givenAt <= inTime);
}

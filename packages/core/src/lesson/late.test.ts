import { isLate, type Arrival } from './late.js';

const END = 1_000_000;
const ended = { isEnded: true, endedAt: END, isHeld: false, heldAt: 0 };
const held = { isEnded: false, endedAt: 0, isHeld: true, heldAt: END };
const open = { isEnded: false, endedAt: 0, isHeld: false, heldAt: END };
const MINUTE = 60_000;

/** Comes a minute after the end, from a device that went away a minute before it. */
const away: Arrival = {
  now: END + MINUTE,
  storedAt: null,
  lastHereAt: END - MINUTE,
  backAt: END + MINUTE - 200,
  givenAt: END - 10_000,
};
const here: Arrival = { ...away, lastHereAt: null, backAt: END - MINUTE };

test.each<[string, Parameters<typeof isLate>[0], Arrival, boolean]>([
  ['while nothing is closed', open, here, false],
  ['from a device that was there', ended, here, true],
  ['a moment after the end', ended, { ...here, now: END + 1400 }, false],
  ['a moment too late', ended, { ...here, now: END + 1600 }, true],
  ['while held', held, here, true],
  ['from a device that was away', ended, away, false],
  ['from a device that was away, while held', held, away, false],
  ['given after the end', ended, { ...away, givenAt: END + 5000 }, true],
  ['that does not say when', ended, { ...away, givenAt: 0 }, true],
  ['long after coming back', ended, { ...away, now: away.backAt + 31_000 }, true],
  [
    'from a device that was seen after the end',
    ended,
    { ...away, lastHereAt: END + 20_000, backAt: END + 50_000 },
    true,
  ],
  ['from a device that was gone unnoticed', ended, { ...away, lastHereAt: END + 9000 }, false],
  ['stored in time, looked at later', ended, { ...here, storedAt: END - 5 }, false],
  ['stored too late', ended, { ...here, storedAt: END + 2000 }, true],
  ['held first, then ended', { ...ended, isHeld: true, heldAt: END - MINUTE }, here, true],
])('an answer %s', (_, state, arrival, late) => {
  expect(isLate(state, arrival)).toBe(late);
});

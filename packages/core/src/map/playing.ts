import type { Slide } from '../deck/types.js';
import { READING_PACE, secondsFor } from './measures.js';
import { stepsOn } from './slideNumbers.js';

/** How long a show that goes on by itself stays on a slide: as long as it takes to read, or a time of its own. */
export type PlayPace =
  { kind: 'read'; wordsPerMinute: number } | { kind: 'fixed'; seconds: number };

/** Seconds: a glance at a slide without words, and at the next thing that comes. */
const LOOK = 4;
const LOOK_AGAIN = 1.5;
/** Times that somebody may set. */
const MOST_SECONDS = 600;
const PACES = { least: 40, most: 400 };

/** Seconds until it goes on: from one thing that comes to the next, and from the last one to the next slide. */
export function secondsOn(slide: Slide, pace: PlayPace): number {
  if (pace.kind === 'fixed') return pace.seconds;
  const { wordsPerMinute } = pace;
  const reading = secondsFor(slide, { ...READING_PACE, wordsPerMinute, secondsPerQuestion: 0 });
  // What is played on it is played to its end.
  const played = slide.elements.map((one) => (one.kind === 'media' ? one.media.seconds : 0));
  const whole = Math.max(LOOK, reading, ...played);
  return Math.max(LOOK_AGAIN, whole / (stepsOn(slide) + 1));
}

/** As it stands in an address: `130w` words a minute, `8s` seconds; null for what is none. */
export function readPace(written: string | null): PlayPace | null {
  const [, digits, unit] = /^(\d{1,4})([ws])$/.exec(written ?? '') ?? [];
  if (digits === undefined) return null;
  const number = Number(digits);
  return unit === 's'
    ? { kind: 'fixed', seconds: Math.min(MOST_SECONDS, Math.max(1, number)) }
    : { kind: 'read', wordsPerMinute: Math.min(PACES.most, Math.max(PACES.least, number)) };
}

export const writePace = (pace: PlayPace): string =>
  pace.kind === 'fixed' ? `${pace.seconds}s` : `${pace.wordsPerMinute}w`;

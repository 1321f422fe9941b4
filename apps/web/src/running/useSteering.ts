import { latestSteps, type ShowPlace, type TrailId } from '@gobrel/core';
import { useEffect, useRef } from 'react';
import type { Walking } from '../walking/useWalking';
import type { ShowLine } from './useShowLine';

/** This page, among all that steer. */
const ME = crypto.randomUUID();

/** Milliseconds in which what was taken over is drawn, and after which what has not come back is said again. */
const SOON = 500;
const AGAIN = 1500;

/**
 * Keeps one device's walk and the show that it steers the same. What somebody does here is seen here at once, and said;
 * what another device says is taken over, but while something that was said here has not come back yet: the server puts
 * all that is said into one order, and what comes last holds everywhere.
 */
export function useSteering(
  line: ShowLine,
  mine: { walking: Walking; trailId: TrailId | null; isBlack: boolean },
  take: (place: ShowPlace) => void,
  /** Where this device is the show is from now on, wherever it was before. */
  leads = false,
): void {
  const { walking, trailId, isBlack } = mine;
  const { closeUpId = null } = walking;
  const { say, show } = line;
  const { place } = show;
  const isOpen = line.state === 'open';
  const word = wordOf(latestSteps(walking.walk), trailId, isBlack);
  const state = useRef({
    count: 0,
    /** What was said last has not come back. */
    waits: false,
    /** Where the show is, as far as is known here. */
    known: '',
    /** What was taken over and is about to be drawn. */
    taken: null as { word: string; at: number } | null,
  });
  const taking = useRef(take);
  useEffect(() => {
    taking.current = take;
  });
  useEffect(() => {
    const now = state.current;
    if (!isOpen || !place) return;
    if (place.by === ME) {
      if (place.count === now.count) now.waits = false;
      return;
    }
    const told = wordOf(place.walk, place.trailId, place.isBlack);
    if (now.waits || told === now.known || (leads && now.count === 0)) return;
    now.known = told;
    now.taken = { word: told, at: Date.now() };
    taking.current(place);
  }, [isOpen, place, leads]);
  useEffect(() => {
    const now = state.current;
    if (!isOpen) return;
    if (now.taken && word !== now.taken.word && Date.now() - now.taken.at < SOON) return;
    now.taken = null;
    // What was said while there was no connection is said again over the one that comes.
    if (word === now.known && !now.waits) return;
    now.known = word;
    const [walk, trailId, isBlack] = JSON.parse(word) as Parameters<typeof wordOf>;
    const tell = (): void => {
      now.waits = true;
      now.count += 1;
      say({ kind: 'place', walk, trailId, isBlack, closeUpId, by: ME, count: now.count });
    };
    tell();
    // A connection that breaks may take it with it, also one that is there again at once.
    const timer = setInterval(() => (now.waits ? tell() : clearInterval(timer)), AGAIN);
    return () => clearInterval(timer);
  }, [isOpen, word, closeUpId, say]);
}

const wordOf = (walk: ShowPlace['walk'], trailId: ShowPlace['trailId'], isBlack: boolean): string =>
  JSON.stringify([walk, trailId, isBlack]);

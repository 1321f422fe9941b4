import {
  AFTERWARDS,
  COMMAND,
  setOutAgain,
  slidesToSetOut,
  type RunCommand,
  type SlideId,
} from '@gobrel/core';
import type * as Y from 'yjs';

/**
 * Runs commands so that slides that set themselves out take in what has come, gone or changed on them: one step, taken
 * back as one.
 */
export const settingOut =
  (doc: Y.Doc, run: RunCommand): RunCommand =>
  (command, ...args) =>
    doc.transact((transaction) => {
      const done = run(command, ...args);
      if (done) run(setOutAgain, slidesToSetOut(doc, transaction));
      return done;
    }, COMMAND);

/** Milliseconds without a key after which words that were typed are set out. */
const PAUSE = 700;

/** Milliseconds for which a slide that was worked on here is looked after when others work on it, too. */
const TOGETHER = 15_000;

/**
 * The same for words that are typed into texts: they are taken in when the hand rests. So is what somebody else has done
 * meanwhile on a slide that was worked on here: two who set it out at once may have set it out as neither would, and as
 * both reckon alike from then on, they end alike. Returns how to stop.
 */
export function settingOutTyped(doc: Y.Doc, run: RunCommand, typingOrigin: unknown): () => void {
  const waiting = new Set<SlideId>();
  const workedOn = new Map<SlideId, number>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const setOut = (): void => {
    const slideIds = [...waiting];
    waiting.clear();
    doc.transact(() => run(setOutAgain, slideIds), AFTERWARDS);
  };
  const note = (transaction: Y.Transaction): void => {
    if (transaction.origin === AFTERWARDS) return;
    const now = Date.now();
    let isMore = false;
    for (const slideId of slidesToSetOut(doc, transaction)) {
      const isTogether = now - (workedOn.get(slideId) ?? -Infinity) < TOGETHER;
      if (transaction.local) workedOn.set(slideId, now);
      const counts = transaction.local ? transaction.origin === typingOrigin : isTogether;
      if (counts) waiting.add(slideId);
      isMore ||= counts;
    }
    if (!isMore) return;
    clearTimeout(timer);
    timer = setTimeout(setOut, PAUSE);
  };
  doc.on('afterTransaction', note);
  return () => {
    clearTimeout(timer);
    doc.off('afterTransaction', note);
  };
}

import {
  AFTERWARDS,
  COMMAND,
  setOut,
  setOutAgain,
  slidesToSetOut,
  type RunCommand,
  type SlideId,
} from '@gobrel/core';
import type * as Y from 'yjs';

/** Slides that are set out at once; the others of a large deck come in the moments after, so that the page never stands still. */
const AT_ONCE = 8;
/** Milliseconds for which slides are set out without a pause. */
const SLICE = 14;

type SetOutCommand = typeof setOut | typeof setOutAgain;

/**
 * Slides that are still to be set out, a few at a time; they belong to the step that has asked for it. Before the next
 * step, or before it is taken back, whatever is left is done at once.
 */
export class SettingOutLater {
  readonly #doc: Y.Doc;
  readonly #run: RunCommand;
  #left: { command: SetOutCommand; slideId: SlideId }[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** `run` tells nobody of a refusal: a slide that is gone meanwhile, or has nothing to set out, is left. */
  constructor(doc: Y.Doc, run: RunCommand) {
    this.#doc = doc;
    this.#run = run;
  }

  /** Sets slides out as one step; null when there is nothing on any of them. */
  setOut(slideIds: readonly SlideId[]): object | null {
    this.finish();
    for (let at = 0; at < slideIds.length; at += AT_ONCE) {
      const done = this.#run(setOut, slideIds.slice(at, at + AT_ONCE));
      if (!done) continue;
      this.add(setOut, slideIds.slice(at + AT_ONCE));
      return done;
    }
    return null;
  }

  add(command: SetOutCommand, slideIds: readonly SlideId[]): void {
    this.#left.push(...slideIds.map((slideId) => ({ command, slideId })));
    this.#wait();
  }

  finish(): void {
    if (this.#left.length > 0) this.#work(Infinity);
  }

  stop(): void {
    clearTimeout(this.#timer);
    this.#left = [];
  }

  #wait(): void {
    clearTimeout(this.#timer);
    if (this.#left.length === 0) return;
    this.#timer = setTimeout(() => {
      this.#work(performance.now() + SLICE);
      this.#wait();
    });
  }

  #work(until: number): void {
    this.#doc.transact(() => {
      do {
        const one = this.#left.shift();
        if (!one) return;
        this.#run(one.command, [one.slideId]);
      } while (performance.now() < until);
    }, AFTERWARDS);
  }
}

/**
 * Runs commands so that slides that set themselves out take in what has come, gone or changed on them: one step, taken
 * back as one.
 */
export const settingOut =
  (doc: Y.Doc, run: RunCommand, later: SettingOutLater): RunCommand =>
  (command, ...args) => {
    later.finish();
    return doc.transact((transaction) => {
      const done = run(command, ...args);
      if (!done) return done;
      const slideIds = slidesToSetOut(doc, transaction);
      run(setOutAgain, slideIds.slice(0, AT_ONCE));
      later.add(setOutAgain, slideIds.slice(AT_ONCE));
      return done;
    }, COMMAND);
  };

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

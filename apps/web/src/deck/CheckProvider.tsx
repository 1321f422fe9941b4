import {
  findingsBySlide,
  type Deck,
  type Finding,
  type Report,
  idsOf,
  type SlideId,
} from '@gobrel/core';
import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';
import { useDecks } from '../api/teacher';
import { memory } from '../sync/memory';
import { useDeck } from './DeckContext';
import CheckWorker from './check.worker?worker';
import type { CheckAnswer, DeckChange } from './checkMessages';

interface Checking {
  /** null until the first one is there. */
  report: Report | null;
  /** Milliseconds that the last check took in its worker. */
  took: number;
  bySlide: Map<SlideId, Finding[]>;
  wordsPerMinute: number;
  setWordsPerMinute: (pace: number) => void;
}

const Context = createContext<Checking | null>(null);

export function useCheck(): Checking {
  const checking = useContext(Context);
  if (!checking) throw new Error('no CheckProvider');
  return checking;
}

/** Typing comes in bursts; a check starts when one has paused for so many milliseconds. */
const PAUSE = 120;
/** Slides in one message, so that copying a large deck does not hold up the page. */
const PART = 100;
const PACE_KEY = 'gobrel:reading-pace';

/** Checks the open deck in a worker, again after every change. */
export function CheckProvider({ children }: { children: ReactNode }): ReactElement {
  const { deck } = useDeck();
  const [answer, setAnswer] = useState<CheckAnswer | null>(null);
  const [wordsPerMinute, setPace] = useState(() => Number(memory.get(PACE_KEY)) || 130);
  const linksOut = Object.values(deck.links).some(({ target }) => target.kind === 'deck');
  const decks = useDecks('decks');
  const readable = useMemo(
    () => (linksOut && decks.data ? decks.data.map(({ id }) => id) : null),
    [linksOut, decks.data],
  );
  const sender = useRef<Sender | null>(null);

  useEffect(() => {
    const worker = new CheckWorker();
    worker.onmessage = ({ data }: MessageEvent<CheckAnswer>) => setAnswer(data);
    sender.current = new Sender(worker);
    return () => {
      worker.terminate();
      sender.current = null;
    };
  }, []);
  useEffect(() => {
    const timer = setTimeout(() => sender.current?.send(deck, wordsPerMinute, readable), PAUSE);
    return () => clearTimeout(timer);
  }, [deck, wordsPerMinute, readable]);

  const value = useMemo<Checking>(
    () => ({
      report: answer?.report ?? null,
      took: answer?.took ?? 0,
      bySlide: findingsBySlide(answer?.report.findings ?? []),
      wordsPerMinute,
      setWordsPerMinute: (pace) => {
        memory.set(PACE_KEY, String(pace));
        setPace(pace);
      },
    }),
    [answer, wordsPerMinute],
  );
  return <Context value={value}>{children}</Context>;
}

/** Sends the worker what has changed since the last time. */
class Sender {
  #worker: Worker;
  #sent: Deck | null = null;
  #version = 0;
  #posting = Promise.resolve();

  constructor(worker: Worker) {
    this.#worker = worker;
  }

  send(deck: Deck, wordsPerMinute: number, readableDecks: string[] | null): void {
    const old = this.#sent;
    this.#sent = deck;
    const version = (this.#version += 1);
    const { slides, links, ...head } = deck;
    const change: DeckChange = {
      slides: Object.values(slides).filter((slide) => old?.slides[slide.id] !== slide),
      links: Object.values(links).filter((link) => old?.links[link.id] !== link),
      goneSlides: idsOf(old?.slides ?? {}).filter((id) => !slides[id]),
      goneLinks: idsOf(old?.links ?? {}).filter((id) => !links[id]),
      head,
      wordsPerMinute,
      readableDecks,
      version,
      isPart: false,
    };
    // One after the other, so that no older part overtakes a newer one.
    this.#posting = this.#posting.then(() => this.#post(change));
  }

  async #post(change: DeckChange): Promise<void> {
    for (let at = PART; at < change.slides.length; at += PART) {
      const part = change.slides.slice(at - PART, at);
      this.#worker.postMessage({ ...change, slides: part, links: [], isPart: true });
      await new Promise((resolve) => setTimeout(resolve));
    }
    const rest = Math.floor(Math.max(0, change.slides.length - 1) / PART) * PART;
    this.#worker.postMessage({ ...change, slides: change.slides.slice(rest) });
  }
}

import { slideWords, type Link, type Slide, type SlideId, type DeckTheme } from '@gobrel/core';
import { farFacesOf } from '../painting/farFaces';
import { CARD_PICTURE, type Painted, type PaintOrder } from './cardPictureFormat';
import PaintWorker from './paint.worker?worker';

export { CARD_PICTURE };

interface Entry {
  slide: Slide;
  theme: DeckTheme;
  links: readonly Link[];
  url: string | undefined;
}

const MOST_PICTURES = 1500;

/** The pictures of all cards that have been seen, each made anew only when its slide has changed. */
class CardPictures {
  #worker = new PaintWorker();
  #entries = new Map<SlideId, Entry>();
  #waiting = new Set<SlideId>();
  #isPainting = false;
  #isWaiting = false;
  #listeners = new Map<SlideId, Set<() => void>>();

  constructor() {
    this.#worker.onmessage = ({ data }: MessageEvent<Painted>) => {
      this.#isPainting = false;
      const entry = this.#entries.get(data.slideId);
      if (entry) {
        if (entry.url) URL.revokeObjectURL(entry.url);
        entry.url = URL.createObjectURL(data.picture);
        this.#listeners.get(data.slideId)?.forEach((listener) => listener());
      }
      this.#soon();
    };
  }

  urlOf = (slideId: SlideId): string | undefined => this.#entries.get(slideId)?.url;

  subscribe = (slideId: SlideId, listener: () => void): (() => void) => {
    const listeners = this.#listeners.get(slideId) ?? new Set();
    this.#listeners.set(slideId, listeners.add(listener));
    return () => {
      listeners.delete(listener);
      if (listeners.size === 0) this.#listeners.delete(slideId);
    };
  };

  want = (slide: Slide, theme: DeckTheme, links: readonly Link[]): void => {
    const known = this.#entries.get(slide.id);
    if (known && known.slide === slide && known.theme === theme && isSame(known.links, links)) {
      return;
    }
    this.#entries.delete(slide.id);
    this.#entries.set(slide.id, { slide, theme, links, url: known?.url });
    this.#waiting.add(slide.id);
    this.#forgetOldest();
    this.#soon();
  };

  #forgetOldest(): void {
    for (const [slideId, { url }] of this.#entries) {
      if (this.#entries.size <= MOST_PICTURES) return;
      if (this.#listeners.has(slideId)) continue;
      if (url) URL.revokeObjectURL(url);
      this.#entries.delete(slideId);
    }
  }

  /** In a quiet moment: while the map is being moved, the moving comes first. */
  #soon(): void {
    if (this.#isPainting || this.#isWaiting || this.#waiting.size === 0) return;
    this.#isWaiting = true;
    whenQuiet(() => {
      this.#isWaiting = false;
      this.#next();
    });
  }

  #next(): void {
    const [slideId] = this.#waiting;
    if (slideId === undefined) return;
    this.#waiting.delete(slideId);
    const entry = this.#entries.get(slideId);
    if (!entry) return this.#next();
    this.#isPainting = true;
    void this.#order(entry);
  }

  async #order({ slide, theme, links }: Entry): Promise<void> {
    const faces = await farFacesOf(slideWords(slide));
    this.#worker.postMessage({ slide, theme, links: [...links], faces } satisfies PaintOrder);
  }
}

/** At the latest after this many milliseconds. */
const LONGEST_WAIT = 400;
const whenQuiet = (work: () => void): void => {
  if (typeof requestIdleCallback === 'function')
    requestIdleCallback(work, { timeout: LONGEST_WAIT });
  else setTimeout(work);
};

const isSame = (a: readonly Link[], b: readonly Link[]): boolean =>
  a.length === b.length && a.every((link, index) => link === b[index]);

let pictures: CardPictures | null = null;

/** null where the browser cannot paint in a worker. */
export function cardPictures(): CardPictures | null {
  if (typeof OffscreenCanvas === 'undefined') return null;
  return (pictures ??= new CardPictures());
}

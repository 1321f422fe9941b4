import { titleOf } from '../titleOf.js';
import type { SlideId } from '../../parts/ids.js';
import type { Step, Target } from './target.js';

/** Whether a text that was pasted is an address and nothing besides. */
export const looksLikeAddress = (text: string): boolean =>
  /^(https?:\/\/|mailto:|www\.)\S+$/i.test(text.trim()) ||
  /^[^\s@/]+@[^\s@/]+\.[a-z]{2,}$/i.test(text.trim());

export function isSameTarget(a: Target, b: Target): boolean {
  switch (a.kind) {
    case 'none':
      return false;
    case 'slide':
      return b.kind === 'slide' && a.slideId === b.slideId && a.spotId === b.spotId;
    case 'step':
      return b.kind === 'step' && a.step === b.step;
    case 'deck':
      return b.kind === 'deck' && a.deckId === b.deckId && a.slideId === b.slideId;
    case 'web':
      return b.kind === 'web' && a.address === b.address;
    case 'file':
      return b.kind === 'file' && a.file.hash === b.file.hash;
  }
}

const STEP_WORDS: Record<Step, string> = {
  next: 'the next slide of the trail',
  previous: 'the slide before on the trail',
  first: 'the first slide of the trail',
  last: 'the last slide of the trail',
  back: 'back along the walk',
  restart: 'start over',
};
export const stepWords = (step: Step): string => STEP_WORDS[step];

/** What a target is called, for lists; `titleAt` gives the titles of this deck's slides, null for one that is gone. */
export function targetWords(target: Target, titleAt: (slideId: SlideId) => string | null): string {
  switch (target.kind) {
    case 'none':
      return 'nowhere yet';
    case 'slide': {
      const title = titleAt(target.slideId);
      return title === null ? 'a slide that is gone' : titleOf({ title });
    }
    case 'step':
      return stepWords(target.step);
    case 'deck':
      return target.title || 'another deck';
    case 'web':
      return target.address.replace(/^(https?:\/\/|mailto:)/, '').replace(/\/$/, '');
    case 'file':
      return target.file.name;
  }
}

import { asId, type ElementId, type SlideId } from '../../parts/ids.js';
import { refuse, type Result } from '../../parts/refusals.js';
import { asNumber, asRecord, asString } from '../../parts/decode.js';

/** Ways to go that depend on the walk or on the trail, not on a slide picked beforehand. */
export const STEPS = ['next', 'previous', 'first', 'last', 'back', 'restart'] as const;
export type Step = (typeof STEPS)[number];

/** A file kept with the deck, named by the SHA-256 of its bytes. `size` in bytes. */
export interface FileRef {
  hash: string;
  name: string;
  size: number;
}

/** Where a link leads. `none`: a choice that has been worded but leads nowhere yet. */
export type Target =
  | { kind: 'none' }
  /** `spotId` is the element to look at on arrival. */
  | { kind: 'slide'; slideId: SlideId; spotId?: ElementId }
  | { kind: 'step'; step: Step }
  /** `slideId` '' is that deck's start; `title` is what it was called when it was picked. */
  | { kind: 'deck'; deckId: string; slideId: SlideId | null; title: string }
  /** http, https or mailto, nothing else. */
  | { kind: 'web'; address: string }
  | { kind: 'file'; file: FileRef };

export const NOWHERE: Target = { kind: 'none' };
export const toSlide = (slideId: SlideId): Target => ({ kind: 'slide', slideId });
export const toStep = (step: Step): Target => ({ kind: 'step', step });

const LONGEST_ADDRESS = 2000;

/** The slide of this deck that a link names; undefined for none, or one that is gone. */
export const slideAt = <S>(
  { slides }: { slides: Record<SlideId, S> },
  target: Target,
): S | undefined => (target.kind === 'slide' ? slides[target.slideId] : undefined);

/** Anything that is no target reads as none: the choice stays and Check says that it leads nowhere. */
export function readTarget(value: unknown): Target {
  const raw = asRecord(value);
  switch (raw.kind) {
    case 'slide': {
      const slideId = asId<SlideId>(raw.slideId);
      const spotId = asId<ElementId>(raw.spotId);
      if (!slideId) return NOWHERE;
      return spotId ? { kind: 'slide', slideId, spotId } : { kind: 'slide', slideId };
    }
    case 'step':
      return STEPS.includes(raw.step as Step) ? { kind: 'step', step: raw.step as Step } : NOWHERE;
    case 'deck': {
      const deckId = asId(raw.deckId);
      if (!deckId) return NOWHERE;
      return {
        kind: 'deck',
        deckId,
        slideId: asId<SlideId>(raw.slideId),
        title: asString(raw.title, '', 300),
      };
    }
    case 'web': {
      const read = readAddress(asString(raw.address, '', LONGEST_ADDRESS));
      return read.ok ? { kind: 'web', address: read.address } : NOWHERE;
    }
    case 'file': {
      const file = readFileRef(raw.file);
      return file ? { kind: 'file', file } : NOWHERE;
    }
    default:
      return NOWHERE;
  }
}

function readFileRef(value: unknown): FileRef | undefined {
  const { hash, name, size } = asRecord(value);
  if (typeof hash !== 'string' || !/^[0-9a-f]{64}$/.test(hash)) return undefined;
  return { hash, name: asString(name, 'file', 200) || 'file', size: asNumber(size, 0, 0) };
}

const SCHEMES = ['http:', 'https:', 'mailto:'];

/**
 * A web or e-mail address as people write it: a missing `https://` or `mailto:` is put in front.
 * Refuses every scheme but http, https and mailto, and says why.
 */
export function readAddress(written: string): Result<{ address: string }> {
  const text = written.trim();
  if (text === '') return refuse('address.none');
  if (text.length > LONGEST_ADDRESS) return refuse('address.long');
  // Browsers drop these inside an address, so `java\nscript:` would come back to life.
  if (/\s|[\u0000-\u001f\u007f]/.test(text)) return refuse('address.spaces');
  const scheme = /^([a-z][a-z0-9+.-]*:)(?!\d+(\/|$))/i.exec(text)?.[1]?.toLowerCase();
  if (scheme && !SCHEMES.includes(scheme)) {
    return refuse('address.scheme', { scheme });
  }
  const whole = scheme
    ? text
    : /^[^\s@/]+@[^\s@/]+\.[^\s@/]+$/.test(text)
      ? `mailto:${text}`
      : `https://${text}`;
  let url: URL;
  try {
    url = new URL(whole);
  } catch {
    return refuse('address.unreadable');
  }
  if (!SCHEMES.includes(url.protocol)) return refuse('address.protocol');
  if (url.protocol === 'mailto:') {
    return /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(url.pathname)
      ? { ok: true, address: url.href }
      : refuse('address.mail');
  }
  if (!/\.|^localhost$/.test(url.hostname)) {
    return refuse('address.place', { place: url.hostname });
  }
  if (url.username || url.password) return refuse('address.password');
  return { ok: true, address: url.href };
}

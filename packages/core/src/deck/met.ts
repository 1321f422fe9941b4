import type { ElementId, LinkId, SlideId } from '../parts/ids.js';
import { elementById } from './arranging/elementById.js';
import { linksOf } from './links/linksOf.js';
import { TrailSteps } from './trails/trailSteps.js';
import { isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import { type Deck, type Link, type Slide, type Trail, type TrailStop } from './types.js';

/** Why students do not get a link. */
export type Unmet =
  /** It leaves a slide that is left out. */
  | 'from-left-out'
  /** Nothing on its slide carries it, or not any more. */
  | 'no-carrier'
  /** What carries it lies beside the stage. */
  | 'carrier-off-stage'
  /** Nobody has said where it leads, or that slide is gone. */
  | 'leads-nowhere'
  | 'to-left-out'
  /** It goes along a trail, and the one that is walked does not go on from its slide. */
  | 'off-trail'
  /** Students have this edition and no other deck. */
  | 'to-other-deck';

/** Students walk the default trail, and this deck alone. A show walks any, and goes over to other decks. */
export type Walkers = 'students' | 'show';

/** What students meet of a deck. */
export interface StudentsMeet {
  /**
   * The deck with the slides, the things on them, the links, the trail and the start that students get; everything in
   * it is as in the whole deck, notes and keys too. A slide of which they get everything is the very same object.
   */
  deck: Deck;
  /** The links that they do not get. */
  unmet: ReadonlyMap<LinkId, Unmet>;
}

/**
 * The one answer to what students meet: what they are sent, what Check proves, what is measured and what the map calls
 * a way all ask here. Costs one pass over the links, and over the elements of slides that changed.
 */
export function whatStudentsMeet(deck: Deck, walkers: Walkers = 'students'): StudentsMeet {
  const trails = trailsFor(deck, walkers);
  const unmet = unmetAmong(deck, trails, walkers);
  const closed = new Map<SlideId, ElementId[]>();
  for (const linkId of unmet.keys()) {
    const { from, carrier } = deck.links[linkId]!;
    if (carrier.kind !== 'element') continue;
    const lines = closed.get(from);
    if (lines) lines.push(carrier.elementId);
    else closed.set(from, [carrier.elementId]);
  }
  const links =
    unmet.size === 0
      ? deck.links
      : allBut(deck.links, (link) => (unmet.has(link.id) ? null : link));
  const slides = allBut(deck.slides, (slide) =>
    slide.isLeftOut ? null : metSlide(slide, closed.get(slide.id)),
  );
  const startSlideId = startFor(deck, slides);
  return { deck: { ...deck, slides, links, startSlideId, trails }, unmet };
}

/** The links that students do not get, without looking at anything else. */
export const unmetLinks = (deck: Deck): ReadonlyMap<LinkId, Unmet> =>
  unmetAmong(deck, trailsFor(deck, 'students'), 'students');

function unmetAmong(deck: Deck, trails: Trail[], walkers: Walkers): Map<LinkId, Unmet> {
  const steps = new TrailSteps({ ...deck, trails });
  const unmet = new Map<LinkId, Unmet>();
  for (const link of linksOf(deck)) {
    const why = whyUnmet(deck, link, steps, walkers);
    if (why) unmet.set(link.id, why);
  }
  return unmet;
}

/** The trails that are walked, with the stops that are met. */
function trailsFor(deck: Deck, walkers: Walkers): Trail[] {
  const isMet = ({ slideId }: TrailStop): boolean => deck.slides[slideId]?.isLeftOut === false;
  const isWalked = ({ id }: Trail): boolean => walkers === 'show' || id === deck.defaultTrailId;
  const walked = deck.trails.every(isWalked) ? deck.trails : deck.trails.filter(isWalked);
  return walked.every(({ stops }) => stops.every(isMet))
    ? walked
    : walked.map((trail) => ({ ...trail, stops: trail.stops.filter(isMet) }));
}

/** What becomes of everything, without what becomes nothing. All of it is given as it is when nothing changes. */
function allBut<T extends { id: string }>(
  all: Record<string, T>,
  become: (one: T) => T | null,
): Record<string, T> {
  const list = Object.values(all);
  const now = list.map(become);
  if (now.every((one, index) => one === list[index])) return all;
  return Object.fromEntries(now.flatMap((one) => (one ? [[one.id, one]] : [])));
}

function whyUnmet(
  deck: Deck,
  { from, carrier, target }: Link,
  steps: TrailSteps,
  walkers: Walkers,
): Unmet | null {
  const slide = deck.slides[from];
  if (!slide || slide.isLeftOut) return 'from-left-out';
  if (carrier.kind === 'none') return 'no-carrier';
  const element = elementById(slide, carrier.elementId);
  if (!element) return 'no-carrier';
  if (isSpare(element)) return 'carrier-off-stage';
  switch (target.kind) {
    case 'none':
      return 'leads-nowhere';
    case 'deck':
      return walkers === 'show' ? null : 'to-other-deck';
    case 'slide': {
      const to = deck.slides[target.slideId];
      return !to ? 'leads-nowhere' : to.isLeftOut ? 'to-left-out' : null;
    }
    case 'step':
      return (target.step === 'next' || target.step === 'previous') &&
        steps.from(from, target.step).length === 0
        ? 'off-trail'
        : null;
    case 'web':
    case 'file':
      return null;
  }
}

/** Where students begin: on the start, or on the first slide of the map when there is none, or they do not get it. */
function startFor(deck: Deck, slides: Record<SlideId, Slide>): SlideId | null {
  const { startSlideId } = deck;
  if (startSlideId !== null && slides[startSlideId]) return startSlideId;
  return firstOnMap(Object.values(slides))?.id ?? null;
}

/** The slide furthest to the left, the upper one of two; patterns only when there is nothing else. */
export function firstOnMap(slides: readonly Slide[]): Slide | undefined {
  const walked = slides.filter(({ isPattern }) => !isPattern);
  return [...(walked.length > 0 ? walked : slides)].sort(
    (a, b) => a.x - b.x || a.y - b.y || (a.id < b.id ? -1 : 1),
  )[0];
}

const NONE: readonly ElementId[] = [];
const met = new WeakMap<Slide, { closed: string; slide: Slide }>();

/** A slide without what lies beside its stage, and without choice lines that lead students nowhere. */
function metSlide(slide: Slide, closed: readonly ElementId[] = NONE): Slide {
  const isMet = (element: SlideElement): boolean =>
    !isSpare(element) &&
    !(element.kind === 'text' && element.style === 'choice' && closed.includes(element.id));
  if (slide.elements.every(isMet)) return slide;
  const key = closed.join(' ');
  const known = met.get(slide);
  if (known?.closed === key) return known.slide;
  const given = { ...slide, elements: slide.elements.filter(isMet) };
  met.set(slide, { closed: key, slide: given });
  return given;
}

import type { Deck, Link, Slide, Trail } from '../deck/types.js';
import { defaultTrail } from '../deck/trails/trailSteps.js';
import {
  entryAt,
  type ElementId,
  type LinkId,
  type SectionId,
  type SlideId,
} from '../parts/ids.js';
import { sure } from '../parts/sure.js';
import { arriveAt, choicesOf, followTo, onlyWayOut, stopTo, type RouteGraph } from './graph.js';
import { waitsForChoice } from './reach.js';
import { stepsOn } from './slideNumbers.js';

/** One step of a walk through a deck that is shown or read. */
export interface ShownStep {
  slideId: SlideId;
  /** What led here: a link, the trail, or a jump from anywhere. */
  via: LinkId | 'start' | 'trail' | 'jump';
  /** Where on the trail this is: a place of its list. None beside it. */
  stop?: number;
  /** The thing that a link pointed at. */
  spotId?: ElementId;
  /** How many of the things that come one by one have come. */
  shown?: number;
}

/** What is walked on. */
export interface WalkGround {
  /** As whoever walks meets it. */
  deck: Deck;
  graph: RouteGraph;
  trail: Trail | undefined;
  /**
   * The trail was chosen for this walk: at a choice that leads to its next stop, it has chosen. Students, readers and
   * followers always choose themselves.
   */
  isLed: boolean;
}

export const trailToWalk = (deck: Deck, id: string | null): Trail | undefined =>
  deck.trails.find((trail) => trail.id === id) ?? defaultTrail(deck);

/** Begins on a slide, or at the start when there is none of that name; empty where a deck has nothing to begin on. */
export function beginWalk(
  { deck, trail }: WalkGround,
  from: SlideId | null,
  spotId?: ElementId,
): ShownStep[] {
  const slideId = from && deck.slides[from] ? from : deck.startSlideId;
  if (!slideId) return [];
  return [{ slideId, via: 'start', stop: arriveAt(trail, slideId, undefined), spotId }];
}

/** Goes to a slide from wherever one is. */
export function jump(
  ground: WalkGround,
  walk: readonly ShownStep[],
  slideId: SlideId,
): ShownStep[] {
  return [...walk, arrived(ground, walk, slideId, 'jump')];
}

/** Takes the last thing that came away again, or goes back to the slide before. */
export function walkBack(walk: readonly ShownStep[]): ShownStep[] {
  const last = walk.at(-1);
  if (last?.shown) return [...walk.slice(0, -1), { ...last, shown: last.shown - 1 }];
  return walk.length > 1 ? walk.slice(0, -1) : [...walk];
}

/** Goes where a link leads; null when that is no slide of this deck. */
export function walkAlong(
  ground: WalkGround,
  walk: readonly ShownStep[],
  linkId: LinkId,
): ShownStep[] | null {
  const { deck, trail } = ground;
  const link = entryAt(deck.links, linkId);
  if (!link) return null;
  const { target } = link;
  if (target.kind === 'step' && target.step === 'back')
    return walk.length > 1 ? walk.slice(0, -1) : null;
  const along = { trail, stop: walk.at(-1)?.stop, meetsCloseUps: true };
  const slideId = followTo(deck, link, along);
  if (!slideId) return null;
  const step = arrived(ground, walk, slideId, linkId, stopTo(deck, link, along));
  return [...walk, target.kind === 'slide' ? { ...step, spotId: target.spotId } : step];
}

/**
 * What an arrow does: the next thing comes, then the next stop of the trail or the only way out is gone to. null where
 * it waits for a choice, or where nothing is left.
 */
export function walkOn(ground: WalkGround, walk: readonly ShownStep[]): ShownStep[] | null {
  const { deck, graph, trail } = ground;
  const last = walk.at(-1);
  const slide = last && deck.slides[last.slideId];
  if (!last || !slide) return null;
  const shown = last.shown ?? 0;
  if (shown < stepsOn(slide)) return [...walk.slice(0, -1), { ...last, shown: shown + 1 }];
  const next = last.stop === undefined ? undefined : trail?.stops[last.stop + 1];
  if (isAtChoice(ground, slide)) {
    // A close-up on this slide is no step away from its choices.
    const isOpen = next?.slideId === slide.id || (next && chosenBy(ground, slide, next.slideId));
    if (!isOpen) return null;
  }
  if (next && last.stop !== undefined) {
    const via = chosenBy(ground, slide, next.slideId)?.id ?? 'trail';
    return [...walk, arrived(ground, walk, next.slideId, via, last.stop + 1)];
  }
  const way = onlyWayOut(graph, slide.id);
  return way ? walkAlong(ground, walk, way.id) : null;
}

/** Whether somebody has to choose here before it goes on. */
export const isAtChoice = ({ graph }: WalkGround, slide: Slide): boolean =>
  waitsForChoice(graph, slide.id) && !slide.runsOn;

/** The choice on a slide that the trail has made, where it may. */
function chosenBy({ graph, isLed }: WalkGround, slide: Slide, next: SlideId): Link | undefined {
  return isLed
    ? choicesOf(graph, slide.id).find(({ id }) => graph.to.get(id)?.includes(next))
    : undefined;
}

const arrived = (
  { trail }: WalkGround,
  walk: readonly ShownStep[],
  slideId: SlideId,
  via: ShownStep['via'],
  stop = arriveAt(trail, slideId, walk.at(-1)?.stop),
): ShownStep => ({ slideId, via, stop });

/** Whether sections of the trail lie in one another: then there is a way across them and one within. */
export function hasNestedSections({ deck, trail }: WalkGround): boolean {
  return (trail?.stops ?? []).some(({ slideId }) => sectionsOf(deck, slideId).length > 1);
}

/**
 * Where sections lie in one another: across, to the section beside or back to the one before, or within, to the stop
 * beside in the same section or in one that lies in it. null where there is none, or a choice has to be made first.
 */
export function walkBeside(
  ground: WalkGround,
  walk: readonly ShownStep[],
  way: 'across' | 'within',
  by: 1 | -1,
): ShownStep[] | null {
  const { deck, trail } = ground;
  const last = walk.at(-1);
  const slide = last && deck.slides[last.slideId];
  if (!trail || !slide || last.stop === undefined) return null;
  const here = sectionsOf(deck, slide.id);
  const { stops } = trail;
  let to = last.stop + by;
  if (way === 'across') {
    // Beside all sections there is nothing else to be within.
    const leaves = (slideId: SlideId): boolean =>
      here.length > 0 ? !liesIn(deck, slideId, here) : sectionsOf(deck, slideId).length > 0;
    while (stops[to] && !leaves(sure(stops[to], 'it is asked for just before').slideId)) to += by;
    const found = by === -1 ? stops[to] : undefined;
    // Back leads to the beginning of the section before, as on leads to that of the next.
    const section = found && sectionsOf(deck, found.slideId);
    while (section && section.length > 0 && to > 0 && liesIn(deck, stops[to - 1]!.slideId, section))
      to -= 1;
  }
  const next = stops[to];
  if (!next || (way === 'within' && !liesIn(deck, next.slideId, here))) return null;
  const isOpen = by === -1 || next.slideId === slide.id || chosenBy(ground, slide, next.slideId);
  if (isAtChoice(ground, slide) && !isOpen) return null;
  return [...walk, arrived(ground, walk, next.slideId, 'trail', to)];
}

/** Whether a slide lies in all of these sections, or in some that lie in them. */
const liesIn = (deck: Deck, slideId: SlideId, within: readonly SectionId[]): boolean =>
  within.every((id, at) => sectionsOf(deck, slideId)[at] === id);

/** The sections that a slide lies in, the outermost first. */
function sectionsOf({ slides, sections }: Deck, slideId: SlideId): SectionId[] {
  const found: SectionId[] = [];
  let id = slides[slideId]?.sectionId ?? null;
  while (id !== null && !found.includes(id) && sections[id]) {
    found.unshift(id);
    id = sections[id]?.parentId ?? null;
  }
  return found;
}

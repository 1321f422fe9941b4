import type { Deck, Link, Slide, Trail } from '../deck/types.js';
import { elementById } from '../deck/arranging/elementById.js';
import { inReadingOrder } from '../geometry/readingOrder.js';
import type { Box } from '../parts/place.js';
import { linksOf } from '../deck/links/linksOf.js';
import { defaultTrail, TrailSteps, type OnwardStep } from '../deck/trails/trailSteps.js';
import { type LinkId, type SlideId, idsOf, idOf } from '../parts/ids.js';

/** The deck as routes: slides and the links between them, indexed both ways. */
export interface RouteGraph {
  /** All links that leave a slide, in reading order of what carries them; unplaced ones last. */
  waysOut: Map<SlideId, Link[]>;
  /** All links that can arrive at a slide. */
  waysIn: Map<SlideId, Link[]>;
  /**
   * The slides of this deck that a link can lead to. Absent for links that leave the deck, for *back*, which goes
   * wherever the walk came from, and for those that lead nowhere. More than one for *next* and *previous* where
   * trails go different ways.
   */
  to: Map<LinkId, readonly SlideId[]>;
  /** Links that should lead to a slide and cannot: it is gone, or no trail says which one is next. */
  broken: Link[];
  /** Choices that have been worded and lead nowhere yet. */
  unset: Link[];
}

/** Two passes over the links, besides putting them in reading order. */
export function routeGraph(deck: Deck): RouteGraph {
  const ids = idsOf(deck.slides);
  const indexOf = new Map<SlideId, number>();
  ids.forEach((id, index) => indexOf.set(id, index));
  const leaving = new Gathered(ids.length);
  const arriving = new Gathered(ids.length);
  const to = new Map<LinkId, readonly SlideId[]>();
  const broken: Link[] = [];
  const unset: Link[] = [];
  const trails = new TrailSteps(deck);
  for (const link of linksOf(deck)) {
    const from = indexOf.get(link.from);
    if (from !== undefined) leaving.add(from, link);
    const { target } = link;
    if (target.kind === 'none') {
      unset.push(link);
      continue;
    }
    if (target.kind !== 'slide' && target.kind !== 'step') continue;
    if (target.kind === 'step' && target.step === 'back') continue;
    const leadsTo =
      target.kind === 'step' ? trails.from(link.from, target.step as OnwardStep) : [target.slideId];
    let canArrive = target.kind === 'step' && leadsTo.length > 0;
    for (const slideId of leadsTo) {
      const index = indexOf.get(slideId);
      if (index === undefined) continue;
      arriving.add(index, link);
      canArrive = true;
    }
    if (canArrive) to.set(link.id, leadsTo);
    else broken.push(link);
  }
  const waysOut = leaving.by(ids);
  for (const [id, links] of waysOut) {
    if (links.length > 1) sortInReadingOrder(links, deck.slides[id]!);
  }
  return { waysOut, waysIn: arriving.by(ids), to, broken, unset };
}

/** Links gathered by slides: counted first, so that each list is made as long as it is. */
class Gathered {
  #count: Int32Array;
  #slides: number[] = [];
  #links: Link[] = [];

  constructor(slides: number) {
    this.#count = new Int32Array(slides + 1);
  }

  add(slide: number, link: Link): void {
    this.#slides.push(slide);
    this.#links.push(link);
    this.#count[slide + 1]! += 1;
  }

  by(ids: readonly SlideId[]): Map<SlideId, Link[]> {
    const first = this.#count;
    for (let index = 1; index < first.length; index += 1) first[index]! += first[index - 1]!;
    const next = first.slice();
    const inOrder = this.#links.slice();
    for (let index = 0; index < inOrder.length; index += 1)
      inOrder[next[this.#slides[index]!]!++] = this.#links[index]!;
    const found = new Map<SlideId, Link[]>();
    for (let index = 0; index < ids.length; index += 1)
      found.set(ids[index]!, inOrder.slice(first[index], first[index + 1]));
    return found;
  }
}

/** As what carries them is read, row by row; those that nothing carries come last. */
function sortInReadingOrder(links: Link[], slide: Slide): void {
  const places = links.map((link) => placeOf(link, slide));
  // They mostly are.
  if (places.every((box, at) => at === 0 || isBelow(box, places[at - 1]))) return;
  const byId = links
    .map((link, at) => ({ link, box: places[at] }))
    .sort((a, b) => (a.link.id < b.link.id ? -1 : 1));
  const carried = byId.flatMap(({ link, box }) => (box ? [{ link, box }] : []));
  const inOrder = [...inReadingOrder(carried, true), ...byId.filter(({ box }) => !box)];
  inOrder.forEach(({ link }, at) => (links[at] = link));
}

const placeOf = ({ carrier }: Link, slide: Slide): Box | undefined =>
  carrier.kind === 'none' ? undefined : elementById(slide, carrier.elementId)?.box;

/** Whether a box is right below another one, so that it is read after it whatever lies around. */
const isBelow = (box: Box | undefined, above: Box | undefined): boolean =>
  box !== undefined &&
  above !== undefined &&
  box.y >= above.y + above.h &&
  box.x < above.x + above.w &&
  above.x < box.x + box.w;

/** The links that are choices: all but those that open something beside the walk. */
export function choicesOf(graph: RouteGraph, slideId: SlideId): Link[] {
  return (graph.waysOut.get(slideId) ?? []).filter(
    ({ target }) => target.kind !== 'web' && target.kind !== 'file',
  );
}

/** The ways out of a slide that lead to a slide of the deck: where a class can go, and vote to go. */
export function waysOn(graph: RouteGraph, slideId: SlideId): Link[] {
  return (graph.waysOut.get(slideId) ?? []).filter(({ id }) => graph.to.has(id));
}

/** Where an arrow key leads: along the only way out, or nowhere. */
export function onlyWayOut(graph: RouteGraph, slideId: SlideId): Link | null {
  const ways = choicesOf(graph, slideId);
  return ways.length === 1 && graph.to.has(ways[0]!.id) ? ways[0]! : null;
}

/** The stop of a trail at which somebody arrives: the next one on that slide after where they were, or the first. */
export function arriveAt(
  trail: Trail | undefined,
  slideId: SlideId,
  from: number | undefined,
): number | undefined {
  const there = trail ? stopsOn(trail, slideId) : [];
  return there.find((at) => at > (from ?? -1)) ?? there[0];
}

/** The stops of a trail on a slide, in order: places of its list. */
export function stopsOn(trail: Trail, slideId: SlideId): readonly number[] {
  let known = stopsBySlide.get(trail);
  if (!known) {
    known = new Map<SlideId, number[]>();
    for (const [at, stop] of trail.stops.entries()) {
      const there = known.get(stop.slideId);
      if (there) there.push(at);
      else known.set(stop.slideId, [at]);
    }
    stopsBySlide.set(trail, known);
  }
  return known.get(slideId) ?? [];
}
const stopsBySlide = new WeakMap<Trail, Map<SlideId, number[]>>();

/**
 * The stop of the default trail at which a walk has come, given as its slides and the links that led to them; undefined
 * beside the trail.
 */
export function stopAfter(
  deck: Deck,
  walked: readonly { slideId: SlideId; via: string }[],
): number | undefined {
  const trail = defaultTrail(deck);
  if (!trail) return undefined;
  return walked.reduce<number | undefined>((at, { slideId, via }) => {
    const link = deck.links[idOf<LinkId>(via)];
    const stepped = link && stopTo(deck, link, { trail, stop: at });
    return stepped !== undefined && trail.stops[stepped]?.slideId === slideId
      ? stepped
      : arriveAt(trail, slideId, at);
  }, undefined);
}

export interface WalkOfTrail {
  trail?: Trail;
  stop?: number;
  cameFrom?: SlideId | null;
  /** Stops that only show another part of the same slide are met, too. */
  meetsCloseUps?: boolean;
}

/**
 * Where a link leads for somebody who walks `trail` (or the default one) and stands at `stop` of it.
 * null: it does not lead to a slide of this deck.
 */
export function followTo(deck: Deck, link: Link, walk: WalkOfTrail = {}): SlideId | null {
  const { target } = link;
  if (target.kind === 'slide') return deck.slides[target.slideId] ? target.slideId : null;
  if (target.kind !== 'step') return null;
  const stops = (walk.trail ?? defaultTrail(deck))?.stops ?? [];
  switch (target.step) {
    case 'restart':
      return deck.startSlideId;
    case 'back':
      return walk.cameFrom ?? null;
    case 'first':
      return stops[0]?.slideId ?? deck.startSlideId;
    case 'last':
      return stops.at(-1)?.slideId ?? null;
    case 'next':
    case 'previous': {
      const to = stopTo(deck, link, walk);
      return to === undefined ? null : stops[to]!.slideId;
    }
  }
}

/**
 * The stop that a link on along the trail, or back along it, leads to from where one stands. Where the trail ends
 * there, it leads along from another of its stops on that slide.
 */
export function stopTo(
  deck: Deck,
  { from, target }: Link,
  { trail = defaultTrail(deck), stop, meetsCloseUps }: WalkOfTrail = {},
): number | undefined {
  if (target.kind !== 'step' || (target.step !== 'next' && target.step !== 'previous')) return;
  const stops = trail?.stops ?? [];
  const by = target.step === 'next' ? 1 : -1;
  const isHere = (at: number): boolean => stops[at]?.slideId === from;
  const onSlide = trail ? stopsOn(trail, from) : [];
  for (const at of stop !== undefined && isHere(stop) ? [stop, ...onSlide] : onSlide) {
    let to = at + by;
    while (!meetsCloseUps && isHere(to)) to += by;
    if (stops[to]) return to;
  }
  return undefined;
}

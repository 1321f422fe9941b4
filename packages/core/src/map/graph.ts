import type { Deck, Link, Slide } from '../deck/types.js';
import type { SlideId } from '../ids.js';

/** The deck as routes: slides and the links between them, indexed both ways. */
export interface RouteGraph {
  waysOut: Map<SlideId, Link[]>;
  waysIn: Map<SlideId, Link[]>;
  /** Links whose slide is gone. */
  broken: Link[];
}

/** One pass over the links. Ways out stand in reading order of what carries them; unplaced ones last. */
export function routeGraph(deck: Deck): RouteGraph {
  const waysOut = new Map<SlideId, Link[]>();
  const waysIn = new Map<SlideId, Link[]>();
  const broken: Link[] = [];
  for (const id of Object.keys(deck.slides)) {
    waysOut.set(id, []);
    waysIn.set(id, []);
  }
  for (const link of Object.values(deck.links)) {
    waysOut.get(link.from)?.push(link);
    const arrivals = waysIn.get(link.target.slideId);
    if (arrivals) arrivals.push(link);
    else broken.push(link);
  }
  for (const [id, links] of waysOut) {
    const slide = deck.slides[id];
    if (slide && links.length > 1) links.sort(inReadingOrder(slide));
  }
  return { waysOut, waysIn, broken };
}

function inReadingOrder(slide: Slide): (a: Link, b: Link) => number {
  const place = (link: Link): number => {
    const { carrier } = link;
    if (carrier.kind === 'none') return Infinity;
    const element = slide.elements.find((candidate) => candidate.id === carrier.elementId);
    return element ? element.box.y * 10_000 + element.box.x : Infinity;
  };
  return (a, b) => {
    const [left, right] = [place(a), place(b)];
    return left === right ? (a.id < b.id ? -1 : 1) : left - right;
  };
}

/** Every slide that can be walked to from a slide, itself included. */
export function reachableFrom(graph: RouteGraph, slideId: SlideId | null): Set<SlideId> {
  const found = new Set<SlideId>();
  const waiting = slideId && graph.waysOut.has(slideId) ? [slideId] : [];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (found.has(next)) continue;
    found.add(next);
    for (const link of graph.waysOut.get(next) ?? []) {
      if (graph.waysOut.has(link.target.slideId)) waiting.push(link.target.slideId);
    }
  }
  return found;
}

/** A slide whose ways out are choices waits for one: arrows and autoplay stop there. */
export function waitsForChoice(graph: RouteGraph, slideId: SlideId): boolean {
  return (graph.waysOut.get(slideId)?.length ?? 0) > 1;
}

/** Where an arrow key leads: along the only way out, or nowhere. */
export function onlyWayOut(graph: RouteGraph, slideId: SlideId): Link | null {
  const ways = graph.waysOut.get(slideId) ?? [];
  return ways.length === 1 && graph.waysOut.has(ways[0]!.target.slideId) ? ways[0]! : null;
}

import type { Deck } from '../deck/types.js';
import type { SlideId } from '../parts/ids.js';
import { choicesOf, type RouteGraph } from './graph.js';

/** The slides that the links of a slide can lead to, once for every link that does. */
export function leadsOn(graph: RouteGraph, slideId: SlideId): SlideId[] {
  return (graph.waysOut.get(slideId) ?? []).flatMap((link) => graph.to.get(link.id) ?? []);
}

/** Every slide that can be walked to from a slide, itself included. */
export function reachableFrom(
  graph: RouteGraph,
  slideId: SlideId | null,
  /** Slides that are not walked through. */
  closed: ReadonlySet<SlideId> = new Set(),
): Set<SlideId> {
  const found = new Set<SlideId>();
  const waiting = slideId && graph.waysOut.has(slideId) ? [slideId] : [];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (found.has(next) || closed.has(next)) continue;
    found.add(next);
    for (const link of graph.waysOut.get(next) ?? []) {
      for (const target of graph.to.get(link.id) ?? []) waiting.push(target);
    }
  }
  return found;
}

/** A slide and all that is reached through it alone: what would be cut off from the start without it. */
export function hangingBelow(deck: Deck, graph: RouteGraph, slideId: SlideId): SlideId[] {
  const below = reachableFrom(graph, slideId);
  if (slideId === deck.startSlideId) return [...below];
  const without = reachableFrom(graph, deck.startSlideId, new Set([slideId]));
  return [...below].filter((id) => id === slideId || !without.has(id));
}

/** A slide whose ways out are choices waits for one: arrows and autoplay stop there. */
export function waitsForChoice(graph: RouteGraph, slideId: SlideId): boolean {
  return choicesOf(graph, slideId).length > 1;
}

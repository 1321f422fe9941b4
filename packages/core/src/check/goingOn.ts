import type { Deck, Slide } from '../deck/types.js';
import type { RouteGraph } from '../map/graph.js';
import { reachableFrom } from '../map/reach.js';
import type { SlideId } from '../parts/ids.js';

/**
 * Where a walk could go on from slides that nothing leaves: with the next slide of the plan that nothing leads to yet.
 * What others lead to belongs to the last of these that it can be come to from, so that going on from it closes no ring.
 * Empty where everything is led to.
 */
export function goingOn(
  { slides, startSlideId }: Deck,
  graph: RouteGraph,
): ReadonlyMap<SlideId, SlideId> {
  const isLedTo = ({ id }: Slide): boolean => (graph.waysIn.get(id) ?? []).length > 0;
  const heads = Object.values(slides)
    .filter((slide) => !slide.isPattern && !slide.isLeftOut)
    .filter((slide) => slide.id === startSlideId || !isLedTo(slide))
    .sort(
      (one, other) =>
        Number(other.id === startSlideId) - Number(one.id === startSlideId) ||
        one.x - other.x ||
        one.y - other.y ||
        (one.id < other.id ? -1 : 1),
    );
  const next = new Map<SlideId, SlideId>();
  if (heads.length < 2) return next;
  const known = new Set<SlideId>();
  let after: SlideId | null = null;
  for (const { id } of heads.reverse()) {
    for (const slideId of reachableFrom(graph, id, known)) {
      known.add(slideId);
      if (after) next.set(slideId, after);
    }
    // Also where the walk begins, which others may lead back to.
    if (after) next.set(id, after);
    after = id;
  }
  return next;
}

import {
  foldedId,
  leadsOn,
  type MapRegions,
  type RouteGraph,
  type Slide,
  type SlideId,
} from '@gobrel/core';

/** A folded section moves all that lies in it. */
export function cardsMoved(
  id: string,
  to: { x: number; y: number },
  slides: Record<SlideId, Slide>,
  regions: MapRegions,
): { slideId: SlideId; x: number; y: number }[] {
  const folded = regions.folded.find(({ section }) => foldedId(section.id) === id);
  if (!folded) return [{ slideId: id, ...to }];
  const [dx, dy] = [to.x - folded.x, to.y - folded.y];
  return folded.slideIds.flatMap((slideId) => {
    const slide = slides[slideId];
    return slide ? [{ slideId, x: slide.x + dx, y: slide.y + dy }] : [];
  });
}

/** Sideways along the wires, up and down to the nearest card of the column. */
export function neighbour(
  slides: Slide[],
  graph: RouteGraph,
  from: Slide,
  key: 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown',
): SlideId | undefined {
  if (key === 'ArrowRight') return leadsOn(graph, from.id)[0];
  if (key === 'ArrowLeft') return graph.waysIn.get(from.id)?.[0]?.from;
  const sign = key === 'ArrowDown' ? 1 : -1;
  return slides
    .filter((slide) => (slide.y - from.y) * sign > 0)
    .sort((a, b) => distance(a, from) - distance(b, from))[0]?.id;
}

const distance = (a: Slide, b: Slide): number => Math.abs(a.y - b.y) + 2 * Math.abs(a.x - b.x);

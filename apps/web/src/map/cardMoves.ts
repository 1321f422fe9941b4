import {
  CARD,
  foldedId,
  sectionPath,
  leadsOn,
  type Deck,
  type MapRegions,
  type SectionId,
  type RouteGraph,
  type Slide,
  type SlideId,
  idOf,
} from '@gobrel/core';

/** A folded section moves all that lies in it. */
export function cardsMoved(
  id: string,
  to: { x: number; y: number },
  slides: Record<SlideId, Slide>,
  regions: MapRegions,
): { slideId: SlideId; x: number; y: number }[] {
  const folded = regions.folded.find(({ section }) => foldedId(section.id) === id);
  if (!folded) return [{ slideId: idOf(id), ...to }];
  const [dx, dy] = [to.x - folded.x, to.y - folded.y];
  return folded.slideIds.flatMap((slideId) => {
    const slide = slides[slideId];
    return slide ? [{ slideId, x: slide.x + dx, y: slide.y + dy }] : [];
  });
}

/** Sideways along the wires, which lead to the left on a map that grows there; up and down to the nearest card of the column. */
export function neighbour(
  { slides, graph, isLeftward }: { slides: Slide[]; graph: RouteGraph; isLeftward: boolean },
  from: Slide,
  key: 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown',
): SlideId | undefined {
  const [onKey, backKey] = isLeftward ? ['ArrowLeft', 'ArrowRight'] : ['ArrowRight', 'ArrowLeft'];
  if (key === onKey) return leadsOn(graph, from.id)[0];
  if (key === backKey) return graph.waysIn.get(from.id)?.[0]?.from;
  const sign = key === 'ArrowDown' ? 1 : -1;
  return slides
    .filter((slide) => (slide.y - from.y) * sign > 0)
    .sort((a, b) => distance(a, from) - distance(b, from))[0]?.id;
}

const distance = (a: Slide, b: Slide): number => Math.abs(a.y - b.y) + 2 * Math.abs(a.x - b.x);

/** The card that lies at a place of the map; of two the one that was drawn later. */
export function cardAt<T extends { id: string; type?: string; position: { x: number; y: number } }>(
  nodes: readonly T[],
  at: { x: number; y: number },
): T | undefined {
  return nodes.findLast(
    ({ type, position: { x, y } }) =>
      type !== 'region' &&
      at.x >= x &&
      at.x <= x + CARD.width &&
      at.y >= y &&
      at.y <= y + CARD.height,
  );
}

/**
 * The section that cards were put down in; undefined where that changes nothing. Only the middle of a card counts, and
 * only where all of them are put down in the same one. Cards that are moved about in their section, or in one around it,
 * stay in it: those regions grow with them and say nothing.
 */
export function sectionUnder(
  spots: readonly { slideId: SlideId; x: number; y: number }[],
  deck: Deck,
  { regions }: MapRegions,
): SectionId | undefined {
  const moved = new Set(spots.map(({ slideId }) => slideId));
  const under = spots.map(({ slideId, x, y }) => {
    const [mx, my] = [x + CARD.width / 2, y + CARD.height / 2];
    const own = new Set(
      sectionPath(deck, deck.slides[slideId]?.sectionId ?? null).map(({ id }) => id),
    );
    const inside = regions.filter(
      ({ section, pieces }) =>
        !own.has(section.id) &&
        Object.values(deck.slides).some(
          (one) => one.sectionId === section.id && !moved.has(one.id),
        ) &&
        pieces.some(({ x, y, w, h }) => mx >= x && mx <= x + w && my >= y && my <= y + h),
    );
    return inside.sort((a, b) => b.depth - a.depth)[0]?.section.id;
  });
  const [first] = under;
  return first && under.every((one) => one === first) ? first : undefined;
}

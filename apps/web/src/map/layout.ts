import { CARD, PITCH, type Deck, type RouteGraph, type SlideId } from '@gobrel/core';
import ELK from 'elkjs/lib/elk-api.js';
import ElkWorker from 'elkjs/lib/elk-worker.min.js?worker';
import type { Direction } from '../cards/wirePath';

let elk: InstanceType<typeof ELK> | null = null;

export interface CardSpot {
  slideId: SlideId;
  x: number;
  y: number;
}

/**
 * A layered layout, computed in a worker: where cards should lie, in map units. Cards placed by hand keep their place
 * unless `all`; the others are laid out round them and step aside where they would touch.
 */
export async function layOut(
  deck: Deck,
  graph: RouteGraph,
  direction: Direction,
  which: 'loose' | 'all',
): Promise<CardSpot[]> {
  elk ??= new ELK({ workerFactory: () => new ElkWorker() });
  const slides = Object.values(deck.slides);
  const laid = await elk.layout({
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': direction === 'down' ? 'DOWN' : 'RIGHT',
      'elk.layered.spacing.nodeNodeBetweenLayers': '120',
      'elk.spacing.nodeNode': '42',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
    },
    children: slides.map(({ id }) => ({ id, width: CARD.width, height: CARD.height })),
    edges: [...graph.to].flatMap(([linkId, targets]) =>
      targets.map((slideId) => ({
        id: `${linkId}>${slideId}`,
        sources: [deck.links[linkId]!.from],
        targets: [slideId],
      })),
    ),
  });
  const spots = (laid.children ?? []).flatMap(({ id, x, y }) =>
    x === undefined || y === undefined ? [] : [{ slideId: id, x, y }],
  );
  const fixed =
    which === 'all' ? [] : spots.filter(({ slideId }) => deck.slides[slideId]!.isPlacedByHand);
  if (fixed.length === 0) return spots;
  // The whole is moved to where the hand-placed cards lie on the average.
  const by = { x: 0, y: 0 };
  for (const { slideId, x, y } of fixed) {
    by.x += (deck.slides[slideId]!.x - x) / fixed.length;
    by.y += (deck.slides[slideId]!.y - y) / fixed.length;
  }
  const taken: { x: number; y: number }[] = fixed.map(({ slideId }) => deck.slides[slideId]!);
  return spots.flatMap(({ slideId, x, y }) => {
    if (deck.slides[slideId]!.isPlacedByHand) return [];
    const spot = { slideId, x: Math.round(x + by.x), y: Math.round(y + by.y) };
    const touches = ({ x, y }: { x: number; y: number }): boolean =>
      Math.abs(x - spot.x) < CARD.width + 20 && Math.abs(y - spot.y) < CARD.height + 20;
    while (taken.some(touches)) {
      if (direction === 'down') spot.x += PITCH.x;
      else spot.y += PITCH.y;
    }
    taken.push(spot);
    return [spot];
  });
}

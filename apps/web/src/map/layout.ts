import { CARD, type Deck, type RouteGraph, type SlideId } from '@gobrel/core';
import ELK from 'elkjs/lib/elk-api.js';
import ElkWorker from 'elkjs/lib/elk-worker.min.js?worker';

let elk: InstanceType<typeof ELK> | null = null;

/** A layered layout, computed in a worker: where each card that was not placed by hand should lie, in map units. */
export async function layOut(
  deck: Deck,
  graph: RouteGraph,
): Promise<{ slideId: SlideId; x: number; y: number }[]> {
  elk ??= new ELK({ workerFactory: () => new ElkWorker() });
  const laid = await elk.layout({
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.layered.spacing.nodeNodeBetweenLayers': '120',
      'elk.spacing.nodeNode': '42',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
    },
    children: Object.keys(deck.slides).map((id) => ({
      id,
      ...{ width: CARD.width, height: CARD.height },
    })),
    edges: [...graph.to].flatMap(([linkId, targets]) =>
      targets.map((slideId) => ({
        id: `${linkId}>${slideId}`,
        sources: [deck.links[linkId]!.from],
        targets: [slideId],
      })),
    ),
  });
  return (laid.children ?? []).flatMap(({ id, x, y }) =>
    x === undefined || y === undefined || deck.slides[id]?.isPlacedByHand
      ? []
      : [{ slideId: id, x, y }],
  );
}

import type { Deck, RouteGraph } from '@gobrel/core';
import ELK from 'elkjs/lib/elk-api.js';
import ElkWorker from 'elkjs/lib/elk-worker.min.js?worker';
import type { Wire } from '../cards/wire';
import type { Direction } from '../cards/wirePath';
import { layeredLayout, roundFixed, type CardSpot } from './layeredLayout';

interface Engine {
  elk: InstanceType<typeof ELK>;
  /** Comes to nothing but when the worker could not be fetched, or has fallen over. */
  failed: Promise<never>;
}
let engine: Engine | null = null;

function startEngine(): Engine {
  let fail: (reason: Error) => void;
  const failed = new Promise<never>((_, reject) => (fail = reject));
  const elk = new ELK({
    workerFactory: () => {
      const worker = new ElkWorker();
      worker.addEventListener('error', () => {
        engine = null;
        fail(
          new Error(
            'What tidies the map could not be fetched. Try again when the network is back.',
          ),
        );
      });
      return worker;
    },
  });
  // Whoever is not waiting for a layout need not hear of it.
  failed.catch(() => undefined);
  return { elk, failed };
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
  const { elk, failed } = (engine ??= startEngine());
  const slides = Object.values(deck.slides);
  const isStart = ({ id }: { id: string }): boolean => id === deck.startSlideId;
  const laid = layeredLayout((map) => elk.layout(map), {
    slides: slides.toSorted((a, b) => Number(isStart(b)) - Number(isStart(a))),
    sections: Object.values(deck.sections),
    wires: wiresOf(deck, graph),
    direction,
  });
  const spots = await Promise.race([laid, failed]);
  const fixed = which === 'all' ? [] : slides.filter(({ isPlacedByHand }) => isPlacedByHand);
  return roundFixed(spots, new Map(fixed.map(({ id, x, y }) => [id, { x, y }])), direction);
}

function wiresOf(deck: Deck, graph: RouteGraph): Wire[] {
  return [...graph.to].flatMap(([linkId, targets]) =>
    targets.map((to, at) => ({
      id: `${linkId}>${to}`,
      from: deck.links[linkId]!.from,
      to,
      wording: deck.links[linkId]!.wording,
      isGathered: false,
      lane: at,
      aside: 0,
    })),
  );
}

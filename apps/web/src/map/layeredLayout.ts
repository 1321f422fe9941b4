import { CARD, PITCH, type Section, type SlideId } from '@gobrel/core';
import type { ElkNode, LayoutOptions } from 'elkjs/lib/elk-api.js';
import { crossings } from '../cards/LineGrid';
import type { Wire } from '../cards/wire';
import type { Direction } from '../cards/wirePath';
import { routeWires } from '../cards/wireRoutes';

export interface CardSpot {
  slideId: SlideId;
  x: number;
  y: number;
}

export interface ToLayOut {
  /** The one where walks begin first. */
  slides: readonly { id: SlideId; sectionId: Section['id'] | null }[];
  sections: readonly Pick<Section, 'id' | 'parentId'>[];
  wires: readonly Wire[];
  direction: Direction;
}

/** What is tried beside the first: other beginnings and more care for crossings. */
const TRIES: readonly LayoutOptions[] = [
  { 'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES' },
  { 'elk.layered.thoroughness': '20', 'elk.randomSeed': '3' },
  { 'elk.layered.thoroughness': '20', 'elk.randomSeed': '11' },
  { 'elk.layered.thoroughness': '20', 'elk.randomSeed': '29' },
  { 'elk.layered.considerModelOrder.strategy': 'PREFER_EDGES', 'elk.randomSeed': '5' },
];
/** Cards up to which all is tried; a larger map is laid out once. */
const MOST_TRIED = 120;
/** Milliseconds after which no other layout is begun, so that nobody waits long on a slow machine. */
const PATIENCE = 2500;

/**
 * Where cards should lie, in map units: of several layered layouts the one whose wires, as they are drawn, cross the
 * least; of two as good the one that keeps the deck's own order. What lies in a section lies together.
 */
export async function layeredLayout(
  layOut: (graph: ElkNode) => Promise<ElkNode>,
  map: ToLayOut,
  patience = PATIENCE,
): Promise<CardSpot[]> {
  const tries = map.slides.length > MOST_TRIED ? TRIES.slice(0, 1) : TRIES;
  let best: CardSpot[] = [];
  let fewest = Infinity;
  const began = performance.now();
  for (const options of tries) {
    if (best.length > 0 && performance.now() - began > patience) break;
    const spots = spotsOf(await layOut(graphOf(map, options)));
    const count = tries.length > 1 ? crossingsOf(spots, map) : 0;
    if (count >= fewest) continue;
    [best, fewest] = [spots, count];
    if (count === 0) break;
  }
  return best;
}

export function crossingsOf(spots: readonly CardSpot[], { wires, direction }: ToLayOut): number {
  const places = new Map<string, CardSpot>(spots.map((spot) => [spot.slideId, spot]));
  return crossings(routeWires(wires, places, direction).drawn);
}

/** The map as the layout engine takes it: sections hold their cards and the sections in them. */
export function graphOf(map: ToLayOut, options: LayoutOptions): ElkNode {
  const children = new Map<string | null, ElkNode[]>();
  const put = (into: string | null, node: ElkNode): void => {
    const known = children.get(into);
    if (known) known.push(node);
    else children.set(into, [node]);
  };
  for (const { id, sectionId } of map.slides) put(sectionId, { id, ...CARD });
  const nodeOf = (section: Pick<Section, 'id'>): ElkNode | null => {
    for (const inner of map.sections) {
      if (inner.parentId !== section.id) continue;
      const node = nodeOf(inner);
      if (node) put(section.id, node);
    }
    const within = children.get(section.id);
    return within
      ? {
          id: section.id,
          children: within,
          layoutOptions: { ...SPACING, 'elk.padding': '[top=52,left=26,bottom=26,right=26]' },
        }
      : null;
  };
  const back = waysBack(map);
  const known = new Set(map.sections.map(({ id }) => id));
  for (const section of map.sections) {
    if (section.parentId && known.has(section.parentId)) continue;
    const node = nodeOf(section);
    if (node) put(null, node);
  }
  return {
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': map.direction === 'down' ? 'DOWN' : 'RIGHT',
      'elk.hierarchyHandling': 'INCLUDE_CHILDREN',
      ...SPACING,
      ...options,
    },
    children: children.get(null) ?? [],
    edges: map.wires.map(({ id, from, to }) => {
      const [source, target] = back.has(id) ? [to, from] : [from, to];
      return { id, sources: [source], targets: [target] };
    }),
  };
}
const SPACING: LayoutOptions = {
  'elk.layered.spacing.nodeNodeBetweenLayers': '120',
  'elk.spacing.nodeNode': '42',
};

/** Wires that lead back to a slide that a walk has come through (depth first, from the first slide on). */
function waysBack({ slides, wires }: ToLayOut): Set<string> {
  const waysOut = new Map<string, Wire[]>();
  for (const wire of wires) {
    const known = waysOut.get(wire.from);
    if (known) known.push(wire);
    else waysOut.set(wire.from, [wire]);
  }
  const back = new Set<string>();
  const state = new Map<string, 'walked through' | 'done'>();
  for (const { id } of slides) {
    if (state.has(id)) continue;
    const walk = [{ id: id as string, next: 0 }];
    state.set(id, 'walked through');
    for (let step = walk.at(-1); step; step = walk.at(-1)) {
      const wire = waysOut.get(step.id)?.[step.next];
      step.next += 1;
      if (!wire) {
        state.set(step.id, 'done');
        walk.pop();
      } else if (state.get(wire.to) === 'walked through') back.add(wire.id);
      else if (!state.has(wire.to)) {
        state.set(wire.to, 'walked through');
        walk.push({ id: wire.to, next: 0 });
      }
    }
  }
  return back;
}

/** Places of the cards within the whole; those the engine gives are within what holds them. */
function spotsOf(node: ElkNode, left = 0, top = 0): CardSpot[] {
  return (node.children ?? []).flatMap((child) => {
    const [x, y] = [left + (child.x ?? 0), top + (child.y ?? 0)];
    return child.children ? spotsOf(child, x, y) : [{ slideId: child.id as SlideId, x, y }];
  });
}

/** Cards that were not placed by hand, laid round those that were; they step aside where they would touch. */
export function roundFixed(
  spots: readonly CardSpot[],
  fixed: ReadonlyMap<SlideId, { x: number; y: number }>,
  direction: Direction,
): CardSpot[] {
  if (fixed.size === 0) return [...spots];
  // The whole is moved to where the hand-placed cards lie on the average.
  const by = { x: 0, y: 0 };
  for (const { slideId, x, y } of spots) {
    const at = fixed.get(slideId);
    if (!at) continue;
    by.x += (at.x - x) / fixed.size;
    by.y += (at.y - y) / fixed.size;
  }
  const taken: { x: number; y: number }[] = [...fixed.values()];
  return spots.flatMap(({ slideId, x, y }) => {
    if (fixed.has(slideId)) return [];
    const spot = { slideId, x: Math.round(x + by.x), y: Math.round(y + by.y) };
    const touches = (one: { x: number; y: number }): boolean =>
      Math.abs(one.x - spot.x) < CARD.width + 20 && Math.abs(one.y - spot.y) < CARD.height + 20;
    while (taken.some(touches)) {
      if (direction === 'down') spot.x += PITCH.x;
      else spot.y += PITCH.y;
    }
    taken.push(spot);
    return [spot];
  });
}

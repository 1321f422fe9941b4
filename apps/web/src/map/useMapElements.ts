import {
  CARD,
  foldedId,
  seenWires,
  unmetLinks,
  type Finding,
  type LinkId,
  type MapRegions,
  type Measures,
  type SlideId,
  type Unmet,
  type Walks,
  titleOf,
} from '@gobrel/core';
import type { XYPosition } from '@xyflow/react';
import { useMemo, useRef, type CSSProperties } from 'react';
import { useSeenDeck } from '../cards/useSeenDeck';
import { useDeck } from '../deck/DeckContext';
import { cardMark } from '../cards/cardMark';
import type { CardNode, MapNode } from './cards';
import type { MapSettings } from './mapSettings';
import type { MapSelection } from './selection';
import type { Spots, Wire } from '../cards/wire';

/**
 * Where a card lies. It is placed and not moved there by a transform of its own: with hundreds of those the browser
 * needs nearly twice as long to sort the map into layers, at every change.
 */
const placed = (position: XYPosition): { position: XYPosition; style: CSSProperties } => ({
  position,
  style: { transform: 'none', left: position.x, top: position.y },
});

/** Cards and regions as the canvas takes them, and the wires between them. A card that did not change stays the same object. */
export function useMapElements(args: {
  regions: MapRegions;
  selection: MapSelection;
  moving: Record<string, { x: number; y: number }>;
  settings: MapSettings;
  bySlide: Map<SlideId, Finding[]>;
  measures: Measures | null;
  walks: Walks | undefined;
  /** Slides that match what is sought; null when nothing is. */
  found: Set<SlideId> | null;
}): {
  nodes: MapNode[];
  wires: Wire[];
  spots: Spots;
  /** Links that students do not get. */
  missed: ReadonlyMap<LinkId, Unmet>;
} {
  const { graph } = useDeck();
  const { deck } = useSeenDeck();
  const { regions, selection, moving, settings, bySlide, measures, walks, found } = args;
  const { direction, overlay } = settings;
  const last = useRef(new Map<string, { key: readonly unknown[]; node: CardNode }>());

  const nodes = useMemo<MapNode[]>(() => {
    const picked = new Set(selection.cards);
    const known = last.current;
    const next = new Map<string, { key: readonly unknown[]; node: CardNode }>();
    const list: MapNode[] = regions.regions.flatMap(({ section, pieces, depth }) =>
      pieces.map((box, at) => ({
        id: at === 0 ? `region:${section.id}` : `region:${section.id}:${at}`,
        type: 'region' as const,
        position: { x: box.x, y: box.y },
        width: box.w,
        height: box.h,
        draggable: false,
        selectable: false,
        focusable: false,
        zIndex: depth - 20,
        data: { section, isMore: at > 0 },
      })),
    );
    for (const { section, x, y, slideIds } of regions.folded) {
      const id = foldedId(section.id);
      list.push({
        id,
        type: 'folded',
        ...placed(moving[id] ?? { x, y }),
        selected: picked.has(id),
        initialWidth: CARD.width,
        initialHeight: CARD.height,
        ariaLabel: section.name,
        data: { section, count: slideIds.length, direction },
      });
    }
    for (const slide of Object.values(deck.slides)) {
      const { id } = slide;
      if (regions.hiddenIn.has(id)) continue;
      const links = graph.waysOut.get(id) ?? [];
      const findings = bySlide.get(id) ?? [];
      const mark = cardMark(overlay, slide, {
        findings,
        measures,
        visits: walks?.slides[id] ?? 0,
      });
      const isStart = id === deck.startSlideId;
      const isDim = found !== null && !found.has(id);
      const selected = picked.has(id);
      const at = moving[id];
      const key = [
        slide,
        deck.theme,
        isStart,
        mark?.text,
        isDim,
        selected,
        at,
        direction,
        ...links,
      ];
      const old = known.get(id);
      if (old && old.key.length === key.length && old.key.every((part, n) => part === key[n])) {
        next.set(id, old);
        list.push(old.node);
        continue;
      }
      const node: CardNode = {
        id,
        type: 'card',
        ...placed(at ?? { x: slide.x, y: slide.y }),
        selected,
        initialWidth: CARD.width,
        initialHeight: CARD.height,
        ariaLabel: titleOf(slide),
        data: {
          slide,
          theme: deck.theme,
          links,
          isStart,
          mark,
          isDim,
          direction,
          isDraft: overlay === 'state' && !slide.isReady,
        },
      };
      next.set(id, { key, node });
      list.push(node);
    }
    last.current = next;
    return list;
  }, [
    deck,
    graph,
    regions,
    bySlide,
    measures,
    walks,
    moving,
    selection,
    found,
    overlay,
    direction,
  ]);

  const missed = useMemo(() => unmetLinks(deck), [deck]);
  const wires = useMemo<Wire[]>(() => {
    const lanes = new Map<string, number>();
    const seen = seenWires(deck, graph, regions);
    const twins = new Map<string, { count: number; used: number }>();
    for (const { from, to } of seen) {
      const pair = `${from}>${to}`;
      twins.set(pair, { count: (twins.get(pair)?.count ?? 0) + 1, used: 0 });
    }
    return seen.map(({ id, from, to, linkIds }) => {
      const twin = twins.get(`${from}>${to}`)!;
      const aside = twin.used - (twin.count - 1) / 2;
      twin.used += 1;
      const [linkId] = linkIds as [LinkId];
      const isGathered = linkIds.length > 1;
      const lane = lanes.get(to) ?? 0;
      lanes.set(to, lane + 1);
      const walked = linkIds.reduce((sum, one) => sum + (walks?.links[one] ?? 0), 0);
      return {
        id,
        from,
        to,
        isGathered,
        lane,
        aside,
        isUnmet: linkIds.every((one) => missed.has(one)),
        wording: isGathered ? `${linkIds.length} ways` : (deck.links[linkId]?.wording ?? ''),
        ...(overlay === 'walks' ? { thickness: 1 + Math.min(14, Math.sqrt(walked)) } : {}),
      };
    });
  }, [deck, graph, regions, walks, overlay, missed]);

  const spots = useMemo(() => {
    const all = new Map<string, { x: number; y: number }>();
    for (const { id, x, y } of Object.values(deck.slides)) all.set(id, moving[id] ?? { x, y });
    for (const { section, x, y } of regions.folded) {
      const id = foldedId(section.id);
      all.set(id, moving[id] ?? { x, y });
    }
    return all;
  }, [deck.slides, regions, moving]);
  return { nodes, wires, spots, missed };
}

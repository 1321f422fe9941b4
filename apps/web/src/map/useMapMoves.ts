import { CARD, type SlideId } from '@gobrel/core';
import { getViewportForBounds, useReactFlow, type FitViewOptions } from '@xyflow/react';
import { useMemo, useRef, type RefObject } from 'react';
import type { MapNode } from './cards';

/** How far out the map goes. */
export const FARTHEST = 0.05;
/** The whole map in sight, clear of the bar at its foot, no card larger than it was drawn for. */
export const WHOLE_MAP = {
  padding: { top: '28px', left: '28px', right: '28px', bottom: '84px' },
  maxZoom: 1.05,
} as const satisfies FitViewOptions;
const SOME_CARDS = { padding: 0.4, maxZoom: 1.4 } as const satisfies FitViewOptions;

/** Milliseconds that the map takes to go somewhere. */
const GOING = 250;
/** Room that is kept free below a card, for the bar at the foot of the map; CSS pixels. */
const FOOT = 200;
/** Frames in which a card that has just been made comes onto the map, also on a slow device. */
const FRAMES = 120;
/** Milliseconds in which the map has taken up and measured new cards. */
const MEASURED = 150;

/** Every way in which the map goes somewhere by itself. What is asked for last is where it goes. */
export interface MapMoves {
  /** The whole map. */
  fit(): void;
  /** These cards, as large as they fit. */
  fitCards(cards: readonly string[]): void;
  /** The whole map, when one of these cards, new on it, lies outside what is seen of it. */
  fitGrown(cards: readonly string[]): void;
  /** The card that lies at a place in the middle, large enough to be read. */
  centre(card: { x: number; y: number }): void;
  /** A card, when it is not seen. */
  bringIntoView(slideId: SlideId): void;
  /** A hand takes hold of the map: what was still to come does not. An event is there when it is a hand. */
  onMoveStart(event: unknown): void;
}

export function useMapMoves(frame: RefObject<HTMLElement | null>): MapMoves {
  const flow = useReactFlow<MapNode>();
  // Counts what was asked for: what has been asked for since goes before.
  const asked = useRef(0);
  const going = useRef<Promise<unknown>>(Promise.resolve());
  return useMemo(() => {
    /** Whether nothing has been asked for since. */
    const ask = (): (() => boolean) => {
      const mine = ++asked.current;
      return () => asked.current === mine;
    };
    const go = (there: Promise<unknown>): void => {
      // Who takes hold of the map meanwhile ends it without a word.
      going.current = Promise.race([there, new Promise((done) => setTimeout(done, 2 * GOING))]);
    };
    // Reckoned from where cards lie: what the library fits is only what it has measured so far.
    const goTo = (nodes: MapNode[], how: typeof WHOLE_MAP | typeof SOME_CARDS): void => {
      const seen = frame.current?.getBoundingClientRect();
      if (!seen || nodes.length === 0) return;
      const bounds = flow.getNodesBounds(nodes);
      const { maxZoom, padding } = how;
      const there = getViewportForBounds(
        bounds,
        seen.width,
        seen.height,
        FARTHEST,
        maxZoom,
        padding,
      );
      go(flow.setViewport(there, { duration: GOING }));
    };
    const fit = (): void => {
      ask();
      goTo(flow.getNodes(), WHOLE_MAP);
    };
    return {
      fit,
      fitCards: (cards) => {
        ask();
        const wanted = new Set(cards);
        goTo(
          flow.getNodes().filter(({ id }) => wanted.has(id)),
          SOME_CARDS,
        );
      },
      fitGrown: (cards) => {
        const isLatest = ask();
        setTimeout(() => {
          const seen = frame.current?.getBoundingClientRect();
          if (!seen || !isLatest()) return;
          const isOutside = cards.some((id) => {
            const node = flow.getNode(id);
            if (!node) return false;
            const { x, y } = flow.flowToScreenPosition(node.position);
            return x < seen.left || x > seen.right - 60 || y < seen.top || y > seen.bottom - 84;
          });
          if (isOutside) fit();
        }, MEASURED);
      },
      centre: ({ x, y }) => {
        ask();
        const zoom = Math.max(0.7, flow.getZoom());
        go(flow.setCenter(x + CARD.width / 2, y + CARD.height / 2, { zoom, duration: GOING }));
      },
      bringIntoView: (slideId) => {
        const isLatest = ask();
        const look = (frames: number): void => {
          const node = flow.getNode(slideId);
          const bounds = frame.current?.getBoundingClientRect();
          if (!bounds || !isLatest()) return;
          if (!node) {
            if (frames > 0) requestAnimationFrame(() => look(frames - 1));
            return;
          }
          const at = flow.flowToScreenPosition(node.position);
          const isSeen =
            at.x > bounds.left &&
            at.y > bounds.top &&
            at.x < bounds.right - CARD.width &&
            at.y < bounds.bottom - FOOT;
          if (isSeen) return;
          const { x, y } = node.position;
          const zoom = flow.getZoom();
          go(flow.setCenter(x + CARD.width / 2, y + CARD.height / 2, { zoom, duration: GOING }));
        };
        // While it is on its way somewhere it waits: what is seen in passing may be out of sight in a moment.
        void going.current.then(() => requestAnimationFrame(() => look(FRAMES)));
      },
      onMoveStart: (event) => {
        if (event) ask();
      },
    };
  }, [flow, frame]);
}

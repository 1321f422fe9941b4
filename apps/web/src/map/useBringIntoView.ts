import { CARD, type SlideId } from '@gobrel/core';
import { useReactFlow } from '@xyflow/react';
import { useCallback, useRef, type RefObject } from 'react';

/** Milliseconds that the map takes to go somewhere. */
const GOING = 200;
/** Room that is kept free below a card, for the bar at the foot of the map; CSS pixels. */
const FOOT = 200;
/** Frames in which a card that has just been made comes onto the map, also on a slow device. */
const FRAMES = 120;

/**
 * Moves the map so that a card is seen, and leaves it alone when it is. While it is on its way somewhere it waits: what
 * is seen in passing may be out of sight in a moment.
 */
export function useBringIntoView(frame: RefObject<HTMLElement | null>): (slideId: SlideId) => void {
  const flow = useReactFlow();
  const wanted = useRef<SlideId | null>(null);
  const going = useRef<Promise<unknown>>(Promise.resolve());
  return useCallback(
    (slideId) => {
      wanted.current = slideId;
      const look = (frames: number): void => {
        const node = flow.getNode(slideId);
        const bounds = frame.current?.getBoundingClientRect();
        // Meanwhile another one may be looked for.
        if (!bounds || wanted.current !== slideId) return;
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
        const there = flow.setCenter(x + CARD.width / 2, y + CARD.height / 2, {
          ...{ zoom: flow.getZoom(), duration: GOING },
        });
        // Who takes hold of the map meanwhile ends it without a word.
        going.current = Promise.race([there, new Promise((done) => setTimeout(done, 2 * GOING))]);
      };
      void going.current.then(() => requestAnimationFrame(() => look(FRAMES)));
    },
    [flow, frame],
  );
}

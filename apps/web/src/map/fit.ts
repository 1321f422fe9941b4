import type { FitViewOptions, ReactFlowInstance } from '@xyflow/react';
import type { MapNode } from './cards';

/** The whole map in sight, clear of the bar at its foot, no card larger than it was drawn for. */
export const WHOLE_MAP: FitViewOptions = {
  padding: { top: '28px', left: '28px', right: '28px', bottom: '84px' },
  maxZoom: 1.05,
};

/** Milliseconds in which the map has taken up and measured new cards. */
const MEASURED = 150;

/** Shows the whole map when one of these cards, new on it, lies outside what is seen of it. */
export function fitWhatGrew(
  flow: ReactFlowInstance<MapNode>,
  frame: HTMLElement | null,
  cards: readonly string[],
): void {
  setTimeout(() => {
    const seen = frame?.getBoundingClientRect();
    if (!seen) return;
    const isOutside = cards.some((id) => {
      const node = flow.getNode(id);
      if (!node) return false;
      const { x, y } = flow.flowToScreenPosition(node.position);
      return x < seen.left || x > seen.right - 60 || y < seen.top || y > seen.bottom - 84;
    });
    if (isOutside) void flow.fitView({ ...WHOLE_MAP, duration: 250 });
  }, MEASURED);
}

import { CARD } from '@gobrel/core';
import { MiniMap, useStore } from '@xyflow/react';
import { useMemo, type ReactElement } from 'react';
import type { MapNode } from './cards';
import type { Spots } from '../cards/wire';

const colourOf = (node: MapNode): string => (node.type === 'region' ? 'transparent' : '#cfc8b8');

/** The whole map in a corner, as long as some of it is out of sight. */
export function SmallMap({ spots }: { spots: Spots }): ReactElement | null {
  const bounds = useMemo(() => {
    const [xs, ys] = [[...spots.values()].map(({ x }) => x), [...spots.values()].map(({ y }) => y)];
    return {
      left: xs.reduce((a, b) => Math.min(a, b), Infinity),
      top: ys.reduce((a, b) => Math.min(a, b), Infinity),
      right: xs.reduce((a, b) => Math.max(a, b), -Infinity) + CARD.width,
      bottom: ys.reduce((a, b) => Math.max(a, b), -Infinity) + CARD.height,
    };
  }, [spots]);
  const isAllSeen = useStore(
    ({ transform: [x, y, zoom], width, height }) =>
      bounds.left * zoom + x >= 0 &&
      bounds.top * zoom + y >= 0 &&
      bounds.right * zoom + x <= width &&
      bounds.bottom * zoom + y <= height,
  );
  if (isAllSeen) return null;
  return (
    <MiniMap<MapNode>
      pannable
      zoomable
      ariaLabel="Small map"
      nodeColor={colourOf}
      maskColor="rgb(250 247 240 / 0.6)"
      className="!m-4 !rounded-[6px] !border !border-line"
    />
  );
}

import { BaseEdge, EdgeLabelRenderer, type Edge, type EdgeProps } from '@xyflow/react';
import type { ReactElement } from 'react';
import { wirePath } from './wirePath';

export type WireData = {
  wording: string;
  /** Pixels; thicker with more walks. */
  thickness?: number;
  isLabelled?: boolean;
};
export type Wire = Edge<WireData, 'wire'>;

/** A way out as a wire with the wording of its choice; one that leads back runs dotted below the cards. */
export function WireEdge(props: EdgeProps<Wire>): ReactElement {
  const { sourceX, sourceY, targetX, targetY, selected } = props;
  const { path, x, y, isBack } = wirePath(sourceX, sourceY, targetX, targetY);
  const wording = props.data?.wording ?? '';
  return (
    <>
      <BaseEdge
        id={props.id}
        path={path}
        interactionWidth={18}
        style={{
          stroke: 'var(--color-ember)',
          strokeWidth: (props.data?.thickness ?? 1.6) + (selected ? 1.2 : 0),
          strokeDasharray: isBack ? '2 5' : undefined,
          strokeLinecap: 'round',
          opacity: props.data?.thickness ? 0.6 : 1,
        }}
      />
      <circle cx={targetX} cy={targetY} r={3.2} fill="var(--color-ember)" />
      {wording && props.data?.isLabelled !== false && (
        <EdgeLabelRenderer>
          <div
            className={`nopan pointer-events-auto absolute max-w-[150px] truncate rounded-[4px] border px-2 py-px text-[11.5px] text-ember-deep ${
              selected ? 'border-ember bg-ember-mist' : 'border-[#eccdc0] bg-[#fdf4ee]'
            }`}
            style={{ transform: `translate(-50%, -50%) translate(${x}px, ${y}px)` }}
          >
            {wording}
          </div>
        </EdgeLabelRenderer>
      )}
    </>
  );
}

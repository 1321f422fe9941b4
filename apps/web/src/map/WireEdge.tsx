import { BaseEdge, EdgeLabelRenderer, type Edge, type EdgeProps } from '@xyflow/react';
import { useEffect, useRef, type ReactElement } from 'react';
import { wirePath, type Direction } from './wirePath';

/** The size of the handle that a wire is drawn from, in map units. */
const HANDLE = 14;

export type WireData = {
  wording: string;
  /** Pixels; thicker with more walks. */
  thickness?: number;
  isLabelled?: boolean;
  direction?: Direction;
  lane?: number;
  /** Its place among wires between the same two cards: 0 in the middle, steps of 1 aside. */
  aside?: number;
  /** Set while its wording is being typed in place. */
  onReword?: (wording: string | null) => void;
};
export type Wire = Edge<WireData, 'wire'>;

/** A way out as a wire with the wording of its choice; one that leads back runs dotted beside the cards. */
export function WireEdge(props: EdgeProps<Wire>): ReactElement {
  const { sourceX, sourceY, targetX, targetY, selected, data } = props;
  // The handle stands over the card's edge; the wire begins at the edge itself.
  const isDown = data?.direction === 'down';
  const { path, x, y, isBack } = wirePath(
    isDown ? sourceX : sourceX - HANDLE / 2,
    isDown ? sourceY - HANDLE / 2 : sourceY,
    targetX,
    targetY,
    data?.direction,
    data?.lane,
    data?.aside,
  );
  const wording = data?.wording ?? '';
  const place = { transform: `translate(-50%, -50%) translate(${x}px, ${y}px)` };
  return (
    <>
      <BaseEdge
        id={props.id}
        path={path}
        interactionWidth={18}
        style={{
          stroke: 'var(--color-ember)',
          strokeWidth: (data?.thickness ?? 1.6) + (selected ? 1.2 : 0),
          strokeDasharray: isBack ? '2 5' : undefined,
          strokeLinecap: 'round',
          opacity: data?.thickness ? 0.6 : 1,
        }}
      />
      <circle cx={targetX} cy={targetY} r={3.2} fill="var(--color-ember)" />
      {data?.onReword ? (
        <EdgeLabelRenderer>
          <div className="nopan nodrag pointer-events-auto absolute z-10" style={place}>
            <WordingField value={wording} onDone={data.onReword} />
          </div>
        </EdgeLabelRenderer>
      ) : (
        wording &&
        data?.isLabelled !== false && (
          <EdgeLabelRenderer>
            <div
              className={`nopan pointer-events-auto absolute max-w-[150px] truncate rounded-[4px] border px-2 py-px text-[11.5px] text-ember-deep ${
                selected ? 'border-ember bg-ember-mist' : 'border-[#eccdc0] bg-[#fdf4ee]'
              }`}
              style={place}
            >
              {wording}
            </div>
          </EdgeLabelRenderer>
        )
      )}
    </>
  );
}

function WordingField(props: {
  value: string;
  onDone: (wording: string | null) => void;
}): ReactElement {
  const input = useRef<HTMLInputElement>(null);
  const isDone = useRef(false);
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);
  const end = (wording: string | null): void => {
    if (isDone.current) return;
    isDone.current = true;
    props.onDone(wording);
  };
  return (
    <input
      ref={input}
      aria-label="Wording of the choice"
      defaultValue={props.value}
      maxLength={300}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') end(event.currentTarget.value);
        if (event.key === 'Escape') end(null);
      }}
      onBlur={(event) => end(event.currentTarget.value)}
      className="h-7 w-[180px] rounded-[4px] border border-ember bg-sheet px-2 text-[12px] text-ember-deep"
    />
  );
}

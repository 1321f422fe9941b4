import { resize, setElement, type Box, type Handle, type SlideElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Grip } from '../elements/Grip';
import type { GripHands, GripProps, Pulled } from '../elements/kind';
import { boxStyle } from '../parts/boxStyle';
import { rounded } from './arranging';

/** Where a piece may go: a brass frame, pulled by its handles or as a whole; a line is its diagonal. */
export function RangeFrame({
  element: piece,
  range,
  hands,
  pull,
}: GripProps & { range: Box }): ReactElement {
  const { scale } = hands;
  const { track, isRising } = piece.piece;
  const { w, h } = range;
  return (
    <div className="pointer-events-none" style={boxStyle(range)}>
      <svg width={w} height={h} className="absolute inset-0 overflow-visible" aria-hidden>
        <path
          d={
            track === 'line'
              ? isRising
                ? `M0 ${h}L${w} 0`
                : `M0 0L${w} ${h}`
              : `M0 0H${w}V${h}H0Z`
          }
          fill="none"
          stroke="var(--color-brass)"
          strokeWidth={2 / scale}
          strokeDasharray={`${8 / scale} ${5 / scale}`}
        />
      </svg>
      <div
        title="Where it may go"
        onPointerDown={(event) => pull(event, rangePulled(hands, piece, range, null))}
        className="pointer-events-auto absolute cursor-move touch-none rounded-[3px] bg-brass px-1.5 text-white"
        style={{ left: 0, bottom: '100%', fontSize: 11 / scale, lineHeight: 1.6 }}
      >
        may go here
      </div>
      {(['nw', 'ne', 'se', 'sw'] as const).map((handle) => (
        <Grip
          key={handle}
          x={handle.includes('w') ? 0 : w}
          y={handle.includes('n') ? 0 : h}
          scale={scale}
          title="Where it may go"
          className="bg-brass"
          onPointerDown={(event) => pull(event, rangePulled(hands, piece, range, handle))}
        />
      ))}
    </div>
  );
}

/** The frame that a piece may move in, by a handle or as a whole. */
function rangePulled(
  { run, slide }: GripHands,
  { id, piece }: SlideElement,
  range: Box,
  handle: Handle | null,
): Pulled<Pick<SlideElement, 'piece'>> {
  return {
    id,
    become: (at, _event, from) => {
      const [dx, dy] = [at.x - from.x, at.y - from.y];
      const pulled = handle
        ? resize(range, handle, dx, dy)
        : { ...range, x: range.x + dx, y: range.y + dy };
      return { piece: { ...piece, range: rounded(pulled) } };
    },
    keep: (pulled) => run(setElement, slide.id, id, pulled),
  };
}

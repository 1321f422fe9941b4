import type { InkStroke, Point } from '@gobrel/core';
import { STAGE } from '@gobrel/core';
import type { ReactElement } from 'react';
import { StrokeMark } from '../parts/StrokeMark';

const NO_INK: readonly InkStroke[] = [];

/** What is drawn and pointed at over a slide that is shown, in units of the stage. */
export default function Marks(props: {
  ink?: readonly InkStroke[];
  point: Point | null;
}): ReactElement {
  const { ink = NO_INK, point } = props;
  return (
    <svg
      width={STAGE.width}
      height={STAGE.height}
      className="pointer-events-none absolute inset-0 z-10"
      aria-hidden
    >
      {ink.map((stroke, index) => (
        <StrokeMark key={index} stroke={stroke} ink="#bf4e2a" />
      ))}
      {point && (
        <g
          data-points
          style={{ transform: `translate(${point.x}px, ${point.y}px)` }}
          className="transition-transform duration-75"
        >
          <circle r={20} fill="#bf4e2a" fillOpacity={0.28} />
          <circle r={9} fill="#bf4e2a" stroke="#fff" strokeWidth={2.5} />
        </g>
      )}
    </svg>
  );
}

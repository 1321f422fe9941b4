import { PAPER_WIDTH, type DrawingAnswer } from '@gobrel/core';
import type { ReactElement } from 'react';
import { StrokeMark } from '../../parts/StrokeMark';

/** A drawing over its paper; `ratio` is the paper's width by its height. */
export function DrawnView(props: {
  drawing: Pick<DrawingAnswer, 'strokes' | 'labels'>;
  ratio: number;
  opacity?: number;
  /** The outlines of its strokes where they have been reckoned elsewhere; null while they are. */
  paths?: readonly string[] | null;
}): ReactElement {
  const { drawing, ratio, opacity = 1, paths } = props;
  return (
    <svg
      viewBox={`0 0 ${PAPER_WIDTH} ${PAPER_WIDTH / ratio}`}
      className="pointer-events-none absolute inset-0 size-full"
      style={{ opacity }}
      aria-hidden
    >
      {(paths === null ? [] : drawing.strokes).map((stroke, index) => (
        <StrokeMark key={index} stroke={stroke} ink="#1E2B32" path={paths?.[index]} />
      ))}
      {drawing.labels.map(({ x, y, text }, index) => (
        <text
          key={index}
          x={x}
          y={y}
          fontSize={34}
          fontWeight={600}
          fill="#1E2B32"
          stroke="#fff"
          strokeWidth={6}
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </svg>
  );
}

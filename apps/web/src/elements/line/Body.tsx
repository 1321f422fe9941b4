import { lineEnds, linePath, linePoints, tipPath, type LineElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { dashLengths } from '../../parts/dash';
import type { BodyProps } from '../kind';

export function Body(props: BodyProps<LineElement>): ReactElement {
  const { element, theme } = props;
  const { box, path, weight, tips } = element;
  const points = linePoints(element).map(({ x, y }) => ({ x: x - box.x, y: y - box.y }));
  const ends = lineEnds(path, points);
  const colour = element.colour || theme.colours.ink;
  return (
    <svg width={box.w} height={box.h} className="absolute inset-0 overflow-visible" aria-hidden>
      <path
        d={linePath(path, points)}
        fill="none"
        stroke={colour}
        strokeWidth={weight}
        strokeDasharray={dashLengths(element.dash, weight).join(' ') || undefined}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      {ends.map(({ x, y, angle }, index) => (
        <path
          key={index}
          d={tipPath(tips[index]!, weight)}
          fill={colour}
          transform={`translate(${x} ${y}) rotate(${angle})`}
        />
      ))}
    </svg>
  );
}

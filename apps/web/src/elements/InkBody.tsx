import { coloursOf, type InkElement, type InkStroke, type ThemeName } from '@gobrel/core';
import { memo, type ReactElement } from 'react';
import { inkPath, inkTransform } from './inkPath';

export function InkBody(props: { element: InkElement; theme: ThemeName }): ReactElement {
  const { element, theme } = props;
  const { w, h } = element.box;
  return (
    <svg width={w} height={h} className="absolute inset-0 overflow-visible" aria-hidden>
      <g transform={inkTransform(element)}>
        {element.strokes.map((stroke, index) => (
          <StrokeMark key={index} stroke={stroke} ink={coloursOf(theme).ink} />
        ))}
      </g>
    </svg>
  );
}

/** The mark of one stroke; reckoned once, as a stroke never changes. */
export const StrokeMark = memo(function StrokeMark(props: {
  stroke: InkStroke;
  ink: string;
  /** Its outline, where it has been reckoned. */
  path?: string | undefined;
}): ReactElement {
  const { stroke } = props;
  return (
    <path
      d={props.path ?? inkPath(stroke)}
      fill={stroke.colour || props.ink}
      fillOpacity={stroke.isMarker ? 0.4 : 1}
    />
  );
});

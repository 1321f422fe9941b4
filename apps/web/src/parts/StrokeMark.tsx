import type { InkStroke } from '@gobrel/core';
import { memo, type ReactElement } from 'react';
import { inkPath } from './inkPath';

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

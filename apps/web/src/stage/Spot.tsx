import type { ElementId, Slide } from '@gobrel/core';
import type { ReactElement } from 'react';
import { boxStyle } from '../parts/boxStyle';

/** A ring round the thing that a link led to; it fades. */
export function Spot(props: { slide: Slide; spotId: ElementId | undefined }): ReactElement | null {
  const element = props.slide.elements.find(({ id }) => id === props.spotId);
  // A close-up is flown into: there is nothing to point at.
  if (!element || element.kind === 'closeup') return null;
  return (
    <span
      aria-hidden
      className="spot pointer-events-none rounded-[12px] border-[6px] border-ember"
      style={boxStyle({
        x: element.box.x - 14,
        y: element.box.y - 14,
        w: element.box.w + 28,
        h: element.box.h + 28,
      })}
    />
  );
}

import { shapePath, type Outline, type ShapeName, type Theme } from '@gobrel/core';
import type { ReactElement } from 'react';
import { dashLengths } from './dash';

/** How an outline is stroked; nothing when it has no weight. */
export function outlineProps(
  { weight, colour, dash }: Outline,
  theme: Theme,
): Record<string, string | number | undefined> {
  if (weight === 0) return { stroke: 'none' };
  return {
    stroke: colour || theme.colours.ink,
    strokeWidth: weight,
    strokeDasharray: dashLengths(dash, weight).join(' ') || undefined,
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  };
}

/** Only the outline of a shape, over what is cut to it. */
export function ShapeOutline(props: {
  shape: ShapeName;
  points: readonly number[];
  w: number;
  h: number;
  outline: Outline;
  theme: Theme;
}): ReactElement | null {
  if (props.outline.weight === 0) return null;
  return (
    <svg
      width={props.w}
      height={props.h}
      className="pointer-events-none absolute inset-0 overflow-visible"
      aria-hidden
    >
      <path
        d={shapePath(props.shape, props.w, props.h, props.points)}
        fill="none"
        {...outlineProps(props.outline, props.theme)}
      />
    </svg>
  );
}

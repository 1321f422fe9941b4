import type { Fill, Gradient, Shadow } from '@gobrel/core';
import { useId, type ReactElement } from 'react';

/** A fill as a CSS background; `standard` stands for what the theme says. */
export function fillCss(fill: Fill, standard: string): string {
  if (typeof fill === 'string') return fill === 'none' ? 'transparent' : fill || standard;
  return fill.isRadial
    ? `radial-gradient(circle, ${fill.from}, ${fill.to})`
    : // CSS counts from the bottom up, slides from left to right.
      `linear-gradient(${fill.angle + 90}deg, ${fill.from}, ${fill.to})`;
}

/** A fill for SVG: what to paint with, and the definition that it needs. */
export function useSvgFill(
  fill: Fill,
  standard: string,
): { paint: string; definition: ReactElement | null } {
  const id = useId();
  if (typeof fill === 'string') return { paint: fill || standard, definition: null };
  return { paint: `url(#${id})`, definition: <GradientDefinition id={id} gradient={fill} /> };
}

function GradientDefinition(props: { id: string; gradient: Gradient }): ReactElement {
  const { from, to, angle, isRadial } = props.gradient;
  const stops = (
    <>
      <stop offset="0" stopColor={from} />
      <stop offset="1" stopColor={to} />
    </>
  );
  return (
    <defs>
      {isRadial ? (
        <radialGradient id={props.id} r="0.71">
          {stops}
        </radialGradient>
      ) : (
        <linearGradient id={props.id} gradientTransform={`rotate(${angle} 0.5 0.5)`}>
          {stops}
        </linearGradient>
      )}
    </defs>
  );
}

export const SHADOW_FILTER: Record<Shadow, string | undefined> = {
  none: undefined,
  soft: 'drop-shadow(0 3px 5px rgb(30 43 50 / 0.28))',
  lifted: 'drop-shadow(0 10px 16px rgb(30 43 50 / 0.36))',
};

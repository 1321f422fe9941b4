import type { Edge, ZoneElement } from '@gobrel/core';
import { card, type Painter } from '../../painting/canvas';

/** How the line of a zone is broken, by the edge of the theme; the same as on the stage. */
const DASHES: Record<Edge, number[]> = {
  hair: [4, 10],
  double: [],
  dashed: [12, 10],
  firm: [],
  none: [],
};

export const paint: Painter<ZoneElement> = ({ context, theme }, { box, isVisible }) => {
  if (!isVisible) return;
  const whole = { x: 2, y: 2, w: box.w - 4, h: box.h - 4 };
  context.fillStyle = '#ffffff55';
  card(context, whole, '#ffffffb3', 8);
  context.fillStyle = 'transparent';
  context.setLineDash(DASHES[theme.dress.edge]);
  card(context, whole, theme.dress.edge === 'none' ? '' : theme.colours.head, 4);
};

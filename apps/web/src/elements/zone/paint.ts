import type { ZoneElement } from '@gobrel/core';
import { card, type Painter } from '../../painting/canvas';

export const paint: Painter<ZoneElement> = ({ context }, { box, isVisible }) => {
  if (!isVisible) return;
  context.setLineDash([12, 10]);
  context.fillStyle = 'transparent';
  card(context, { x: 0, y: 0, w: box.w, h: box.h }, '#E8CE86', 4);
};

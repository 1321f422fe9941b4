import type { MediaElement } from '@gobrel/core';
import { card, type Painter } from '../../painting/canvas';

export const paint: Painter<MediaElement> = ({ context }, { box: { w, h } }) => {
  context.fillStyle = '#1E2B32';
  card(context, { x: 0, y: 0, w, h }, '');
};

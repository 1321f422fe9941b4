import { shapePath, type CloseUpElement } from '@gobrel/core';
import { strokeOutline, type Painter } from '../../painting/canvas';

export const paint: Painter<CloseUpElement> = (paint, element) => {
  if (!element.isSeen) return;
  const { w, h } = element.box;
  const path = new Path2D(shapePath(element.shape, w, h, element.points));
  strokeOutline(paint, path, element.outline);
};

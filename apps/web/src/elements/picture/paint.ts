import { pictureFrame, shapePath, type PictureElement } from '@gobrel/core';
import { flip, strokeOutline, type Painter } from '../../painting/canvas';

export const paint: Painter<PictureElement> = (paint, element) => {
  const { context, pictures } = paint;
  const bitmap = pictures.get(element.asset.hash);
  const { w, h } = element.box;
  const path = new Path2D(shapePath(element.mask, w, h, element.points));
  if (bitmap) {
    const { whole, seen } = pictureFrame(element);
    context.save();
    context.clip(path, 'evenodd');
    context.beginPath();
    context.rect(seen.x, seen.y, seen.w, seen.h);
    context.clip();
    flip(context, element);
    context.drawImage(bitmap, whole.x, whole.y, whole.w, whole.h);
    context.restore();
  }
  strokeOutline(paint, path, element.outline);
};

import {
  SHAPE_PADDING,
  shapePath,
  shapeType,
  shapeWordsBox,
  type ShapeElement,
} from '@gobrel/core';
import { flip, inset, setFill, strokeOutline, type Painter } from '../../painting/canvas';
import { paintText } from '../../painting/paintText';

export const paint: Painter<ShapeElement> = (paint, element) => {
  const { context, theme, linked } = paint;
  const { w, h } = element.box;
  const path = new Path2D(shapePath(element.shape, w, h, element.points));
  context.save();
  flip(context, element);
  setFill(context, element.fill, theme.colours.shapeFill, { w, h });
  context.fill(path, 'evenodd');
  strokeOutline(paint, path, element.outline);
  context.restore();
  const room = inset(shapeWordsBox(element.shape, w, h), SHAPE_PADDING, SHAPE_PADDING);
  paintText(context, element.text, room, { ...shapeType(element, theme), linked });
};

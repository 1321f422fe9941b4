import type { InkElement } from '@gobrel/core';
import type { Painter } from '../../painting/canvas';
import { inkPath } from '../../parts/inkPath';

export const paint: Painter<InkElement> = ({ context, theme }, element) => {
  const { frame, box, strokes, opacity } = element;
  context.scale(box.w / frame.w, box.h / frame.h);
  context.translate(-frame.x, -frame.y);
  for (const stroke of strokes) {
    context.fillStyle = stroke.colour || theme.colours.ink;
    context.globalAlpha = opacity * (stroke.isMarker ? 0.4 : 1);
    context.fill(new Path2D(inkPath(stroke)));
  }
};

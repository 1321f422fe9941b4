import { lineEnds, linePath, linePoints, tipPath, type LineElement } from '@gobrel/core';
import type { Painter } from '../../painting/canvas';
import { dashLengths } from '../../parts/dash';

export const paint: Painter<LineElement> = ({ context, theme }, element) => {
  const { box, path, weight, tips, dash } = element;
  const points = linePoints(element).map(({ x, y }) => ({ x: x - box.x, y: y - box.y }));
  context.strokeStyle = context.fillStyle = element.colour || theme.colours.ink;
  context.lineWidth = weight;
  context.lineCap = context.lineJoin = 'round';
  context.setLineDash(dashLengths(dash, weight));
  context.stroke(new Path2D(linePath(path, points)));
  lineEnds(path, points).forEach(({ x, y, angle }, index) => {
    context.save();
    context.translate(x, y);
    context.rotate((angle * Math.PI) / 180);
    context.fill(new Path2D(tipPath(tips[index]!, weight)));
    context.restore();
  });
};

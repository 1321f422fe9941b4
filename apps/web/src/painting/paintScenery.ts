import type { Scenery } from '@gobrel/core';
import { drawScenery, pathOf } from '@gobrel/core/scenery';
import type { Canvas } from './paintText';

/** Paints the picture in the background of a slide. Units are slide units. */
export function paintScenery(context: Canvas, scenery: Scenery): void {
  context.save();
  context.lineCap = context.lineJoin = 'round';
  for (const mark of drawScenery(scenery)) {
    const { shapes, paint, width, alpha } = mark;
    const path = new Path2D(pathOf(mark));
    let colour: string | CanvasGradient;
    if (typeof paint === 'string') colour = paint;
    else {
      const heights = shapes.flatMap((shape) => shape.filter((_, at) => at % 2 === 1));
      const [top, foot] = [Math.min(...heights), Math.max(...heights)];
      colour = context.createLinearGradient(0, top, 0, foot);
      colour.addColorStop(0, paint.from);
      colour.addColorStop(1, paint.to);
    }
    context.globalAlpha = alpha;
    if (width > 0) {
      context.strokeStyle = colour;
      context.lineWidth = width;
      context.stroke(path);
    } else {
      context.fillStyle = colour;
      context.fill(path);
    }
  }
  context.restore();
}

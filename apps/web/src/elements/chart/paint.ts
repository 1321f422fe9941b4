import { chartMarks, type ChartElement } from '@gobrel/core';
import { card, setFill, type Painter } from '../../painting/canvas';
import { standIns } from '../../painting/farFaces';

export const paint: Painter<ChartElement> = ({ context, theme }, element) => {
  const { box, fill } = element;
  setFill(context, fill, theme.colours.paper, box);
  card(context, { x: 0, y: 0, w: box.w, h: box.h }, '');
  const { family } = theme.type.caption;
  for (const mark of chartMarks(element, theme)) {
    context.fillStyle = context.strokeStyle = mark.colour;
    if (mark.kind === 'area') context.fill(new Path2D(mark.path));
    else if (mark.kind === 'stroke') {
      context.lineWidth = mark.weight;
      context.lineJoin = 'round';
      context.setLineDash(mark.dashes);
      context.stroke(new Path2D(mark.path));
    } else {
      context.font = `400 ${mark.size}px ${family}, ${standIns()}`;
      context.textAlign = mark.align;
      context.fillText(mark.words, mark.x, mark.y);
    }
  }
};

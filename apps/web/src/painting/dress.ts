import type { ChoiceForm } from '@gobrel/core';

/** What a choice is cut out of, in slide units from its upper left corner: as the style sheet cuts it. */
export function choicePath(form: ChoiceForm, w: number, h: number, corner: number): Path2D {
  const path = new Path2D();
  switch (form) {
    case 'sign':
      lines(path, [0, 0, w - 24, 0, w, h / 2, w - 24, h, 0, h]);
      break;
    case 'label':
      lines(path, [14, 0, w, 0, w, h, 14, h, 0, h - 14, 0, 14]);
      break;
    case 'pill':
      path.roundRect(0, 0, w, h, Math.min(34, h / 2));
      break;
    case 'slab':
      path.rect(0, 0, w, h);
      break;
    default:
      path.roundRect(0, 0, w, h, corner);
  }
  return path;
}

function lines(path: Path2D, points: readonly number[]): void {
  for (let at = 0; at + 1 < points.length; at += 2) {
    if (at === 0) path.moveTo(points[at]!, points[at + 1]!);
    else path.lineTo(points[at]!, points[at + 1]!);
  }
  path.closePath();
}

import type { Pen } from '../Pen.js';
import { countBelow, inwards } from './adjustments.js';
import { MIDDLE, plainShape, type ShapeKind } from './kind.js';

type Corner = readonly [x: number, y: number];

/** Stretched so that they just reach all four sides of a box. */
function filling(points: readonly Corner[], w: number, h: number): Corner[] {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [wide, high] = [Math.max(...xs) - left, Math.max(...ys) - top];
  return points.map(([x, y]) => [((x - left) / wide) * w, ((y - top) / high) * h]);
}

/** A regular figure that fills its box; `turn` is where its first corner lies, in radians clockwise from the right. */
const regular =
  (corners: number, turn: number) =>
  (pen: Pen, w: number, h: number): unknown => {
    const points = Array.from({ length: corners }, (_, index): Corner => {
      const angle = turn + (2 * Math.PI * index) / corners;
      return [Math.cos(angle), Math.sin(angle)];
    });
    return pen.polygon(...filling(points, w, h));
  };

export const CORNERS = {
  pentagon: plainShape('Pentagon', 'corners', regular(5, -Math.PI / 2), MIDDLE),
  hexagon: plainShape('Hexagon', 'corners', regular(6, 0), MIDDLE),
  heptagon: plainShape('Heptagon', 'corners', regular(7, -Math.PI / 2), MIDDLE),
  octagon: plainShape('Octagon', 'corners', regular(8, Math.PI / 8), MIDDLE),
  star: {
    label: 'Star',
    group: 'corners',
    adjust: [inwards('Depth', 0.45), countBelow('Points', 5, 3, 24, 1)],
    draw: (pen, w, h, [inner = 0.45, points = 5]) => {
      const corners = Array.from({ length: 2 * points }, (_, index): Corner => {
        const angle = -Math.PI / 2 + (Math.PI * index) / points;
        const reach = index % 2 ? inner : 1;
        return [reach * Math.cos(angle), reach * Math.sin(angle)];
      });
      return pen.polygon(...filling(corners, w, h));
    },
    words: { x: 0.3, y: 0.34, w: 0.4, h: 0.36 },
  },
  flower: {
    label: 'Flower',
    group: 'corners',
    adjust: [countBelow('Petals', 6, 3, 12)],
    draw: (pen, w, h, [petals = 6]) => {
      const step = (2 * Math.PI) / petals;
      const at = (angle: number, reach: number): Corner => [
        w / 2 + (w / 2) * reach * Math.cos(angle),
        h / 2 + (h / 2) * reach * Math.sin(angle),
      ];
      pen.move(...at(-Math.PI / 2, 0.5));
      for (let petal = 0; petal < petals; petal += 1) {
        const angle = -Math.PI / 2 + petal * step;
        pen.curve(
          ...at(angle + step * 0.1, 1.14),
          ...at(angle + step * 0.9, 1.14),
          ...at(angle + step, 0.5),
        );
      }
      return pen.close();
    },
    words: { x: 0.25, y: 0.3, w: 0.5, h: 0.4 },
  },
} as const satisfies Record<string, ShapeKind>;

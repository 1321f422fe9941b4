import type { Spot } from './wire';
import type { Curve } from './wirePath';

/** A line through points with each corner cut by at most `depth`, so that gentle bends are wide and sharp ones narrow. */
export function rounded(points: readonly Spot[], depth: number): Curve {
  const curve: number[] = [points[0]!.x, points[0]!.y];
  const line = (x: number, y: number): void => {
    const [fromX, fromY] = [curve.at(-2)!, curve.at(-1)!];
    if (Math.hypot(x - fromX, y - fromY) < 0.01) return;
    const [dx, dy] = [(x - fromX) / 3, (y - fromY) / 3];
    curve.push(fromX + dx, fromY + dy, x - dx, y - dy, x, y);
  };
  for (let at = 1; at < points.length - 1; at += 1) {
    const [before, corner, after] = [points[at - 1]!, points[at]!, points[at + 1]!];
    const [inX, inY, inLength] = unit(before, corner);
    const [outX, outY, outLength] = unit(corner, after);
    const turn = Math.hypot(outX - inX, outY - inY);
    const reach = Math.min((4 * depth) / (turn || 1), inLength / 2, outLength / 2);
    if (turn < 0.02 || reach < 0.5) {
      line(corner.x, corner.y);
      continue;
    }
    line(corner.x - inX * reach, corner.y - inY * reach);
    const end = { x: corner.x + outX * reach, y: corner.y + outY * reach };
    const [fromX, fromY] = [curve.at(-2)!, curve.at(-1)!];
    // A quadratic curve with the corner as its control, as a cubic one.
    curve.push(
      ...[fromX + (2 / 3) * (corner.x - fromX), fromY + (2 / 3) * (corner.y - fromY)],
      ...[end.x + (2 / 3) * (corner.x - end.x), end.y + (2 / 3) * (corner.y - end.y)],
      ...[end.x, end.y],
    );
  }
  const last = points.at(-1)!;
  line(last.x, last.y);
  return curve;
}

function unit(from: Spot, to: Spot): [x: number, y: number, length: number] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  return [(to.x - from.x) / (length || 1), (to.y - from.y) / (length || 1), length];
}

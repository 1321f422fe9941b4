import type { InkElement, InkStroke } from '@gobrel/core';
import { getStroke } from 'perfect-freehand';

/** Places of a stroke are tenths of a unit. */
const TENTHS = 10;

/** A stroke of the pen as the outline of the mark it leaves, as an SVG path in the units of its frame. */
export function inkPath({ points, weight, isMarker }: InkStroke): string {
  const input: [number, number, number][] = [];
  for (let at = 0; at + 2 < points.length; at += 3) {
    input.push([points[at]! / TENTHS, points[at + 1]! / TENTHS, points[at + 2]! / 100]);
  }
  const outline = getStroke(input, {
    size: isMarker ? weight : weight * 1.5,
    thinning: isMarker ? 0 : 0.5,
    smoothing: 0.5,
    streamline: 0.3,
    simulatePressure: input.every(([, , pressure]) => pressure === 0.5),
  });
  const [first, ...rest] = outline;
  if (!first) return '';
  const round = (value: number): number => Math.round(value * 10) / 10;
  return (
    rest.reduce(
      (path, [x, y], index) => {
        const [nextX, nextY] = rest[index + 1] ?? first;
        return `${path}Q${round(x!)} ${round(y!)} ${round((x! + nextX!) / 2)} ${round((y! + nextY!) / 2)}`;
      },
      `M${round(first[0]!)} ${round(first[1]!)}`,
    ) + 'Z'
  );
}

/** How the frame of a drawing is laid into its box. */
export const inkTransform = ({ box, frame }: Pick<InkElement, 'box' | 'frame'>): string =>
  `scale(${box.w / frame.w} ${box.h / frame.h}) translate(${-frame.x} ${-frame.y})`;

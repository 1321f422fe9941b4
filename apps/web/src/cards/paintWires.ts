import { standIns } from '../painting/farFaces';
import type { DrawnWire } from './wire';
import { LABEL } from './wireLabel';
import { endOf } from './wirePath';

export interface WireColours {
  wire: string;
  unmet: string;
  wording: string;
  frame: string;
  paper: string;
}

/** A part of the map, in map units. */
export interface Stretch {
  left: number;
  top: number;
  width: number;
  height: number;
}

type Canvas = OffscreenCanvasRenderingContext2D;

export function paintWires(
  context: Canvas,
  drawn: readonly DrawnWire[],
  { left, top, width, height }: Stretch,
  colours: WireColours,
): void {
  context.lineCap = 'round';
  context.lineJoin = 'round';
  for (const { wire, path } of drawn) {
    const { curve, box } = path;
    const isOff =
      box.x > left + width || box.y > top + height || box.x + box.w < left || box.y + box.h < top;
    if (isOff) continue;
    const { alpha, dashes } = lookOf({ wire, path });
    context.globalAlpha = alpha;
    context.setLineDash(dashes);
    context.strokeStyle = context.fillStyle = wire.isUnmet ? colours.unmet : colours.wire;
    context.lineWidth = wire.thickness ?? 1.6;
    context.beginPath();
    context.moveTo(curve[0]!, curve[1]!);
    for (let at = 2; at < curve.length; at += 6) {
      context.bezierCurveTo(
        ...([curve[at]!, curve[at + 1]!, curve[at + 2]!] as const),
        ...([curve[at + 3]!, curve[at + 4]!, curve[at + 5]!] as const),
      );
    }
    context.stroke();
    context.beginPath();
    context.arc(...endOf(curve), 3.2, 0, 2 * Math.PI);
    context.fill();
  }
}

/** A way students do not get is dashed, one that leads back dotted, a very long one of those faint. */
function lookOf({ wire, path }: DrawnWire): { alpha: number; dashes: number[] } {
  if (wire.isUnmet) return { alpha: 1, dashes: [7, 6] };
  if (wire.thickness) return { alpha: 0.6, dashes: [] };
  if (path.isDotted) return { alpha: 1, dashes: [2, 5] };
  return { alpha: path.isBack ? 0.35 : 1, dashes: [] };
}

export function paintWordings(
  context: Canvas,
  drawn: readonly DrawnWire[],
  { left, top, width, height }: Stretch,
  colours: WireColours,
): void {
  context.font = `${LABEL.size}px Body, ${standIns()}`;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  for (const { wire, path } of drawn) {
    const { x, y, room } = path;
    if (wire.wording === '' || room === 0) continue;
    if (x < left || y < top || x > left + width || y > top + height) continue;
    const words = fitted(context, wire.wording, room - 2 * LABEL.padding);
    const w = context.measureText(words).width + 2 * LABEL.padding;
    context.beginPath();
    context.roundRect(x - w / 2, y - LABEL.height / 2, w, LABEL.height, 4);
    context.fillStyle = colours.paper;
    context.fill();
    context.strokeStyle = colours.frame;
    context.stroke();
    context.fillStyle = colours.wording;
    context.fillText(words, x, y + 0.5);
  }
}

/** Cut to a width, with three dots. */
function fitted(context: Canvas, words: string, width: number): string {
  if (context.measureText(words).width <= width) return words;
  let [fits, tooLong] = [0, words.length];
  while (tooLong - fits > 1) {
    const middle = (fits + tooLong) >> 1;
    if (context.measureText(`${words.slice(0, middle)}…`).width <= width) fits = middle;
    else tooLong = middle;
  }
  return `${words.slice(0, fits).trimEnd()}…`;
}

import { LABEL } from './wireLabel';
import bodyFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';

/**
 * Paints wires and their wordings off the main thread. It is sent all wires once after each change, packed as
 * `WIRE_NUMBERS` numbers each, and then asked for stretches of the map, one at a time; it answers with two pictures of
 * each: the wires, which lie under the cards, and the wordings, which lie over them.
 */
export interface WiresToPaint {
  wires: Float32Array;
  wordings: string[];
  colours: WireColours;
}
export interface WireColours {
  wire: string;
  unmet: string;
  wording: string;
  frame: string;
  paper: string;
}
export interface PaintStretch {
  /** In map units. */
  left: number;
  top: number;
  width: number;
  height: number;
  /** Pixels of the picture per map unit. */
  scale: number;
  hasWordings: boolean;
}
export interface PaintedStretch extends PaintStretch {
  wires: ImageBitmap;
  wordings: ImageBitmap | null;
}

/** Four points of the curve, its box (left, top, right, bottom), thickness, look, the middle of the wording. */
export const WIRE_NUMBERS = 16;
export const PLAIN = 0;
export const DOTTED = 1;
export const FAINT = 2;
export const WALKED = 3;
/** A way that students do not get. */
export const UNMET = 4;

let given: WiresToPaint = {
  wires: new Float32Array(),
  wordings: [],
  colours: {
    wire: '#000000',
    unmet: '#000000',
    wording: '#000000',
    frame: '#000000',
    paper: '#ffffff',
  },
};

const font = new FontFace('Body', `url(${bodyFont})`, { weight: '200 800' })
  .load()
  .then((face) => void (self as unknown as { fonts: FontFaceSet }).fonts.add(face))
  .catch(() => undefined);

self.onmessage = async ({ data }: MessageEvent<WiresToPaint | PaintStretch>): Promise<void> => {
  if ('wordings' in data) {
    given = data;
    return;
  }
  await font;
  const wires = paint(data, paintWires);
  const wordings = data.hasWordings ? paint(data, paintWordings) : null;
  if (!wires) return;
  const painted: PaintedStretch = { ...data, wires, wordings };
  self.postMessage(painted, { transfer: wordings ? [wires, wordings] : [wires] });
};

type Canvas = OffscreenCanvasRenderingContext2D;

function paint(
  stretch: PaintStretch,
  draw: (context: Canvas, stretch: PaintStretch) => void,
): ImageBitmap | null {
  const { left, top, width, height, scale } = stretch;
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(width * scale)),
    Math.max(1, Math.round(height * scale)),
  );
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.scale(scale, scale);
  context.translate(-left, -top);
  draw(context, stretch);
  return canvas.transferToImageBitmap();
}

function paintWires(context: Canvas, { left, top, width, height }: PaintStretch): void {
  const { wires, colours } = given;
  context.lineCap = 'round';
  for (let at = 0; at < wires.length; at += WIRE_NUMBERS) {
    const isOff =
      wires[at + 8]! > left + width ||
      wires[at + 9]! > top + height ||
      wires[at + 10]! < left ||
      wires[at + 11]! < top;
    if (isOff) continue;
    const look = wires[at + 13];
    context.globalAlpha = look === FAINT ? 0.35 : look === WALKED ? 0.6 : 1;
    context.setLineDash(look === DOTTED ? [2, 5] : look === UNMET ? [7, 6] : []);
    context.strokeStyle = context.fillStyle = look === UNMET ? colours.unmet : colours.wire;
    context.lineWidth = wires[at + 12]!;
    context.beginPath();
    context.moveTo(wires[at]!, wires[at + 1]!);
    context.bezierCurveTo(
      wires[at + 2]!,
      wires[at + 3]!,
      wires[at + 4]!,
      wires[at + 5]!,
      wires[at + 6]!,
      wires[at + 7]!,
    );
    context.stroke();
    context.beginPath();
    context.arc(wires[at + 6]!, wires[at + 7]!, 3.2, 0, 2 * Math.PI);
    context.fill();
  }
}

function paintWordings(context: Canvas, { left, top, width, height }: PaintStretch): void {
  const { wires, wordings, colours } = given;
  context.font = `${LABEL.size}px Body, sans-serif`;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  wordings.forEach((wording, index) => {
    if (wording === '') return;
    const x = wires[index * WIRE_NUMBERS + 14]!;
    const y = wires[index * WIRE_NUMBERS + 15]!;
    if (x < left || y < top || x > left + width || y > top + height) return;
    const words = fitted(context, wording, LABEL.widest - 2 * LABEL.padding);
    const w = context.measureText(words).width + 2 * LABEL.padding;
    context.beginPath();
    context.roundRect(x - w / 2, y - LABEL.height / 2, w, LABEL.height, 4);
    context.fillStyle = colours.paper;
    context.fill();
    context.strokeStyle = colours.frame;
    context.stroke();
    context.fillStyle = colours.wording;
    context.fillText(words, x, y + 0.5);
  });
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

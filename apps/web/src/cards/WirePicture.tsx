import { memo, useEffect, useRef, useState, type ReactElement } from 'react';
import type { DrawnWire, Seen } from './wire';
import {
  DOTTED,
  FAINT,
  PLAIN,
  UNMET,
  WALKED,
  WIRE_NUMBERS,
  type PaintedStretch,
  type PaintStretch,
  type WireColours,
  type WiresToPaint,
} from './wires.worker';
import WiresWorker from './wires.worker?worker';

/** Pixels of a painted picture at the most: a large screen gets a softer one. */
const MOST_PIXELS = 9_000_000;

/** The wires around what is seen as pictures; they are painted anew when the wires or what is seen have changed. */
export const WirePicture = memo(function WirePicture(props: {
  drawn: readonly DrawnWire[];
  seen: Seen;
  hasWordings: boolean;
}): ReactElement {
  const { drawn, seen, hasWordings } = props;
  const under = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  const [painter] = useState(() => new Painter());
  useEffect(() => {
    painter.show = (painted) => {
      put(under.current, painted.wires, painted);
      put(over.current, painted.wordings, painted);
    };
    return () => painter.stop();
  }, [painter]);
  useEffect(() => painter.take(drawn), [painter, drawn]);
  useEffect(() => {
    const [width, height] = [seen.right - seen.left, seen.bottom - seen.top];
    const wanted = seen.zoom * Math.min(2, devicePixelRatio || 1);
    const scale = Math.min(wanted, Math.sqrt(MOST_PIXELS / (width * height)));
    if (width > 0 && height > 0)
      painter.ask({ left: seen.left, top: seen.top, width, height, scale, hasWordings });
    // Also when the wires have changed.
  }, [painter, seen, drawn, hasWordings]);
  return (
    <>
      <canvas ref={under} aria-hidden className="pointer-events-none absolute -z-2" />
      <canvas ref={over} aria-hidden className="pointer-events-none absolute z-1" />
    </>
  );
});

function put(
  canvas: HTMLCanvasElement | null,
  picture: ImageBitmap | null,
  { left, top, width, height }: PaintStretch,
): void {
  if (!canvas) return picture?.close();
  canvas.style.display = picture ? '' : 'none';
  if (!picture) return;
  canvas.width = picture.width;
  canvas.height = picture.height;
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(picture);
  Object.assign(canvas.style, {
    left: `${left}px`,
    top: `${top}px`,
    width: `${width}px`,
    height: `${height}px`,
  });
}

/** One order to the worker at a time; of those that come meanwhile only the last is carried out. */
class Painter {
  show: (painted: PaintedStretch) => void = () => undefined;
  #worker: Worker | null = null;
  #isBusy = false;
  #next: PaintStretch | null = null;

  take(drawn: readonly DrawnWire[]): void {
    const order: WiresToPaint = {
      wires: packed(drawn),
      wordings: drawn.map(({ wire }) => wire.wording),
      colours: themeColours(),
    };
    this.#start().postMessage(order, [order.wires.buffer as ArrayBuffer]);
  }

  ask(stretch: PaintStretch): void {
    if (this.#isBusy) {
      this.#next = stretch;
      return;
    }
    this.#isBusy = true;
    this.#start().postMessage(stretch);
  }

  stop(): void {
    this.#worker?.terminate();
    this.#worker = null;
    this.#isBusy = false;
  }

  #start(): Worker {
    if (this.#worker) return this.#worker;
    const worker = new WiresWorker();
    worker.onmessage = ({ data }: MessageEvent<PaintedStretch>): void => {
      this.#isBusy = false;
      this.show(data);
      const next = this.#next;
      this.#next = null;
      if (next) this.ask(next);
    };
    return (this.#worker = worker);
  }
}

function themeColours(): WireColours {
  const style = getComputedStyle(document.documentElement);
  const colour = (name: string): string => style.getPropertyValue(`--color-${name}`).trim();
  return {
    wire: colour('ember'),
    unmet: colour('soft'),
    wording: colour('ember-deep'),
    frame: '#eccdc0',
    paper: '#fdf4ee',
  };
}

function lookOf(wire: DrawnWire['wire'], path: DrawnWire['path']): number {
  if (wire.isUnmet) return UNMET;
  if (wire.thickness) return WALKED;
  if (path.isDotted) return DOTTED;
  return path.isBack ? FAINT : PLAIN;
}

function packed(drawn: readonly DrawnWire[]): Float32Array {
  const numbers = new Float32Array(drawn.length * WIRE_NUMBERS);
  drawn.forEach(({ wire, path }, index) => {
    const { curve, box, x, y } = path;
    const look = lookOf(wire, path);
    numbers.set(curve, index * WIRE_NUMBERS);
    numbers.set(
      [box.x, box.y, box.x + box.w, box.y + box.h, wire.thickness ?? 1.6, look, x, y],
      index * WIRE_NUMBERS + 8,
    );
  });
  return numbers;
}

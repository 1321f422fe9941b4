import { memo, useEffect, useRef, type ReactElement } from 'react';
import type { Seen } from './wire';
import type { WireHand } from './WireHand';
import type { PaintStretch } from './wires.worker';

/** Pixels of a painted picture at the most: a large screen gets a softer one. */
const MOST_PIXELS = 9_000_000;

/** The wires around what is seen as pictures; they are painted anew when the wires or what is seen have changed. */
export const WirePicture = memo(function WirePicture(props: {
  hand: WireHand;
  /** Another one whenever the wires are others. */
  drawn: unknown;
  seen: Seen;
  hasWordings: boolean;
}): ReactElement {
  const { hand, drawn, seen, hasWordings } = props;
  const under = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    hand.show = (painted) => {
      put(under.current, painted.wires, painted);
      put(over.current, painted.wordings, painted);
    };
  }, [hand]);
  useEffect(() => {
    const [width, height] = [seen.right - seen.left, seen.bottom - seen.top];
    const wanted = seen.zoom * Math.min(2, devicePixelRatio || 1);
    const scale = Math.min(wanted, Math.sqrt(MOST_PIXELS / (width * height)));
    if (width > 0 && height > 0)
      hand.ask({ left: seen.left, top: seen.top, width, height, scale, hasWordings });
    // Also when the wires have changed.
  }, [hand, seen, drawn, hasWordings]);
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

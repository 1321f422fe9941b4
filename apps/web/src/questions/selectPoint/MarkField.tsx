import type { SelectPointQuestion, Spot } from '@gobrel/core';
import { useEffect, useRef, type ReactElement } from 'react';
import { useSize } from '../../ui/useSize';

const COLOUR = '#17505C';
/** CSS pixels that a marker is wide. */
const SIZE = 15;
/** Canvas pixels for each CSS pixel, so that it stays sharp on a big screen that is zoomed. */
const SHARP = 2;

/** The markers of a whole class over a picture: painted, because thousands of elements would hold up the page. */
export function MarkField(props: {
  spots: readonly Spot[];
  marker: SelectPointQuestion['marker'];
  opacity: number;
}): ReactElement {
  const { spots, marker, opacity } = props;
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height } = useSize(frame);
  useEffect(() => {
    const pen = canvas.current?.getContext('2d');
    if (!pen || width === 0) return;
    pen.setTransform(SHARP, 0, 0, SHARP, 0, 0);
    pen.clearRect(0, 0, width, height);
    for (const { x, y } of spots) paint(pen, marker, x * width, y * height, width);
  }, [spots, marker, width, height]);
  return (
    <div
      ref={frame}
      className="pointer-events-none absolute inset-0"
      style={{ opacity }}
      aria-hidden
    >
      <canvas
        ref={canvas}
        width={Math.round(width * SHARP)}
        height={Math.round(height * SHARP)}
        className="size-full"
      />
    </div>
  );
}

/** Each marker with a white edge, as they are on a student's device. */
function paint(
  pen: CanvasRenderingContext2D,
  marker: SelectPointQuestion['marker'],
  x: number,
  y: number,
  width: number,
): void {
  if (marker === 'line') {
    pen.fillStyle = '#FFFFFF';
    pen.fillRect(0, y - 2.5, width, 5);
    pen.fillStyle = COLOUR;
    pen.fillRect(0, y - 1.5, width, 3);
    return;
  }
  const r = SIZE / 2 - 2;
  pen.beginPath();
  if (marker === 'dot') {
    pen.arc(x, y, r, 0, 2 * Math.PI);
    pen.fillStyle = COLOUR;
    pen.fill();
    pen.lineWidth = 1.5;
    pen.strokeStyle = '#FFFFFF';
    pen.stroke();
    return;
  }
  pen.lineCap = 'round';
  pen.moveTo(x - r, y - r);
  pen.lineTo(x + r, y + r);
  pen.moveTo(x + r, y - r);
  pen.lineTo(x - r, y + r);
  pen.lineWidth = 5;
  pen.strokeStyle = '#FFFFFF';
  pen.stroke();
  pen.lineWidth = 3;
  pen.strokeStyle = COLOUR;
  pen.stroke();
}

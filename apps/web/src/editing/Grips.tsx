import {
  HANDLES,
  linePoints,
  shapeKind,
  shapeValues,
  wholeOf,
  type Box,
  type Handle,
  type LineElement,
  type PictureElement,
  type ShapeName,
  type SlideElement,
  type TableElement,
} from '@gobrel/core';
import type { PointerEvent, ReactElement } from 'react';
import { assetUrl } from '../api/assets';
import { boxStyle } from '../stage/ElementView';

/** The shape whose outline can be pulled, and the values it has. */
export function shapeOf(
  element: SlideElement,
): { shape: ShapeName; element: SlideElement & { points: number[] } } | null {
  switch (element.kind) {
    case 'shape':
    case 'hotspot':
    case 'closeup':
      return { shape: element.shape, element };
    case 'picture':
      return { shape: element.mask, element };
    default:
      return null;
  }
}

/** Brass diamonds by which the outline of a shape is pulled. */
export function ShapeGrips(props: {
  element: SlideElement;
  scale: number;
  onPull: (event: PointerEvent, index: number) => void;
}): ReactElement | null {
  const { element, scale } = props;
  const shaped = shapeOf(element);
  if (!shaped || element.isLocked) return null;
  const { w, h } = element.box;
  const { adjust } = shapeKind(shaped.shape);
  const values = shapeValues(shaped.shape, shaped.element.points);
  const places = adjust.map(({ grip }) => grip(w, h, values));
  return (
    <div className="pointer-events-none" style={boxStyle(element.box, element.rotation)}>
      {places.map(({ x, y }, index) => {
        const isShared = places.findIndex((other) => other.x === x && other.y === y) < index;
        return isShared ? null : (
          <Grip
            key={index}
            x={x}
            y={y}
            scale={scale}
            title={adjust[index]!.label}
            className="rotate-45 bg-brass"
            onPointerDown={(event) => props.onPull(event, index)}
          />
        );
      })}
    </div>
  );
}

function Grip(props: {
  x: number;
  y: number;
  scale: number;
  title: string;
  className: string;
  size?: number;
  onPointerDown: (event: PointerEvent) => void;
  onDoubleClick?: () => void;
}): ReactElement {
  const { scale, size = 11 } = props;
  return (
    <div
      data-grip={props.title}
      title={props.title}
      onPointerDown={props.onPointerDown}
      onDoubleClick={props.onDoubleClick}
      className="pointer-events-auto absolute grid cursor-pointer touch-none place-items-center"
      style={{
        left: props.x,
        top: props.y,
        width: 22 / scale,
        height: 22 / scale,
        transform: 'translate(-50%, -50%)',
      }}
    >
      <span
        className={`border-white ${props.className}`}
        style={{ width: size / scale, height: size / scale, borderWidth: 1.5 / scale }}
      />
    </div>
  );
}

/** The points of a line, and between them places to put one in. A middle point goes by a double press. */
export function LineGrips(props: {
  line: LineElement;
  scale: number;
  onPull: (event: PointerEvent, index: number, isNew: boolean) => void;
  onTakeOut: (index: number) => void;
}): ReactElement | null {
  const { line, scale } = props;
  if (line.isLocked) return null;
  const points = linePoints(line);
  const last = points.length - 1;
  return (
    <>
      {points.slice(0, -1).map((point, index) => {
        const next = points[index + 1]!;
        return (
          <Grip
            key={`new${index}`}
            x={(point.x + next.x) / 2}
            y={(point.y + next.y) / 2}
            scale={scale}
            size={8}
            title="Bend here"
            className="rounded-full bg-petrol/50"
            onPointerDown={(event) => props.onPull(event, index, true)}
          />
        );
      })}
      {points.map((point, index) => {
        const isEnd = index === 0 || index === last;
        const isStuck = (index === 0 && line.from) || (index === last && line.to);
        return (
          <Grip
            key={index}
            {...point}
            scale={scale}
            title={index === 0 ? 'Start' : index === last ? 'End' : 'Middle point'}
            className={`rounded-full ${isStuck ? 'bg-ember' : 'bg-petrol'}`}
            onPointerDown={(event) => props.onPull(event, index, false)}
            onDoubleClick={isEnd ? undefined : () => props.onTakeOut(index)}
          />
        );
      })}
    </>
  );
}

/** A picture being cropped: all of it dimly, the window bright, with handles on the window. */
export function CropFrame(props: {
  picture: PictureElement;
  scale: number;
  onPull: (event: PointerEvent, handle: Handle | null) => void;
}): ReactElement {
  const { picture, scale } = props;
  const whole = wholeOf(picture);
  const { box, rotation } = picture;
  return (
    <div style={boxStyle(box, rotation)}>
      <img
        src={assetUrl(picture.asset, whole.w * scale)}
        alt=""
        draggable={false}
        className="pointer-events-none absolute max-w-none opacity-35"
        style={{
          ...boxStyle({ ...whole, x: whole.x - box.x, y: whole.y - box.y }),
          // Flipped about the middle of the window, as the part that is seen.
          transform: `scale(${picture.isFlippedAcross ? -1 : 1}, ${picture.isFlippedDown ? -1 : 1})`,
          transformOrigin: `${box.x + box.w / 2 - whole.x}px ${box.y + box.h / 2 - whole.y}px`,
        }}
      />
      <div
        role="application"
        aria-label="Crop: drag the picture behind its window, or the window by its handles"
        onPointerDown={(event) => props.onPull(event, null)}
        className="absolute inset-0 cursor-grab touch-none"
        style={{ outline: `${2 / scale}px solid var(--color-brass)` }}
      />
      {HANDLES.map((handle) => (
        <div
          key={handle}
          data-crop={handle}
          onPointerDown={(event) => props.onPull(event, handle)}
          className="absolute grid touch-none place-items-center"
          style={{
            left: handle.includes('w') ? 0 : handle.includes('e') ? '100%' : '50%',
            top: handle.includes('n') ? 0 : handle.includes('s') ? '100%' : '50%',
            width: 24 / scale,
            height: 24 / scale,
            transform: 'translate(-50%, -50%)',
            cursor: `${handle}-resize`,
          }}
        >
          <span className="bg-brass" style={{ width: 12 / scale, height: 12 / scale }} />
        </div>
      ))}
    </div>
  );
}

/** Where a piece may go: a brass frame, pulled by its handles or as a whole; a line is its diagonal. */
export function RangeFrame(props: {
  piece: SlideElement;
  range: Box;
  scale: number;
  onPull: (event: PointerEvent, handle: Handle | null) => void;
}): ReactElement {
  const { piece, range, scale } = props;
  const { track, isRising } = piece.piece;
  const { w, h } = range;
  return (
    <div className="pointer-events-none" style={boxStyle(range)}>
      <svg width={w} height={h} className="absolute inset-0 overflow-visible" aria-hidden>
        <path
          d={
            track === 'line'
              ? isRising
                ? `M0 ${h}L${w} 0`
                : `M0 0L${w} ${h}`
              : `M0 0H${w}V${h}H0Z`
          }
          fill="none"
          stroke="var(--color-brass)"
          strokeWidth={2 / scale}
          strokeDasharray={`${8 / scale} ${5 / scale}`}
        />
      </svg>
      <div
        title="Where it may go"
        onPointerDown={(event) => props.onPull(event, null)}
        className="pointer-events-auto absolute cursor-move touch-none rounded-[3px] bg-brass px-1.5 text-white"
        style={{ left: 0, bottom: '100%', fontSize: 11 / scale, lineHeight: 1.6 }}
      >
        may go here
      </div>
      {(['nw', 'ne', 'se', 'sw'] as const).map((handle) => (
        <Grip
          key={handle}
          x={handle.includes('w') ? 0 : w}
          y={handle.includes('n') ? 0 : h}
          scale={scale}
          title="Where it may go"
          className="bg-brass"
          onPointerDown={(event) => props.onPull(event, handle)}
        />
      ))}
    </div>
  );
}

/** The lines between the columns of a table. */
export function ColumnGrips(props: {
  table: TableElement;
  scale: number;
  onPull: (event: PointerEvent, index: number) => void;
}): ReactElement | null {
  const { table, scale } = props;
  if (table.isLocked) return null;
  const whole = table.columns.reduce((sum, share) => sum + share, 0) || 1;
  let at = 0;
  return (
    <div className="pointer-events-none" style={boxStyle(table.box, table.rotation)}>
      {table.columns.slice(0, -1).map((share, index) => {
        at += share;
        return (
          <Grip
            key={index}
            x={(at / whole) * table.box.w}
            // Below the edge, where a handle may stand.
            y={18 / scale}
            scale={scale}
            title="Width of the columns"
            className="rounded-full bg-petrol"
            onPointerDown={(event) => props.onPull(event, index)}
          />
        );
      })}
    </div>
  );
}

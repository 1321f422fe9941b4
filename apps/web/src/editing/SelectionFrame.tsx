import {
  boundsOf,
  HANDLES,
  holdsMembers,
  may,
  type Box,
  type Handle,
  type SlideElement,
} from '@gobrel/core';
import { Lock } from 'lucide-react';
import type { PointerEvent, ReactElement } from 'react';
import { placedStyle } from '../stage/ElementView';
import { boxStyle } from '../parts/boxStyle';
import { boxAround } from './arranging';

const CORNERS: readonly Handle[] = ['nw', 'ne', 'se', 'sw'];
const CURSORS = ['ns-resize', 'nesw-resize', 'ew-resize', 'nwse-resize'] as const;
const DIRECTION: Record<Handle, number> = {
  n: 0,
  ne: 45,
  e: 90,
  se: 135,
  s: 180,
  sw: 225,
  w: 270,
  nw: 315,
};

/** The cursor for a handle of something turned. */
const cursorFor = (handle: Handle, rotation: number): string =>
  CURSORS[Math.round((DIRECTION[handle] + rotation) / 45) % 4]!;

const share = (handle: Handle): { left: string; top: string } => ({
  left: handle.includes('w') ? '0%' : handle.includes('e') ? '100%' : '50%',
  top: handle.includes('n') ? '0%' : handle.includes('s') ? '100%' : '50%',
});

/** The box of one thing as it is, or the upright one around several. */
function frameOf(selected: readonly SlideElement[]): Box | undefined {
  const [one, ...more] = selected;
  return one && more.length === 0 && !holdsMembers(one) ? one.box : boxAround(selected);
}

/** Frame and handles around what is in hand. */
export function SelectionFrame(props: {
  selected: readonly SlideElement[];
  /** The same as they lay before they were taken up. */
  before?: readonly SlideElement[];
  scale: number;
  onResize: (event: PointerEvent, handle: Handle) => void;
  onTurn: (event: PointerEvent) => void;
}): ReactElement | null {
  const { selected, scale } = props;
  const [one, ...more] = selected;
  const isAlone = one !== undefined && more.length === 0 && !holdsMembers(one);
  const box = frameOf(selected);
  if (!one || !box) return null;
  const rotation = isAlone ? one.rotation : 0;
  if (selected.every(({ isLocked }) => isLocked)) {
    return (
      <div className="pointer-events-none" style={boxStyle(box, rotation)}>
        <span
          className="absolute grid place-items-center rounded-full bg-petrol text-white"
          style={{ right: -10 / scale, top: -10 / scale, width: 22 / scale, height: 22 / scale }}
        >
          <Lock size={13 / scale} aria-hidden />
        </span>
      </div>
    );
  }
  // A line is pulled by its points.
  if (isAlone && one.kind === 'line') return null;
  const handles = isAlone ? HANDLES : CORNERS;
  const seen = boundsOf(box, rotation);
  const isSmall = Math.min(seen.w, seen.h) * scale < 34;
  const isTurnable = selected.every((element) => may(element, 'beTurned'));
  return (
    <div
      className="pointer-events-none"
      style={{
        ...placedStyle(box, rotation, props.before && frameOf(props.before)),
        outline: isAlone ? undefined : `${1.5 / scale}px dashed var(--color-petrol)`,
      }}
    >
      {handles
        .filter((handle) => !isSmall || handle.length === 2)
        .map((handle) => (
          <div
            key={handle}
            data-handle={handle}
            onPointerDown={(event) => props.onResize(event, handle)}
            className="pointer-events-auto absolute grid touch-none place-items-center"
            // Larger than it looks, so that a finger meets it.
            style={{
              ...share(handle),
              width: 24 / scale,
              height: 24 / scale,
              cursor: cursorFor(handle, rotation),
              transform: `translate(${-50 + grow(handle, 'w', 'e', isSmall)}%, ${-50 + grow(handle, 'n', 's', isSmall)}%)`,
            }}
          >
            <span
              className="border-petrol bg-sheet"
              style={{ width: 11 / scale, height: 11 / scale, borderWidth: 2 / scale }}
            />
          </div>
        ))}
      {isTurnable && (
        <div
          data-handle="turn"
          onPointerDown={props.onTurn}
          className="pointer-events-auto absolute grid touch-none place-items-center"
          style={{
            left: '50%',
            top: '100%',
            width: 28 / scale,
            height: 28 / scale,
            transform: 'translate(-50%, 20%)',
            cursor: 'grab',
          }}
        >
          <span
            className="rounded-full border-petrol bg-petrol-mist"
            style={{ width: 13 / scale, height: 13 / scale, borderWidth: 2 / scale }}
          />
        </div>
      )}
    </div>
  );
}

/** Handles of small things stand off, so that the thing itself can still be pressed. Per cent of their size. */
const grow = (handle: Handle, before: string, after: string, isSmall: boolean): number =>
  !isSmall ? 0 : handle.includes(before) ? -40 : handle.includes(after) ? 40 : 0;

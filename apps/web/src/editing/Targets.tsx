import {
  holdsMembers,
  linePath,
  linePoints,
  shapePath,
  type Box,
  type SlideElement,
} from '@gobrel/core';
import { memo, type KeyboardEvent, type PointerEvent, type ReactElement } from 'react';
import { placedStyle } from '../stage/ElementView';
import { labelOf } from './labelOf';

/** What a target hands on; the same functions as long as the stage is open. */
export interface TargetHands {
  press: (event: PointerEvent, element: SlideElement) => void;
  open: (element: SlideElement) => void;
  focus: (element: SlideElement) => void;
  key: (event: KeyboardEvent, element: SlideElement) => void;
}

/** What can be touched of one thing: a button over it, in the place and turn of the thing. */
export const Target = memo(function Target(props: {
  element: SlideElement;
  isSelected: boolean;
  /** It carries a link. */
  isLinked: boolean;
  /** It lies in a group that is taken in hand as one: only pressed, not a thing of its own. */
  isMember: boolean;
  /** Where it lay before it was taken up. */
  liftedFrom?: Box;
  scale: number;
  hands: TargetHands;
}): ReactElement {
  const { element, isSelected, isMember, scale, hands } = props;
  const common = {
    onPointerDown: (event: PointerEvent) => hands.press(event, element),
    onDoubleClick: () => hands.open(element),
  };
  const isLine = element.kind === 'line';
  // A close-up is touched by its rim: it would lie over all that it shows.
  const isRim = element.kind === 'closeup' && !isSelected;
  const style = {
    ...placedStyle(element.box, element.rotation, props.liftedFrom),
    cursor: element.isLocked ? 'default' : 'move',
    outline: isLine
      ? undefined
      : isSelected
        ? `${2 / scale}px solid var(--color-petrol)`
        : props.isLinked
          ? `${1 / scale}px dashed var(--color-ember)`
          : undefined,
    outlineOffset: 1 / scale,
    ...(isLine || isRim ? { pointerEvents: 'none' as const } : {}),
  };
  const inner = isLine ? (
    <LineTarget element={element} scale={scale} isSelected={isSelected} />
  ) : isRim ? (
    <Rim element={element} scale={scale} />
  ) : null;
  if (isMember) {
    return (
      <div aria-hidden {...common} className="touch-none" style={{ ...style, outline: undefined }}>
        {inner}
      </div>
    );
  }
  return (
    <div
      role="button"
      tabIndex={0}
      aria-label={labelOf(element)}
      aria-pressed={isSelected}
      data-target={element.id}
      {...common}
      onFocus={(event) => {
        if (event.currentTarget.matches(':focus-visible')) hands.focus(element);
      }}
      onKeyDown={(event) => hands.key(event, element)}
      className="touch-none hover:outline-petrol"
      style={holdsMembers(element) ? { ...style, pointerEvents: 'none' } : style}
    >
      {inner}
      {element.kind === 'hotspot' && <HotspotMark element={element} scale={scale} />}
      {element.kind === 'closeup' && <HotspotMark element={element} scale={scale} isCloseUp />}
      {element.kind === 'zone' && !element.isVisible && (
        <span className="pointer-events-none block size-full rounded-[10px] border-2 border-dotted border-brass" />
      )}
    </div>
  );
});

/** A line is touched along its path, not in its box. */
function LineTarget({
  element,
  scale,
  isSelected,
}: {
  element: Extract<SlideElement, { kind: 'line' }>;
  scale: number;
  isSelected: boolean;
}): ReactElement {
  const { box } = element;
  const points = linePoints(element).map(({ x, y }) => ({ x: x - box.x, y: y - box.y }));
  // Not larger than it must be: what lies outside need not be looked through for a hit.
  const pad = Math.max(element.weight, 16 / scale) + 12;
  const [w, h] = [box.w + 2 * pad, box.h + 2 * pad];
  return (
    <svg
      width={w}
      height={h}
      viewBox={`${-pad} ${-pad} ${w} ${h}`}
      className="absolute"
      style={{ left: -pad, top: -pad }}
      aria-hidden
    >
      <path
        d={linePath(element.path, points)}
        fill="none"
        stroke={isSelected ? 'var(--color-petrol)' : 'transparent'}
        strokeOpacity={0.25}
        strokeWidth={Math.max(element.weight, 16 / scale)}
        style={{ pointerEvents: 'stroke', cursor: 'move' }}
      />
    </svg>
  );
}

function Rim({ element, scale }: { element: SlideElement; scale: number }): ReactElement {
  const { w, h } = element.box;
  return (
    <svg width={w} height={h} className="absolute inset-0 overflow-visible" aria-hidden>
      <path
        d={`M0 0H${w}V${h}H0Z`}
        fill="none"
        stroke="transparent"
        strokeWidth={16 / scale}
        style={{ pointerEvents: 'stroke', cursor: 'move' }}
      />
    </svg>
  );
}

/** What is not to be seen in a show is seen while editing: hotspots in ember, close-ups in petrol. */
function HotspotMark(props: {
  element: Extract<SlideElement, { kind: 'hotspot' | 'closeup' }>;
  scale: number;
  isCloseUp?: boolean;
}): ReactElement | null {
  const { element, scale, isCloseUp = false } = props;
  const { w, h } = element.box;
  const colour = isCloseUp ? 'var(--color-petrol)' : 'var(--color-ember)';
  return (
    <>
      <svg
        width={w}
        height={h}
        className="pointer-events-none absolute inset-0 overflow-visible"
        aria-hidden
      >
        <path
          d={shapePath(element.shape, w, h, element.points)}
          fill={colour}
          fillOpacity={isCloseUp ? 0 : 0.06}
          stroke={colour}
          strokeWidth={1.5 / scale}
          strokeDasharray={`${6 / scale} ${4 / scale}`}
        />
      </svg>
      {isCloseUp && (
        <span
          aria-hidden
          className="pointer-events-none absolute left-0 rounded-t-[3px] bg-petrol px-1.5 text-white"
          style={{ fontSize: 11 / scale, lineHeight: 1.5, bottom: '100%' }}
        >
          {element.name || 'close-up'}
        </span>
      )}
    </>
  );
}

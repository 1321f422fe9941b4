import { STAGE, strokeFrom, type InkStroke, type Point, type SlideId } from '@gobrel/core';
import { useEffect, useRef, useState, type PointerEvent, type ReactElement } from 'react';
import Marks from './Marks';
import type { ShowLine } from './useShowLine';

export type Tool = 'point' | 'pen' | 'marker';
const LOOKS: Record<'pen' | 'marker', Pick<InkStroke, 'colour' | 'weight' | 'isMarker'>> = {
  pen: { colour: '#bf4e2a', weight: 5, isMarker: false },
  marker: { colour: '#e0b53c', weight: 26, isMarker: true },
};
/** Milliseconds between two places of the pointer that are told. */
const EVERY = 50;
/** Places of one stroke. */
const MOST_PLACES = 1500;

/** Over a slide that is steered: the hand points, or draws. In units of the stage. */
export function PointingSurface(props: {
  slideId: SlideId;
  tool: Tool | null;
  line: ShowLine;
}): ReactElement {
  const { slideId, tool, line } = props;
  const { say } = line;
  const [path, setPath] = useState<(Point & { pressure: number })[]>([]);
  const ink = line.show.ink[slideId] ?? NO_INK;
  // What was drawn stays until it comes back from the server.
  const [drawn, setDrawn] = useState<{ stroke: InkStroke; before: number } | null>(null);
  if (drawn && ink.length !== drawn.before) setDrawn(null);
  const told = useRef({ at: 0, isOn: false });
  const point = (at: Point | null): void => {
    if (at && Date.now() - told.current.at < EVERY) return;
    told.current = { at: Date.now(), isOn: at !== null };
    say({ kind: 'point', at });
  };
  useEffect(() => {
    // Put away with its tool, and with the slide.
    const { current } = told;
    return () => {
      if (current.isOn) say({ kind: 'point', at: null });
    };
  }, [tool, slideId, say]);
  const placeOf = (event: PointerEvent): Point & { pressure: number } => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect();
    return {
      x: ((event.clientX - left) / width) * STAGE.width,
      y: ((event.clientY - top) / height) * STAGE.height,
      pressure: event.pointerType === 'pen' ? event.pressure : 0.5,
    };
  };
  const lift = (): void => {
    if (tool === 'point') return point(null);
    if (!tool || path.length === 0) return;
    const stroke = strokeFrom(path, LOOKS[tool]);
    setPath([]);
    setDrawn({ stroke, before: ink.length });
    say({ kind: 'stroke', slideId, stroke });
  };
  const coming = tool && tool !== 'point' && path.length > 0 ? [strokeFrom(path, LOOKS[tool])] : [];
  return (
    <>
      <Marks ink={[...ink, ...(drawn ? [drawn.stroke] : []), ...coming]} point={line.point} />
      {tool && (
        <div
          aria-label={tool === 'point' ? 'Point here' : 'Draw here'}
          role="application"
          className={`absolute inset-0 z-20 touch-none ${tool === 'point' ? 'cursor-none' : 'cursor-crosshair'}`}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            if (tool === 'point') point(placeOf(event));
            else setPath([placeOf(event)]);
          }}
          onPointerMove={(event) => {
            if (tool === 'point') {
              if (event.pointerType === 'mouse' || event.buttons > 0) point(placeOf(event));
            } else if (path.length > 0 && path.length < MOST_PLACES) {
              setPath([...path, placeOf(event)]);
            }
          }}
          onPointerUp={(event) =>
            event.pointerType === 'mouse' && tool === 'point' ? undefined : lift()
          }
          onPointerCancel={lift}
          onPointerLeave={() => tool === 'point' && point(null)}
        />
      )}
    </>
  );
}

const NO_INK: readonly InkStroke[] = [];

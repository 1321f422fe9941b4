import { STAGE, type Point } from '@gobrel/core';
import { useCallback, useEffect, useMemo, useState, type RefObject } from 'react';
import { useSize } from '../ui/useSize';

/** Where the stage lies in its desk: its upper left corner in CSS pixels, and CSS pixels per slide unit. */
export interface StageView {
  scale: number;
  x: number;
  y: number;
}

export interface ViewControl {
  view: StageView;
  /** It follows the size of the desk. */
  isFitted: boolean;
  fit: () => void;
  /** Larger or smaller by a factor, about a place of the desk (its middle when left out). */
  zoomBy: (factor: number, about?: Point) => void;
  zoomTo: (scale: number) => void;
  panBy: (dx: number, dy: number) => void;
}

const SMALLEST = 0.1;
const LARGEST = 6;

/** Zoom and pan of the stage within its desk: fitted with a margin until somebody moves it. */
export function useStageView(desk: RefObject<HTMLElement | null>, margin: number): ViewControl {
  const size = useSize(desk);
  const [own, setOwn] = useState<StageView | null>(null);
  const fitted = useMemo((): StageView => {
    const scale = Math.max(
      0.1,
      Math.min((size.width - 2 * margin) / STAGE.width, (size.height - 2 * margin) / STAGE.height),
    );
    return {
      scale,
      x: (size.width - STAGE.width * scale) / 2,
      y: (size.height - STAGE.height * scale) / 2,
    };
  }, [size, margin]);
  const zoomBy = useCallback(
    (factor: number, about?: Point) =>
      setOwn((old) => {
        const { scale, x, y } = old ?? fitted;
        const at = about ?? { x: size.width / 2, y: size.height / 2 };
        const next = Math.min(LARGEST, Math.max(SMALLEST, scale * factor));
        const by = next / scale;
        return { scale: next, x: at.x - (at.x - x) * by, y: at.y - (at.y - y) * by };
      }),
    [fitted, size],
  );
  const panBy = useCallback(
    (dx: number, dy: number) =>
      setOwn((old) => {
        const { scale, x, y } = old ?? fitted;
        // Some of the stage always stays in sight.
        const within = (value: number, room: number, length: number): number =>
          Math.min(room - 40, Math.max(40 - length, value));
        return {
          scale,
          x: within(x + dx, size.width, STAGE.width * scale),
          y: within(y + dy, size.height, STAGE.height * scale),
        };
      }),
    [fitted, size],
  );
  useEffect(() => {
    const element = desk.current;
    if (!element) return;
    // React listens passively to wheels: the page would zoom along.
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const { left, top } = element.getBoundingClientRect();
      if (event.ctrlKey || event.metaKey) {
        zoomBy(Math.exp(-event.deltaY * 0.003), {
          x: event.clientX - left,
          y: event.clientY - top,
        });
      } else
        panBy(event.shiftKey ? -event.deltaY : -event.deltaX, event.shiftKey ? 0 : -event.deltaY);
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [desk, zoomBy, panBy]);
  const view = own ?? fitted;
  return {
    view,
    isFitted: own === null,
    fit: useCallback(() => setOwn(null), []),
    zoomBy,
    zoomTo: useCallback((scale: number) => zoomBy(scale / view.scale), [zoomBy, view.scale]),
    panBy,
  };
}

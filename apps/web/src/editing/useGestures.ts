import type { Point } from '@gobrel/core';
import { useCallback, useEffect, useMemo, useRef, type PointerEvent, type RefObject } from 'react';
import type { ViewControl } from './useStageView';

/** Something done by pressing, moving and letting go. Places are in slide units. */
export interface Gesture {
  move: (at: Point, event: PointerEvent) => void;
  /** `hasMoved` is false for a press that was let go where it began. */
  end: (at: Point, event: PointerEvent, hasMoved: boolean) => void;
  cancel?: () => void;
}

/** CSS pixels that a press may tremble. */
const TREMBLE = 3;

interface Running {
  pointerId: number;
  x: number;
  y: number;
  hasMoved: boolean;
  gesture: Gesture;
}

export interface Gestures {
  begin: (event: PointerEvent, gesture: Gesture) => void;
  /** Where an event lies on the slide. */
  placeOf: (event: { clientX: number; clientY: number }) => Point;
  cancel: () => void;
  handlers: Record<
    'onPointerDownCapture' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel',
    (event: PointerEvent) => void
  >;
}

/** One gesture at a time on the stage. A second finger ends it without effect and zooms and pans instead. */
export function useGestures(
  viewport: RefObject<HTMLElement | null>,
  control: ViewControl,
): Gestures {
  const running = useRef<Running | null>(null);
  const fingers = useRef(new Map<number, Point>());
  const isPinching = useRef(false);
  const latest = useRef(control);
  useEffect(() => {
    latest.current = control;
  });

  const placeOf = useCallback(
    ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
      const { left = 0, top = 0 } = viewport.current?.getBoundingClientRect() ?? {};
      const { x, y, scale } = latest.current.view;
      return { x: (clientX - left - x) / scale, y: (clientY - top - y) / scale };
    },
    [viewport],
  );
  const cancel = useCallback(() => {
    const now = running.current;
    running.current = null;
    now?.gesture.cancel?.();
  }, []);
  const begin = useCallback((event: PointerEvent, gesture: Gesture) => {
    if (isPinching.current) return;
    event.stopPropagation();
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    running.current = {
      pointerId: event.pointerId,
      x: event.clientX,
      y: event.clientY,
      hasMoved: false,
      gesture,
    };
  }, []);

  const pinch = useCallback(
    (event: PointerEvent): void => {
      const old = [...fingers.current.values()];
      fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
      const now = [...fingers.current.values()];
      const [a, b, c, d] = [old[0], old[1], now[0], now[1]];
      if (!a || !b || !c || !d) return;
      const { left = 0, top = 0 } = viewport.current?.getBoundingClientRect() ?? {};
      const middle = { x: (c.x + d.x) / 2 - left, y: (c.y + d.y) / 2 - top };
      latest.current.panBy((c.x + d.x - a.x - b.x) / 2, (c.y + d.y - a.y - b.y) / 2);
      const span = Math.hypot(a.x - b.x, a.y - b.y);
      if (span > 0) latest.current.zoomBy(Math.hypot(c.x - d.x, c.y - d.y) / span, middle);
    },
    [viewport],
  );

  const handlers = useMemo(() => {
    const leave = (event: PointerEvent): void => {
      fingers.current.delete(event.pointerId);
      if (fingers.current.size === 0) isPinching.current = false;
    };
    return {
      onPointerDownCapture: (event: PointerEvent): void => {
        if (event.pointerType !== 'touch') return;
        fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
        if (fingers.current.size < 2) return;
        isPinching.current = true;
        cancel();
        event.stopPropagation();
      },
      onPointerMove: (event: PointerEvent): void => {
        const isFinger = fingers.current.has(event.pointerId);
        if (isPinching.current) {
          if (isFinger) pinch(event);
          return;
        }
        // Where it is when a second one comes.
        if (isFinger) fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
        const now = running.current;
        if (now?.pointerId !== event.pointerId) return;
        const moved = Math.hypot(event.clientX - now.x, event.clientY - now.y);
        if (!now.hasMoved && moved < TREMBLE) return;
        now.hasMoved = true;
        now.gesture.move(placeOf(event), event);
      },
      onPointerUp: (event: PointerEvent): void => {
        leave(event);
        const now = running.current;
        if (now?.pointerId !== event.pointerId) return;
        running.current = null;
        now.gesture.end(placeOf(event), event, now.hasMoved);
      },
      onPointerCancel: (event: PointerEvent): void => {
        leave(event);
        if (running.current?.pointerId === event.pointerId) cancel();
      },
    };
  }, [cancel, pinch, placeOf]);
  return { begin, placeOf, cancel, handlers };
}

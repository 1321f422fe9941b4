import { useStore } from '@xyflow/react';
import { useRef, useEffect, type ReactElement } from 'react';

/** Map units between two dots. */
const GAP = 23;
/** Pixels under which dots would be a grey: every second, fourth … one is shown then. */
const LEAST_GAP = 18;

/** The dotted paper under a map. A layer a little larger than the map that is only ever shifted by less than a gap. */
export function DotGrid(): ReactElement {
  const paper = useRef<HTMLDivElement>(null);
  const [x, y, zoom] = useStore(({ transform }) => transform);
  let gap = GAP * zoom;
  while (gap < LEAST_GAP) gap *= 2;
  useEffect(() => {
    paper.current?.style.setProperty('transform', `translate(${x % gap}px, ${y % gap}px)`);
  }, [x, y, gap]);
  return (
    <div
      ref={paper}
      aria-hidden
      className="pointer-events-none absolute -z-1 will-change-transform"
      style={{
        inset: -gap,
        backgroundImage: 'radial-gradient(circle at 1px 1px, #d9d2c2 1px, transparent 1.2px)',
        backgroundSize: `${gap}px ${gap}px`,
      }}
    />
  );
}

import type { Link, Slide } from '@gobrel/core';
import { useEffect, useLayoutEffect, useState, type ReactElement, type RefObject } from 'react';
import type { StageView } from '../editing/useStageView';

/** Thin lines from what carries a link on the stage to its card among the ways out. */
export function WayLines(props: {
  slide: Slide;
  links: readonly Link[];
  frame: RefObject<HTMLElement | null>;
  stage: RefObject<HTMLElement | null>;
  ways: RefObject<HTMLElement | null>;
  /** What the stage lies in: a line begins at its edge where the carrier is out of sight. */
  room: RefObject<HTMLElement | null>;
  view: StageView;
}): ReactElement {
  const { slide, links, frame, stage, ways, room, view } = props;
  const [paths, setPaths] = useState<string[]>([]);
  const [tick, setTick] = useState(0);

  useEffect(() => {
    const column = ways.current;
    const again = (): void => setTick((old) => old + 1);
    column?.addEventListener('scroll', again);
    const observer = new ResizeObserver(again);
    for (const element of [frame.current, stage.current, column])
      if (element) observer.observe(element);
    return () => {
      column?.removeEventListener('scroll', again);
      observer.disconnect();
    };
  }, [frame, stage, ways]);

  useLayoutEffect(() => {
    const [outer, inner, column] = [frame.current, stage.current, ways.current];
    const sight = room.current?.getBoundingClientRect();
    if (!outer || !inner || !column || !sight) return;
    const origin = outer.getBoundingClientRect();
    const bounds = column.getBoundingClientRect();
    setPaths(
      links.flatMap((link) => {
        const { carrier } = link;
        const element =
          carrier.kind === 'none'
            ? undefined
            : inner.querySelector(`[data-element="${carrier.elementId}"]`)?.getBoundingClientRect();
        const card = column.querySelector(`[data-way="${link.id}"]`)?.getBoundingClientRect();
        if (!element || !card || card.top + 12 > bounds.bottom || card.top + 12 < bounds.top)
          return [];
        const y = element.top + element.height / 2;
        const { left, right } = sight;
        if (element.right < left || element.left > right || y < sight.top || y > sight.bottom)
          return [];
        // The column of the ways out stands where reading goes.
        const isLeft = bounds.right <= left;
        const x1 =
          (isLeft ? Math.max(element.left, left) : Math.min(element.right, right)) - origin.left;
        const y1 = y - origin.top;
        const x2 = (isLeft ? card.right : card.left) - origin.left;
        const y2 = card.top - origin.top + Math.min(60, card.height / 2);
        const bend = (isLeft ? -1 : 1) * Math.max(30, Math.abs(x2 - x1) / 2);
        return [`M${x1} ${y1} C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`];
      }),
    );
  }, [slide, links, frame, stage, ways, room, view, tick]);

  return (
    <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
      {paths.map((path, index) => (
        <path key={index} d={path} fill="none" stroke="var(--color-ember)" strokeWidth={1.4} />
      ))}
    </svg>
  );
}

import { STAGE, type Link, type Slide } from '@gobrel/core';
import { useEffect, useLayoutEffect, useState, type ReactElement, type RefObject } from 'react';

/** Thin lines from what carries a link on the stage to its card among the ways out. */
export function WayLines(props: {
  slide: Slide;
  links: readonly Link[];
  frame: RefObject<HTMLElement | null>;
  stage: RefObject<HTMLElement | null>;
  ways: RefObject<HTMLElement | null>;
  width: number;
}): ReactElement {
  const { slide, links, frame, stage, ways, width } = props;
  const [paths, setPaths] = useState<string[]>([]);
  const [tick, setTick] = useState(0);

  useEffect(() => {
    const column = ways.current;
    const again = (): void => setTick((old) => old + 1);
    column?.addEventListener('scroll', again);
    window.addEventListener('resize', again);
    return () => {
      column?.removeEventListener('scroll', again);
      window.removeEventListener('resize', again);
    };
  }, [ways]);

  useLayoutEffect(() => {
    const [outer, inner, column] = [frame.current, stage.current, ways.current];
    if (!outer || !inner || !column) return;
    const origin = outer.getBoundingClientRect();
    const sheet = inner.getBoundingClientRect();
    const bounds = column.getBoundingClientRect();
    const scale = width / STAGE.width;
    setPaths(
      links.flatMap((link) => {
        const { carrier } = link;
        const element =
          carrier.kind === 'none'
            ? undefined
            : slide.elements.find((e) => e.id === carrier.elementId);
        const card = column.querySelector(`[data-way="${link.id}"]`)?.getBoundingClientRect();
        if (!element || !card || card.top + 12 > bounds.bottom || card.top + 12 < bounds.top)
          return [];
        const x1 = sheet.left - origin.left + (element.box.x + element.box.w) * scale;
        const y1 = sheet.top - origin.top + (element.box.y + element.box.h / 2) * scale;
        const x2 = card.left - origin.left;
        const y2 = card.top - origin.top + Math.min(60, card.height / 2);
        const bend = Math.max(30, (x2 - x1) / 2);
        return [`M${x1} ${y1} C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`];
      }),
    );
  }, [slide, links, frame, stage, ways, width, tick]);

  return (
    <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden>
      {paths.map((path, index) => (
        <path key={index} d={path} fill="none" stroke="var(--color-ember)" strokeWidth={1.4} />
      ))}
    </svg>
  );
}

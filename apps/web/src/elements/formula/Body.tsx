import type { FormulaElement } from '@gobrel/core';
import { useLayoutEffect, useRef, useState, type ReactElement } from 'react';
import { DISPLAYED, drawTex, NATURAL } from '../../parts/tex';
import type { BodyProps } from '../kind';

export default function Body({ element, theme }: BodyProps<FormulaElement>): ReactElement {
  const { tex, spoken, box } = element;
  const drawn = useRef<HTMLSpanElement>(null);
  const [natural, setNatural] = useState({ w: 1, h: 1 });
  useLayoutEffect(() => {
    const node = drawn.current;
    if (!node) return;
    drawTex(node, tex, true);
    // Its size changes when its fonts have come.
    const watcher = new ResizeObserver(() =>
      setNatural({ w: Math.max(1, node.offsetWidth), h: Math.max(1, node.offsetHeight) }),
    );
    watcher.observe(node);
    return () => watcher.disconnect();
  }, [tex]);
  const scale = Math.min(box.w / natural.w, box.h / natural.h);
  return (
    <div
      className="size-full"
      style={{ color: element.colour || theme.colours.ink }}
      {...(spoken ? { role: 'img', 'aria-label': spoken } : {})}
    >
      <span
        ref={drawn}
        className={`absolute top-1/2 left-1/2 ${DISPLAYED}`}
        style={{ fontSize: NATURAL, transform: `translate(-50%, -50%) scale(${scale})` }}
      />
    </div>
  );
}

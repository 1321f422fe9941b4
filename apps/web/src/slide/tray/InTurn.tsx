import { useEffect, useState, type ReactElement } from 'react';

/** One of several live small slides: they come one after the other, a frame each, so that the page goes on meanwhile. */
export function InTurn(props: {
  /** Its place among them. */
  at: number;
  children: () => ReactElement;
}): ReactElement {
  const { at, children } = props;
  const [isThere, setIsThere] = useState(false);
  useEffect(() => {
    let left = at;
    let frame = requestAnimationFrame(next);
    function next(): void {
      left -= 1;
      if (left < 0) setIsThere(true);
      else frame = requestAnimationFrame(next);
    }
    return () => cancelAnimationFrame(frame);
  }, [at]);
  return (
    <span aria-hidden className="pointer-events-none block aspect-video" inert>
      {isThere && children()}
    </span>
  );
}

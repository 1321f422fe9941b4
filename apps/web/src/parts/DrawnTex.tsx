import { useLayoutEffect, useRef, type ReactElement } from 'react';
import { drawTex } from './tex';

export default function DrawnTex({ tex, spoken }: { tex: string; spoken?: string }): ReactElement {
  const node = useRef<HTMLSpanElement>(null);
  useLayoutEffect(() => {
    if (node.current) drawTex(node.current, tex, false);
  }, [tex]);
  return <span ref={node} {...(spoken ? { role: 'img', 'aria-label': spoken } : {})} />;
}

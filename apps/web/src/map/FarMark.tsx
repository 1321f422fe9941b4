import { useStore } from '@xyflow/react';
import { useEffect } from 'react';

/** Pixels on the screen per map unit below which a picture gives way to its title, and that to its first words. */
const TITLE = 0.42;
const WORDS = 0.24;

/** Notes on the map how far away it is seen from; the style sheet does the rest, without a card being drawn anew. */
export function FarMark(): null {
  const pane = useStore(({ domNode }) => domNode);
  const far = useStore(({ transform: [, , zoom] }) =>
    zoom < WORDS ? 'words' : zoom < TITLE ? 'title' : '',
  );
  useEffect(() => {
    if (pane) pane.dataset.far = far;
  }, [pane, far]);
  return null;
}

import { shapePath, type HotspotElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { BodyProps } from '../kind';

/** Not to be seen; only the shape itself takes a click or a finger. */
export function Body({ element }: BodyProps<HotspotElement>): ReactElement {
  const { shape, box, points } = element;
  const cut = {
    clipPath: `path("${shapePath(shape, box.w, box.h, points)}")`,
    background: 'rgb(0 0 0 / 0.001)',
  };
  return <div className="size-full" style={shape === 'rectangle' ? undefined : cut} />;
}

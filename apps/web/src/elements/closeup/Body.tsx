import type { CloseUpElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { ShapeOutline } from '../../parts/ShapeOutline';
import type { BodyProps } from '../kind';

export function Body({ element, theme }: BodyProps<CloseUpElement>): ReactElement | null {
  const { isSeen, shape, points, box, outline } = element;
  return isSeen ? (
    <ShapeOutline
      shape={shape}
      points={points}
      outline={outline}
      theme={theme}
      w={box.w}
      h={box.h}
    />
  ) : null;
}

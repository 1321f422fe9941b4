import type { Box } from '@gobrel/core';
import type { CSSProperties } from 'react';

/** Where a box stands on its slide. Degrees clockwise. */
export const boxStyle = (box: Box, rotation = 0): CSSProperties => ({
  position: 'absolute',
  left: box.x,
  top: box.y,
  width: box.w,
  height: box.h,
  ...(rotation ? { rotate: `${rotation}deg` } : {}),
});

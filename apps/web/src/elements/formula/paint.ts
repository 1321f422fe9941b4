import { flatTex, type FormulaElement } from '@gobrel/core';
import type { Painter } from '../../painting/canvas';

/** On one line, as large as it fits. */
export const paint: Painter<FormulaElement> = ({ context, theme }, { tex, box, colour }) => {
  const words = flatTex(tex);
  context.font = '400 100px atkinson, sans-serif';
  const { width } = context.measureText(words);
  const size = Math.min(box.h * 0.8, (100 * box.w) / Math.max(1, width));
  context.font = `400 ${size}px atkinson, sans-serif`;
  context.fillStyle = colour || theme.colours.ink;
  context.textAlign = 'center';
  context.fillText(words, box.w / 2, box.h / 2 + size * 0.34);
};

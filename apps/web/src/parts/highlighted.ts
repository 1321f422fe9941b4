import { inkOn } from '@gobrel/core';
import type { CSSProperties } from 'react';

/** What words are highlighted in when no colour was chosen. */
const MARKER = '#f6e3a1';

/**
 * How highlighted words look: in an ink that stands out from the highlight, which may lie on any ground. Words with a
 * colour of their own keep it (see `styles.css`).
 */
export function highlighted(
  colour: string = MARKER,
): CSSProperties & Record<'background' | '--ink', string> {
  return { background: colour, '--ink': inkOn(colour) };
}

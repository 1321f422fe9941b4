import type { Dash } from '@gobrel/core';

/** Lengths of dashes and gaps for a stroke of a weight; none for an unbroken one. */
export const dashLengths = (dash: Dash, weight: number): number[] =>
  dash === 'solid' ? [] : dash === 'dotted' ? [0, weight * 2.2] : [weight * 3, weight * 2.2];

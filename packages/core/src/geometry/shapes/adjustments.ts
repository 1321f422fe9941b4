import type { Adjustment } from './kind.js';

/** A grip that runs along the upper edge, its value a share of the width. */
export const acrossTop = (label: string, standard: number, low = 0, high = 1): Adjustment => ({
  label,
  standard,
  low,
  high,
  grip: (w, _h, [share = standard]) => ({ x: w * share, y: 0 }),
  value: (w, _h, { x }) => x / w,
});

/** A grip that runs down the left edge, its value a share of the height. */
export const downLeft = (label: string, standard: number, low = 0, high = 1): Adjustment => ({
  label,
  standard,
  low,
  high,
  grip: (_w, h, [share = standard]) => ({ x: 0, y: h * share }),
  value: (_w, h, { y }) => y / h,
});

/** A grip that runs along the upper edge, its value a share of the shorter side. */
export const ofShorter = (label: string, standard: number, high = 0.5): Adjustment => ({
  label,
  standard,
  low: 0,
  high,
  grip: (w, h, [share = standard]) => ({ x: Math.min(w, h) * share, y: 0 }),
  value: (w, h, { x }) => x / Math.min(w, h),
});

/** A grip that runs from the middle of the upper edge inwards; its value is the share that is left inside. */
export const inwards = (label: string, standard: number, low = 0.05, high = 0.95): Adjustment => ({
  label,
  standard,
  low,
  high,
  grip: (w, h, [share = standard]) => ({ x: w / 2, y: (h / 2) * (1 - share) }),
  value: (_w, h, { y }) => 1 - y / (h / 2),
});

/** A whole number set by a grip that runs along the lower edge; it is the adjustment at `index`. */
export const countBelow = (
  label: string,
  standard: number,
  low: number,
  high: number,
  index = 0,
): Adjustment => ({
  label,
  standard,
  low,
  high,
  isWhole: true,
  grip: (w, h, values) => ({
    x: (w * ((values[index] ?? standard) - low)) / (high - low),
    y: h,
  }),
  value: (w, _h, { x }) => low + (x / w) * (high - low),
});

/** An angle in degrees, clockwise from the right, on the rim of the box's ellipse; it is the adjustment at `index`. */
export const onRim = (label: string, standard: number, index: number): Adjustment => ({
  label,
  standard,
  low: 0,
  high: 360,
  grip: (w, h, values) => {
    const turn = ((values[index] ?? standard) * Math.PI) / 180;
    return { x: w / 2 + (w / 2) * Math.cos(turn), y: h / 2 + (h / 2) * Math.sin(turn) };
  },
  value: (w, h, { x, y }) => {
    const turn = (Math.atan2((y - h / 2) / h, (x - w / 2) / w) * 180) / Math.PI;
    return (turn + 360) % 360;
  },
});

/** A point at the right end, set by a grip on the upper edge; its value is its length as a share of the height. */
export const pointOnRight = (label: string, standard: number, low: number): Adjustment => ({
  label,
  standard,
  low,
  high: 3,
  grip: (w, h, [length = standard]) => ({ x: Math.max(0, w - length * h), y: 0 }),
  value: (w, h, { x }) => (w - x) / h,
});

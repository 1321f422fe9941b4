/** How one slide gives way to the next: at once, through each other, like a page, or the way that the wire goes. */
export const TURNS = ['cut', 'fade', 'page', 'travel'] as const;
export type Turn = (typeof TURNS)[number];

/** Null where it is none of ours. */
export const readTurn = (value: unknown): Turn | null =>
  TURNS.find((turn) => turn === value) ?? null;

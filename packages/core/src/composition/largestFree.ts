import type { Box } from '../parts/place.js';

/**
 * The largest upright rectangle within a room that keeps clear of boxes by a distance, in slide units; null where
 * nothing is left. Its edges are those of the room and of the boxes, so all of them are tried: O(n³) with n boxes, of
 * which the first forty count.
 */
export function largestFree(room: Box, boxes: readonly Box[], clear: number): Box | null {
  const taken = boxes.slice(0, 40).map(({ x, y, w, h }) => ({
    left: x - clear,
    top: y - clear,
    right: x + w + clear,
    bottom: y + h + clear,
  }));
  const [right, bottom] = [room.x + room.w, room.y + room.h];
  const tops = [room.y, ...taken.map((box) => box.bottom)].filter((y) => y >= room.y && y < bottom);
  const bottoms = [bottom, ...taken.map((box) => box.top)].filter((y) => y > room.y && y <= bottom);
  let best: Box | null = null;
  for (const top of tops) {
    for (const foot of bottoms) {
      const h = foot - top;
      if (h <= 0 || (best && h * room.w <= best.w * best.h)) continue;
      // Across this band: the widest gap between what reaches into it.
      const inBand = taken
        .filter((box) => box.top < foot && box.bottom > top)
        .sort((a, b) => a.left - b.left);
      let from = room.x;
      for (const { left, right: to } of [...inBand, { left: right, right }]) {
        const w = Math.min(left, right) - from;
        if (w > 0 && (!best || w * h > best.w * best.h)) best = { x: from, y: top, w, h };
        from = Math.max(from, to);
      }
    }
  }
  return best;
}

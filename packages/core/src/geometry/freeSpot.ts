import { STAGE, type Box } from '../parts/place.js';
import { meets } from './transform.js';

/** How close together spots are tried, in slide units. */
const STEP = 16;

/**
 * The spot nearest to where a box lies at which it meets none of the others, on the stage and as far from its edge as
 * `margin` says, in slide units; null when there is none.
 */
export function freeSpot({ x, y, w, h }: Box, others: readonly Box[], margin = 0): Box | null {
  let best: Box | null = null;
  let least = Infinity;
  for (let top = margin; top + h <= STAGE.height - margin; top += STEP) {
    for (let left = margin; left + w <= STAGE.width - margin; left += STEP) {
      const distance = Math.hypot(left - x, top - y);
      if (distance >= least) continue;
      const spot = { x: left, y: top, w, h };
      if (others.some((other) => meets(spot, other))) continue;
      [best, least] = [spot, distance];
    }
  }
  return best;
}

import { type OptionId, idOf } from '../../parts/ids.js';
import type { Marking } from '../kind.js';
import { bump, shuffled } from '../values.js';
import type { OrderAnswer, OrderKey, OrderQuestion } from './order.js';

export interface OrderTally {
  kind: 'order';
  answered: number;
  /** How many put each item at each place: `id place`, places from 0. */
  places: Record<string, number>;
  /** How many gave each order: ids joined by spaces. */
  orders: Record<string, number>;
}

export const orderMarking: Marking<OrderQuestion, OrderKey, OrderAnswer, OrderTally> = {
  mark(_question, key, { itemIds }) {
    const right = key.itemIds;
    switch (key.credit) {
      case 'exact':
        return right.every((id, place) => itemIds[place] === id) ? 1 : 0;
      case 'pairs': {
        const kept = right
          .slice(1)
          .filter((id, place) => itemIds.indexOf(id) === itemIds.indexOf(right[place]!) + 1);
        return kept.length / Math.max(1, right.length - 1);
      }
      case 'rank': {
        // Spearman's footrule: the distances from the right places, of the most that they can be.
        const far = right.reduce(
          (sum, id, place) => sum + Math.abs(itemIds.indexOf(id) - place),
          0,
        );
        return 1 - far / Math.max(1, Math.floor((right.length * right.length) / 2));
      }
    }
  },

  emptyTally: () => ({ kind: 'order', answered: 0, places: {}, orders: {} }),

  count(tally, { itemIds }, by) {
    tally.answered += by;
    itemIds.forEach((id, place) => bump(tally.places, `${id} ${place}`, by));
    bump(tally.orders, itemIds.join(' '), by);
  },

  sample({ items }, key, wantsRight, random) {
    const ids = items.map(({ id }) => id);
    const right = key && key.itemIds.length === ids.length ? [...key.itemIds] : ids;
    if (wantsRight || right.length < 2) return { kind: 'order', itemIds: right };
    // Near misses are commoner than chaos.
    if (random(3) > 0) {
      const at = random(right.length - 1);
      [right[at], right[at + 1]] = [right[at + 1]!, right[at]!];
      return { kind: 'order', itemIds: right };
    }
    return { kind: 'order', itemIds: shuffled(right, String(random(1_000_000))) };
  },
};

/** The mean place of every item, from 1, the first on the average before the last. */
export function meanPlaces(tally: OrderTally): { id: OptionId; mean: number }[] {
  const sums = new Map<OptionId, number>();
  for (const [entry, count] of Object.entries(tally.places)) {
    const [item = '', place = '0'] = entry.split(' ');
    const id = idOf<OptionId>(item);
    sums.set(id, (sums.get(id) ?? 0) + count * (Number(place) + 1));
  }
  return [...sums]
    .map(([id, sum]) => ({ id, mean: sum / Math.max(1, tally.answered) }))
    .sort((a, b) => a.mean - b.mean || (a.id < b.id ? -1 : 1));
}

/**
 * How far those who ordered agree: Kendall's coefficient of concordance W, from 0 to 1, for m orders of n things without
 * ties: 12 S / (m² (n³ − n)), S being the squared deviations of the things' place sums from their mean
 * (Kendall and Babington Smith, 1939). Undefined for fewer than two orders or two things.
 */
export function agreement(tally: OrderTally): number | undefined {
  const means = meanPlaces(tally);
  const [m, n] = [tally.answered, means.length];
  if (m < 2 || n < 2) return undefined;
  const middle = (m * (n + 1)) / 2;
  const spread = means.reduce((sum, { mean }) => sum + (mean * m - middle) ** 2, 0);
  return (12 * spread) / (m * m * (n ** 3 - n));
}

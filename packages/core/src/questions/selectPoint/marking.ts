import { heightsOf, isInside, THOUSANDTH, type Area, type Spot } from '../areas.js';
import type { Marking } from '../kind.js';
import { bump, clamp } from '../values.js';
import type { SelectPointAnswer, SelectPointKey, SelectPointQuestion } from './selectPoint.js';

export interface SelectPointTally {
  kind: 'selectPoint';
  answered: number;
  /** How many markers lie at each place: `x y` in thousandths of the picture. */
  spots: Record<string, number>;
}

export const selectPointMarking: Marking<
  SelectPointQuestion,
  SelectPointKey,
  SelectPointAnswer,
  SelectPointTally
> = {
  /**
   * With areas: the weights of those that hold a marker, each once, of the most that so many markers could earn.
   * With a target: how near the nearest marker comes, falling evenly from `near` to `far`, both in shares of the
   * picture's width, across and down.
   */
  mark(question, key, { spots }, shape) {
    const { marker } = question;
    if (key.target) {
      const { x, y, near, far } = key.target;
      const nearest = Math.min(
        ...spots.map((spot) =>
          Math.hypot(marker === 'line' ? 0 : spot.x - x, (spot.y - y) * shape),
        ),
      );
      if (nearest <= near) return 1;
      return nearest >= far || far <= near ? 0 : (far - nearest) / (far - near);
    }
    const holds = (area: Area): boolean => spots.some((spot) => isOn(area, spot, marker));
    const earned = key.areas.filter(holds).reduce((sum, { weight }) => sum + weight, 0);
    const worth = key.areas.map(({ weight }) => Math.max(0, weight)).sort((a, b) => b - a);
    const best = worth.slice(0, question.most).reduce((sum, weight) => sum + weight, 0);
    return best > 0 ? clamp(earned / best, 0, 1) : 0;
  },

  emptyTally: () => ({ kind: 'selectPoint', answered: 0, spots: {} }),

  count(tally, { spots }, by) {
    tally.answered += by;
    for (const { x, y } of spots) {
      bump(tally.spots, `${Math.round(x * THOUSANDTH)} ${Math.round(y * THOUSANDTH)}`, by);
    }
  },

  sample({ most }, key, wantsRight, random) {
    const near = (value: number, reach: number): number =>
      clamp(value + ((random(201) - 100) / 100) * reach, 0, 1);
    const areas = (key?.areas ?? []).filter(({ weight }) => weight > 0);
    const spots = Array.from({ length: Math.max(1, Math.min(most, areas.length)) }, (_, index) => {
      if (wantsRight && key?.target) {
        const { x, y, near: reach } = key.target;
        return { x: near(x, reach / 2), y: near(y, reach / 2) };
      }
      const area = areas[index];
      if (!wantsRight || !area) return { x: random(1001) / 1000, y: random(1001) / 1000 };
      return { x: near(area.x + area.w / 2, area.w / 6), y: near(area.y + area.h / 2, area.h / 6) };
    });
    return {
      kind: 'selectPoint',
      spots: spots.map(({ x, y }) => ({
        x: Math.round(x * THOUSANDTH) / THOUSANDTH,
        y: Math.round(y * THOUSANDTH) / THOUSANDTH,
      })),
    };
  },
};

/** Whether a marker lies in an area; a line across the picture does at any height of it. */
export function isOn(area: Area, spot: Spot, marker: SelectPointQuestion['marker']): boolean {
  if (marker !== 'line') return isInside(area, spot);
  const [top, bottom] = heightsOf(area);
  return spot.y >= top && spot.y <= bottom;
}

/** All markers of a tally, each as often as it was put. */
export const spotsOf = (tally: SelectPointTally): Spot[] =>
  Object.entries(tally.spots).flatMap(([place, count]) => {
    const [x = 0, y = 0] = place.split(' ').map((number) => Number(number) / THOUSANDTH);
    return Array.from({ length: count }, () => ({ x, y }));
  });

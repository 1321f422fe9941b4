import type { Marking } from '../kind.js';
import { bump, partialCredit } from '../values.js';
import type { HotspotAnswer, HotspotKey, HotspotQuestion } from './hotspot.js';

export interface HotspotTally {
  kind: 'hotspot';
  answered: number;
  picks: Record<string, number>;
}

export const hotspotMarking: Marking<HotspotQuestion, HotspotKey, HotspotAnswer, HotspotTally> = {
  mark(question, key, { areaIds }) {
    const right = new Set(key.areaIds);
    if (key.isPartial) return partialCredit(areaIds, right, question.areas.length);
    return right.size === areaIds.length && areaIds.every((id) => right.has(id)) ? 1 : 0;
  },

  impossible(question, key) {
    const right = key.areaIds.length;
    if (right <= question.most) return null;
    return {
      why: `${right} areas are right, but only ${question.most} may be picked.`,
      mend: { label: `Let ${right} be picked`, question: { ...question, most: right } },
    };
  },

  emptyTally: () => ({ kind: 'hotspot', answered: 0, picks: {} }),

  count(tally, { areaIds }, by) {
    tally.answered += by;
    for (const id of areaIds) bump(tally.picks, id, by);
  },

  sample({ areas, most }, key, wantsRight, random) {
    if (wantsRight && key) return { kind: 'hotspot', areaIds: [...key.areaIds] };
    const first = random(Math.max(1, areas.length));
    const picked = areas.slice(first, first + 1 + random(most));
    return { kind: 'hotspot', areaIds: picked.map(({ id }) => id) };
  },
};

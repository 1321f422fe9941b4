import { asBoolean, asList, asNumber } from '../../parts/decode.js';
import { MOST_AREAS, readAreas, type Area } from '../areas.js';
import type { QuestionKind } from '../kind.js';
import { readIds, readPoints } from '../parts.js';

/** QTI's hotspotInteraction: areas of the question's picture are picked. */
export interface HotspotQuestion {
  kind: 'hotspot';
  areas: Area[];
  /** How many may be picked. */
  most: number;
  /** The areas are drawn; otherwise they show themselves when they are picked or reached by keyboard. */
  isOutlined: boolean;
  points: number;
}

export interface HotspotKey {
  kind: 'hotspot';
  areaIds: string[];
  isPartial: boolean;
}

export interface HotspotAnswer {
  kind: 'hotspot';
  areaIds: string[];
}

export const hotspot: QuestionKind<HotspotQuestion, HotspotKey, HotspotAnswer> = {
  kind: 'hotspot',
  label: 'Hotspot',

  fresh: () => ({ kind: 'hotspot', areas: [], most: 1, isOutlined: true, points: 1 }),
  read: (raw) => ({
    kind: 'hotspot',
    areas: readAreas(raw.areas),
    most: Math.round(asNumber(raw.most, 1, 1, MOST_AREAS)),
    isOutlined: asBoolean(raw.isOutlined),
    points: readPoints(raw.points),
  }),

  readKey(raw) {
    const areaIds = readIds(raw.areaIds, MOST_AREAS);
    const isPartial = asBoolean(raw.isPartial);
    return areaIds.length > 0 ? { kind: 'hotspot', areaIds, isPartial } : undefined;
  },

  readAnswer(question, raw) {
    if (!Array.isArray(raw.areaIds)) return undefined;
    const given = asList(raw.areaIds, MOST_AREAS + 1);
    const known = question.areas.map(({ id }) => id);
    if (!given.every((id) => known.includes(id as string))) return undefined;
    const areaIds = known.filter((id) => given.includes(id));
    return areaIds.length <= question.most ? { kind: 'hotspot', areaIds } : undefined;
  },

  isBlank: ({ areaIds }) => areaIds.length === 0,
  lines: () => [],
  isReady: ({ areas }) => areas.length > 0,
};

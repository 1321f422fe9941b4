import { asList, asNumber, asOneOf, asRecord } from '../../parts/decode.js';
import type { QuestionKind } from '../kind.js';
import { MOST_AREAS, readArea, readSpots, type Area, type Spot } from '../areas.js';
import { readPoints } from '../parts.js';

export const MARKERS = ['dot', 'cross', 'line'] as const;

/** QTI's selectPointInteraction: markers on the question's picture. */
export interface SelectPointQuestion {
  kind: 'selectPoint';
  /** A line goes across the whole picture: only its height counts. */
  marker: (typeof MARKERS)[number];
  /** How many markers may be put. */
  most: number;
  points: number;
}

/** Areas and what a marker in each is worth, or a place and how near is near enough. */
export interface SelectPointKey {
  kind: 'selectPoint';
  /** `weight` from −1 to 1: below nothing it costs. */
  areas: (Area & { weight: number })[];
  /** Wholly right within `near`, not at all from `far` on, in shares of the picture's width. */
  target: (Spot & { near: number; far: number }) | null;
}

export interface SelectPointAnswer {
  kind: 'selectPoint';
  spots: Spot[];
}

const MOST_MARKERS = 20;

export const selectPoint: QuestionKind<SelectPointQuestion, SelectPointKey, SelectPointAnswer> = {
  kind: 'selectPoint',
  label: 'Select point',

  fresh: () => ({ kind: 'selectPoint', marker: 'dot', most: 1, points: 1 }),
  read: (raw) => ({
    kind: 'selectPoint',
    marker: asOneOf(raw.marker, MARKERS, 'dot'),
    most: Math.round(asNumber(raw.most, 1, 1, MOST_MARKERS)),
    points: readPoints(raw.points),
  }),

  readKey(raw) {
    const areas = asList(raw.areas, MOST_AREAS).flatMap((entry) => {
      const area = readArea(entry);
      return area ? [{ ...area, weight: asNumber(asRecord(entry).weight, 1, -1, 1) }] : [];
    });
    const { x, y, near, far } = asRecord(raw.target);
    const target =
      typeof x === 'number' && typeof y === 'number'
        ? {
            x: asNumber(x, 0, 0, 1),
            y: asNumber(y, 0, 0, 1),
            near: asNumber(near, 0.05, 0, 1),
            far: asNumber(far, 0.2, 0, 2),
          }
        : null;
    return areas.length > 0 || target ? { kind: 'selectPoint', areas, target } : undefined;
  },

  readAnswer(question, raw) {
    const spots = readSpots(raw.spots, question.most);
    return spots && { kind: 'selectPoint', spots };
  },

  isBlank: ({ spots }) => spots.length === 0,
  lines: () => [],
};

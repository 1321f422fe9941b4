import type { SlideId } from '../parts/ids.js';
import { quantile, spreadOf, type Bin } from './spread.js';

/** A figure with the number of students it rests on; of too few there is none, only how many it would take. */
export type Figure =
  { value: number; students: number } | { value: null; students: number; needed: number };

/** Fewer students than this say nothing about a question. */
export const ENOUGH = { facility: 5, discrimination: 10, groups: 20, alpha: 10 } as const;

export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Half of the values lie above it; of none it is not a number. */
export const medianOf = (values: readonly number[]): number =>
  quantile(
    [...values].sort((a, b) => a - b),
    0.5,
  );

/** The variance of a whole group: squared deviations over their number. */
export function variance(values: readonly number[]): number {
  const middle = mean(values);
  return mean(values.map((value) => (value - middle) ** 2));
}

/** Pearson's product-moment correlation; undefined where one side does not vary. */
export function correlation(xs: readonly number[], ys: readonly number[]): number | undefined {
  const [mx, my] = [mean(xs), mean(ys)];
  const together = xs.reduce((sum, x, index) => sum + (x - mx) * (ys[index]! - my), 0);
  const [sx, sy] = [variance(xs), variance(ys)];
  if (!(sx > 1e-12) || !(sy > 1e-12)) return undefined;
  return together / xs.length / Math.sqrt(sx * sy);
}

/** Marks of a lesson: students by questions, from 0 to 1; null where nothing was given or nobody has marked it. */
export interface MarkTable {
  questionIds: readonly string[];
  points: readonly number[];
  rows: readonly (readonly (number | null)[])[];
  /** Whether the route of each student led to each question; all did where this is left out. */
  met?: readonly (readonly boolean[])[];
}

/** What each student earned in all, in points; what is missing earns nothing. */
export const totalsOf = ({ rows, points }: MarkTable): number[] =>
  rows.map((row) => row.reduce<number>((sum, mark, at) => sum + (mark ?? 0) * points[at]!, 0));

/** Facility: the mean share of the points, of those who answered. 1 is that all were right. */
export function facility(table: MarkTable, at: number): Figure {
  const marks = table.rows.flatMap((row) => row[at] ?? []);
  return marks.length < ENOUGH.facility
    ? { value: null, students: marks.length, needed: ENOUGH.facility }
    : { value: mean(marks), students: marks.length };
}

/** The marks for a question beside what the same students earned in all the others. */
function besideTheRest(table: MarkTable, at: number): { marks: number[]; rest: number[] } {
  const totals = totalsOf(table);
  const answered = table.rows.flatMap((row, index) => {
    const mark = row[at];
    return mark === null || mark === undefined
      ? []
      : [{ mark, rest: totals[index]! - mark * table.points[at]! }];
  });
  return { marks: answered.map(({ mark }) => mark), rest: answered.map(({ rest }) => rest) };
}

/**
 * Discrimination: the point-biserial correlation of the marks for a question with what the same students earned in the
 * other questions (the item–rest correlation, so that a question is not compared with itself).
 */
export function discrimination(table: MarkTable, at: number): Figure {
  const { marks, rest } = besideTheRest(table, at);
  const value = marks.length >= ENOUGH.discrimination ? correlation(marks, rest) : undefined;
  return value === undefined
    ? { value: null, students: marks.length, needed: ENOUGH.discrimination }
    : { value, students: marks.length };
}

/**
 * Upper–lower discrimination (Kelley, 1939): the facility among the upper 27 % by all that they earned, less that among
 * the lower 27 %. Each group is rounded to whole students. Of students who earned the same at the border of a group, those
 * places are shared out equally among all of them: the order of names says nothing.
 */
export function upperLower(table: MarkTable, at: number): Figure {
  const totals = totalsOf(table);
  const answered = table.rows.flatMap((row, index) => {
    const mark = row[at];
    return mark === null || mark === undefined ? [] : [{ mark, total: totals[index]! }];
  });
  if (answered.length < ENOUGH.groups) {
    return { value: null, students: answered.length, needed: ENOUGH.groups };
  }
  const size = Math.max(1, Math.round(answered.length * 0.27));
  const upper = meanOfFirst(
    [...answered].sort((a, b) => b.total - a.total),
    size,
  );
  const lower = meanOfFirst(
    [...answered].sort((a, b) => a.total - b.total),
    size,
  );
  return { value: upper - lower, students: answered.length };
}

/** The mean mark of the first so many; those who tie for the last places are in the group in part. */
function meanOfFirst(ranked: readonly { mark: number; total: number }[], size: number): number {
  const border = ranked[size - 1]!.total;
  const isTied = ({ total }: { total: number }): boolean => Math.abs(total - border) < 1e-9;
  const sure = ranked.slice(0, size).filter((one) => !isTied(one));
  const tied = ranked.filter(isTied);
  const sum = sure.reduce((all, { mark }) => all + mark, 0);
  return (sum + (size - sure.length) * mean(tied.map(({ mark }) => mark))) / size;
}

/**
 * Cronbach's alpha: k / (k − 1) · (1 − Σ variances of the questions / variance of the totals), in points, of the students
 * whose route led to all questions; what those left out earns nothing. Questions without points, and those that nobody
 * has a mark for yet, are not among them (`questionsInAlpha`). It asks for two questions at least and totals that vary.
 */
export function cronbachAlpha(all: MarkTable): Figure {
  const whole = onlyQuestions(all, questionsInAlpha(all));
  const table = { ...whole, rows: whole.rows.filter((_, at) => metAll(whole, at)) };
  const { rows, points, questionIds } = table;
  const k = questionIds.length;
  const none: Figure = { value: null, students: rows.length, needed: ENOUGH.alpha };
  if (rows.length < ENOUGH.alpha || k < 2) return none;
  const ofTotals = variance(totalsOf(table));
  if (!(ofTotals > 1e-12)) return none;
  const parts = points.reduce(
    (sum, worth, at) => sum + variance(rows.map((row) => (row[at] ?? 0) * worth)),
    0,
  );
  return { value: (k / (k - 1)) * (1 - parts / ofTotals), students: rows.length };
}

/** The places of the questions that alpha is reckoned from. */
export const questionsInAlpha = ({ questionIds, points, rows }: MarkTable): number[] =>
  questionIds.flatMap((_, at) =>
    points[at]! > 0 && rows.some((row) => typeof row[at] === 'number') ? [at] : [],
  );

const onlyQuestions = (
  { questionIds, points, rows, met }: MarkTable,
  places: readonly number[],
): MarkTable => ({
  questionIds: places.map((at) => questionIds[at]!),
  points: places.map((at) => points[at]!),
  rows: rows.map((row) => places.map((at) => row[at] ?? null)),
  ...(met ? { met: met.map((row) => places.map((at) => row[at] ?? true)) } : {}),
});

const metAll = ({ rows, met }: MarkTable, at: number): boolean =>
  !met || rows[at]!.every((mark, question) => mark !== null || met[at]![question] === true);

/** Most bars that a chart of sums has one of for each whole number. */
const MOST_WHOLE = 30;

/** How sums are spread: a bin for each whole number where all are whole, otherwise as wide as `spreadOf` says. */
export function binsOfSums(totals: readonly number[]): Bin[] {
  const [least, most] = [Math.min(...totals), Math.max(...totals)];
  if (totals.length > 0 && totals.every(Number.isInteger) && most - least <= MOST_WHOLE) {
    return Array.from({ length: most - least + 1 }, (_, index) => ({
      from: least + index,
      to: least + index,
      count: totals.filter((total) => total === least + index).length,
    }));
  }
  const counts: Record<string, number> = {};
  for (const total of totals) {
    const key = String(Math.round(total * 100) / 100);
    counts[key] = (counts[key] ?? 0) + 1;
  }
  return spreadOf(counts)?.bins ?? [];
}

/** A wrong option and how those who picked it did in the other questions. */
export interface Distractor {
  optionId: string;
  picked: number;
  /** What they earned in the other questions, on the average, less what all did; above nothing it draws the strong. */
  pull: number;
}

/** The wrong options of a choice that draw students who are better than the rest; from three pickers on. */
export function strongDistractors(
  table: MarkTable,
  at: number,
  picks: readonly (readonly string[] | null)[],
  key: readonly string[],
): Distractor[] {
  const totals = totalsOf(table);
  const others = table.rows.flatMap((row, index) => {
    const picked = picks[index];
    const rest = totals[index]! - (row[at] ?? 0) * table.points[at]!;
    return picked ? [{ picked, rest }] : [];
  });
  if (others.length < ENOUGH.discrimination) return [];
  const usual = mean(others.map(({ rest }) => rest));
  const wrong = new Set(others.flatMap(({ picked }) => picked).filter((id) => !key.includes(id)));
  return [...wrong]
    .flatMap((optionId): Distractor[] => {
      const drawn = others.filter(({ picked }) => picked.includes(optionId));
      const pull = mean(drawn.map(({ rest }) => rest)) - usual;
      return drawn.length >= 3 && pull > 0 ? [{ optionId, picked: drawn.length, pull }] : [];
    })
    .sort((a, b) => b.pull - a.pull);
}

/** One step of a walk, as results know it: milliseconds since 1970. */
export interface WalkStep {
  slideId: SlideId;
  at: number;
  via: string;
}

/** Longer than this nobody looks at a slide: the device was put away. Milliseconds. */
const AWAY = 30 * 60_000;

export interface SlideTimes {
  slideId: SlideId;
  /** Median milliseconds between coming and going on, of all visits that were followed by another. */
  median: number;
  visits: number;
  /** How often somebody went back from here. */
  turnedBack: number;
  /** Whose walk stopped here. */
  stopped: number;
}

/** What walks say of each slide that was walked. */
export function slideTimes(walks: readonly (readonly WalkStep[])[]): SlideTimes[] {
  const stays = new Map<SlideId, number[]>();
  const counts = new Map<SlideId, { visits: number; turnedBack: number; stopped: number }>();
  for (const walk of walks) {
    walk.forEach((step, index) => {
      const next = walk[index + 1];
      const count = counts.get(step.slideId) ?? { visits: 0, turnedBack: 0, stopped: 0 };
      count.visits += 1;
      if (!next) count.stopped += 1;
      if (next?.via === 'back') count.turnedBack += 1;
      counts.set(step.slideId, count);
      const stay = next ? next.at - step.at : -1;
      if (stay >= 0 && stay <= AWAY) {
        stays.set(step.slideId, [...(stays.get(step.slideId) ?? []), stay]);
      }
    });
  }
  return [...counts].map(([slideId, count]) => {
    const sorted = (stays.get(slideId) ?? []).sort((a, b) => a - b);
    return { slideId, ...count, median: sorted.length > 0 ? quantile(sorted, 0.5) : 0 };
  });
}

/** How often each way was walked, by the identity of its link. */
export function walkCounts(walks: readonly (readonly WalkStep[])[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { via } of walks.flat()) {
    if (['start', 'back', 'teacher'].includes(via)) continue;
    counts[via] = (counts[via] ?? 0) + 1;
  }
  return counts;
}

import type * as Y from 'yjs';
import { asBoolean, asNumber, asRecord, asString } from '../parts/decode.js';
import {
  asId,
  entryAt,
  type ElementId,
  type LinkId,
  type SlideId,
  type TrailId,
} from '../parts/ids.js';
import { readStrokes, type InkStroke } from '../parts/ink.js';
import type { ShownStep } from '../map/walking.js';
import type { Point } from '../geometry/Pen.js';
import { STAGE } from '../parts/place.js';

/**
 * A show that several devices see, in the read-only document `show:<id>`: map `show`. The server makes it from what the
 * devices that steer say (`Steering`), so that all of them, and everybody who follows, are told the same in one order.
 */

/** Where a show is. */
export interface ShowPlace {
  /** The latest steps of the walk. */
  walk: ShownStep[];
  /** The trail that was chosen for it; null for none. */
  trailId: TrailId | null;
  /** The close-up that it has flown into; null for the whole slide. */
  closeUpId: ElementId | null;
  /** Nothing is to be seen for a while. */
  isBlack: boolean;
}

/** Which device brought a show where it is, and for the how manieth time: it knows by this what it has said itself. */
export interface Saying {
  by: string;
  count: number;
}

export interface RunningShow {
  place: (ShowPlace & Saying) | null;
  /** What followers are given of the deck; another word when that is another edition. */
  version: string;
  /** It is over; where the deck can be read from now on, if it can. */
  ended: { readAt: string | null } | null;
  ink: Readonly<Record<SlideId, InkStroke[]>>;
}

/** What a device that steers says. */
export type Steering =
  | ({ kind: 'place' } & ShowPlace & Saying)
  /** Where the presenter points, in units of the stage; null when the pointer is put away. */
  | { kind: 'point'; at: Point | null }
  | { kind: 'stroke'; slideId: SlideId; stroke: InkStroke }
  | { kind: 'wipe'; slideId: SlideId };

/** What devices that steer are told besides. Milliseconds. */
export interface Timing {
  /** Devices that follow. */
  followers: number;
  startedAt: number;
  /** For how long each slide was shown before it came now. */
  spent: Record<SlideId, number>;
  /** When the present slide came, by the server's clock, and what that says now. */
  since: number;
  now: number;
}

/** What everybody in a show is told beside its document. */
export type ShowTold =
  { kind: 'point'; at: Point | null } | ({ kind: 'timing' } & Timing) | { kind: 'none' };

const MOST_STEPS = 300;
const MOST_STROKES_PER_SLIDE = 200;
const MOST_STROKES = 2000;
/** Letters of one saying. */
export const LONGEST_SAYING = 120_000;

const WITHOUT_LINK = ['start', 'trail', 'jump'] as const;

function readStep(value: unknown): ShownStep[] {
  const { slideId, via, stop, spotId, shown } = asRecord(value);
  const slide = asId<SlideId>(slideId);
  const known = WITHOUT_LINK.find((word) => word === via) ?? asId<LinkId>(via);
  if (!slide || !known) return [];
  const spot = asId<ElementId>(spotId);
  return [
    {
      slideId: slide,
      via: known,
      ...(typeof stop === 'number' ? { stop: Math.floor(asNumber(stop, 0, 0, 100_000)) } : {}),
      ...(spot ? { spotId: spot } : {}),
      ...(typeof shown === 'number' ? { shown: Math.floor(asNumber(shown, 0, 0, 1000)) } : {}),
    },
  ];
}

export function readPlace(value: unknown): (ShowPlace & Saying) | null {
  const { walk, trailId, closeUpId, isBlack, by, count } = asRecord(value);
  const steps = Array.isArray(walk) ? walk.slice(-MOST_STEPS).flatMap(readStep) : [];
  if (steps.length === 0) return null;
  return {
    walk: steps,
    trailId: asId<TrailId>(trailId),
    closeUpId: asId<ElementId>(closeUpId),
    isBlack: asBoolean(isBlack),
    by: asString(by).slice(0, 64),
    count: asNumber(count, 0, 0, Number.MAX_SAFE_INTEGER),
  };
}

function readPoint(value: unknown): Point | null {
  const { x, y } = asRecord(value);
  if (typeof x !== 'number' || typeof y !== 'number') return null;
  return { x: asNumber(x, 0, 0, STAGE.width), y: asNumber(y, 0, 0, STAGE.height) };
}

const parsed = (words: string): unknown => {
  try {
    return JSON.parse(words);
  } catch {
    return null;
  }
};

/** What was said, from whatever a device sends; null for what is not understood. */
export function readSteering(words: string): Steering | null {
  if (words.length > LONGEST_SAYING) return null;
  const said = asRecord(parsed(words));
  const slideId = asId<SlideId>(said.slideId);
  switch (said.kind) {
    case 'place': {
      const place = readPlace(said);
      return place && { kind: 'place', ...place };
    }
    case 'point':
      return { kind: 'point', at: readPoint(said.at) };
    case 'stroke': {
      const [stroke] = readStrokes([said.stroke]);
      return slideId && stroke ? { kind: 'stroke', slideId, stroke } : null;
    }
    case 'wipe':
      return slideId && { kind: 'wipe', slideId };
    default:
      return null;
  }
}

const ofShow = (doc: Y.Doc): Y.Map<unknown> => doc.getMap('show');
const inkKey = (slideId: SlideId): string => `ink ${slideId} `;

/** Does what was said to a document of a show. What is more than a show holds is not taken. */
export function steer(doc: Y.Doc, said: Steering): void {
  const map = ofShow(doc);
  if (said.kind === 'place') {
    const { walk, trailId, closeUpId, isBlack, by, count } = said;
    map.set('place', { walk, trailId, closeUpId, isBlack, by, count });
  } else if (said.kind === 'stroke') {
    const drawn = [...map.keys()].filter((key) => key.startsWith('ink '));
    const here = drawn.filter((key) => key.startsWith(inkKey(said.slideId)));
    if (drawn.length >= MOST_STROKES || here.length >= MOST_STROKES_PER_SLIDE) return;
    const numbers = here.map((key) => Number(key.slice(inkKey(said.slideId).length)));
    map.set(`${inkKey(said.slideId)}${Math.max(-1, ...numbers) + 1}`, said.stroke);
  } else if (said.kind === 'wipe') {
    doc.transact(() => {
      for (const key of [...map.keys()]) if (key.startsWith(inkKey(said.slideId))) map.delete(key);
    });
  }
}

/** What the server itself says of a show. */
export function tellShow(
  doc: Y.Doc,
  told: { version?: string; ended?: { readAt: string | null } },
): void {
  const map = ofShow(doc);
  doc.transact(() => {
    for (const [key, value] of Object.entries(told)) map.set(key, value);
  });
}

/** Fills a document that was made anew with where its show was. */
export function restoreShow(doc: Y.Doc, place: unknown): void {
  const known = readPlace(place);
  if (known && !ofShow(doc).has('place')) ofShow(doc).set('place', known);
}

export function readShow(doc: Y.Doc): RunningShow {
  const map = ofShow(doc);
  const ended = map.get('ended');
  const ink: Record<SlideId, InkStroke[]> = {};
  const strokes = [...map.keys()].flatMap((key) => {
    const [, slideId, number] = /^ink (\S+) (\d+)$/.exec(key) ?? [];
    const id = asId<SlideId>(slideId);
    return id ? [{ id, number: Number(number), key }] : [];
  });
  for (const { id, key } of strokes.sort((a, b) => a.number - b.number)) {
    (ink[id] ??= []).push(...readStrokes([map.get(key)]));
  }
  const readAt = asRecord(ended).readAt;
  return {
    place: readPlace(map.get('place')),
    version: asString(map.get('version')),
    ended: ended === undefined ? null : { readAt: typeof readAt === 'string' ? readAt : null },
    ink,
  };
}

/** What everybody is told of the pointer, and those who steer of the time. */
export function readShowTold(words: string): ShowTold {
  const said = asRecord(parsed(words.slice(0, LONGEST_SAYING)));
  if (said.kind === 'point') return { kind: 'point', at: readPoint(said.at) };
  if (said.kind !== 'timing') return { kind: 'none' };
  const time = (value: unknown): number => asNumber(value, 0, 0, Number.MAX_SAFE_INTEGER);
  const spent: Record<SlideId, number> = {};
  for (const [key, value] of Object.entries(asRecord(said.spent)).slice(0, 5000)) {
    const id = asId<SlideId>(key);
    if (id) spent[id] = time(value);
  }
  return {
    kind: 'timing',
    followers: time(said.followers),
    startedAt: time(said.startedAt),
    spent,
    since: time(said.since),
    now: time(said.now),
  };
}

/** The slide that a show is on. */
export const shownSlide = (place: ShowPlace | null): SlideId | null =>
  place?.walk.at(-1)?.slideId ?? null;

/** How long a section, or what lies in none, has been shown: the present slide counts up to `now`. Milliseconds. */
export function spentIn(
  timing: Timing,
  sectionOf: (slideId: SlideId) => string | null,
  here: SlideId | null,
  now: number,
): Map<string | null, number> {
  const all = new Map<string | null, number>();
  const add = (slideId: SlideId, time: number): void => {
    const section = sectionOf(slideId);
    all.set(section, (all.get(section) ?? 0) + time);
  };
  for (const slideId of Object.keys(timing.spent) as SlideId[]) {
    add(slideId, entryAt(timing.spent, slideId) ?? 0);
  }
  if (here) add(here, Math.max(0, now - timing.since));
  return all;
}

/** Steps that are kept of a walk, the latest ones. */
export const latestSteps = (walk: readonly ShownStep[]): ShownStep[] => walk.slice(-MOST_STEPS);

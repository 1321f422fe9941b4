import { command, type Plan, UNCHANGED } from '../command.js';
import { generateKeyBetween } from 'fractional-indexing';
import * as Y from 'yjs';
import { newId, type ElementId, type SlideId, type StopId, type TrailId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { deckMap, slidesMap, trailsMap, elementOf } from '../document.js';
import { readDeck } from '../readDeck.js';
import { asRecord, asString } from '../../parts/decode.js';
import { TINTS, type Tint, type Trail } from '../types.js';

const MOST_STOPS = 2000;
const MOST_TRAILS = 40;

function trailOf(doc: Y.Doc, trailId: TrailId): Y.Map<unknown> | undefined {
  const trail = trailsMap(doc).get(trailId);
  return trail instanceof Y.Map ? trail : undefined;
}

function stopsOf(trail: Y.Map<unknown>): Y.Array<unknown> {
  const stops = trail.get('stops');
  if (stops instanceof Y.Array) return stops;
  const fresh = new Y.Array<unknown>();
  trail.set('stops', fresh);
  return fresh;
}

const stopAt = (
  slideId: SlideId,
  closeUpId?: ElementId,
): { id: StopId; slideId: SlideId; closeUpId?: ElementId } => ({
  id: newId(),
  slideId,
  ...(closeUpId ? { closeUpId } : {}),
});

/**
 * A new trail behind the others; the first one of a deck becomes its default.
 * Refused: `trail.name`, `trail.tooMany`.
 */
export const addTrail = command(
  'addTrail',
  'deck:write',
  (
    doc: Y.Doc,
    args: {
      id?: TrailId;
      name: string;
      tint?: Tint;
      slideIds?: SlideId[];
      followsLinks?: boolean;
    },
  ): Plan<{ trailId: TrailId }> => {
    const trailId: TrailId = args.id ?? newId();
    const name = args.name.trim().slice(0, 200);
    if (name === '') return refuse('trail.name');
    if (trailsMap(doc).size >= MOST_TRAILS) return refuse('trail.tooMany', { most: MOST_TRAILS });
    const deck = readDeck(doc);
    const last = [...trailsMap(doc).values()]
      .map((trail) => (trail instanceof Y.Map ? asString(trail.get('order'), 'a0') : 'a0'))
      .sort()
      .at(-1);
    return () => {
      const trail = new Y.Map<unknown>();
      trailsMap(doc).set(trailId, trail);
      trail.set('name', name);
      trail.set('tint', args.tint ?? TINTS[deck.trails.length % TINTS.length]);
      trail.set('order', generateKeyBetween(last ?? null, null));
      trail.set('followsLinks', args.followsLinks ?? false);
      stopsOf(trail).push((args.slideIds ?? []).map((slideId) => stopAt(slideId)));
      if (deck.trails.length === 0) deckMap(doc).set('defaultTrailId', trailId);
      return { trailId };
    };
  },
);

/**
 * Adds a stop at the end, or before the stop at `index`. A trail may pass a slide more than once.
 * Refused: `slide.gone`, `trail.full`, `trail.gone`.
 */
export const addStop = command(
  'addStop',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId, slideId: SlideId, index?: number): Plan => {
    const trail = trailOf(doc, trailId);
    if (!trail) return refuse('trail.gone');
    if (!slidesMap(doc).has(slideId)) return refuse('slide.gone');
    const stops = stopsOf(trail);
    if (stops.length >= MOST_STOPS) return refuse('trail.full', { most: MOST_STOPS });
    const at = Math.max(0, Math.min(index ?? stops.length, stops.length));
    return () => {
      stops.insert(at, [stopAt(slideId)]);
    };
  },
);

/**
 * Adds a stop at a close-up: after the last stop on its slide, or at the end of a trail that does not pass that.
 * Refused: `closeUp.gone`, `trail.full`, `trail.gone`.
 */
export const addCloseUpStop = command(
  'addCloseUpStop',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId, slideId: SlideId, closeUpId: ElementId): Plan => {
    const trail = trailOf(doc, trailId);
    if (!trail) return refuse('trail.gone');
    const closeUp = elementOf(doc, slideId, closeUpId);
    if (closeUp?.get('kind') !== 'closeup') return refuse('closeUp.gone');
    const stops = stopsOf(trail);
    if (stops.length >= MOST_STOPS) return refuse('trail.full', { most: MOST_STOPS });
    const last = stops.toArray().findLastIndex((stop) => asRecord(stop).slideId === slideId);
    const at = last < 0 ? stops.length : last + 1;
    return () => {
      stops.insert(at, [stopAt(slideId, closeUpId)]);
    };
  },
);

/** Where a stop is: of two places that it was moved to at once, the one that is read. */
const indexOf = (stops: Y.Array<unknown>, stopId: StopId): number =>
  stops.toArray().findLastIndex((stop) => asRecord(stop).id === stopId);

function takeOut(stops: Y.Array<unknown>, stopId: StopId): void {
  for (let at = indexOf(stops, stopId); at >= 0; at = indexOf(stops, stopId)) stops.delete(at);
}

/** Refused: `stop.gone`. */
export const removeStop = command(
  'removeStop',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId, stopId: StopId): Plan => {
    const trail = trailOf(doc, trailId);
    const stops = trail && stopsOf(trail);
    if (!stops || indexOf(stops, stopId) < 0) {
      return refuse('stop.gone');
    }
    return () => {
      takeOut(stops, stopId);
    };
  },
);

/**
 * Moves a stop so that it comes before the one named, or to the end.
 * Refused: `stop.gone`.
 */
export const moveStop = command(
  'moveStop',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId, stopId: StopId, before: StopId | null): Plan => {
    const trail = trailOf(doc, trailId);
    const stops = trail && stopsOf(trail);
    const from = stops ? indexOf(stops, stopId) : -1;
    if (!stops || from < 0) return refuse('stop.gone');
    if (before === stopId) return UNCHANGED;
    return () => {
      const stop = stops.get(from);
      takeOut(stops, stopId);
      const to = before === null ? -1 : indexOf(stops, before);
      stops.insert(to < 0 ? stops.length : to, [stop]);
    };
  },
);

/** Refused: `trail.gone`, `trail.name`. */
export const setTrail = command(
  'setTrail',
  'deck:write',
  (
    doc: Y.Doc,
    trailId: TrailId,
    settings: { name?: string; tint?: Tint; followsLinks?: boolean },
  ): Plan => {
    const trail = trailOf(doc, trailId);
    if (!trail) return refuse('trail.gone');
    const name = settings.name?.trim().slice(0, 200);
    if (name === '') return refuse('trail.name');
    return () => {
      if (name !== undefined) trail.set('name', name);
      if (settings.tint) trail.set('tint', settings.tint);
      if (settings.followsLinks !== undefined) trail.set('followsLinks', settings.followsLinks);
    };
  },
);

/** Refused: `trail.gone`. */
export const setDefaultTrail = command(
  'setDefaultTrail',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId): Plan => {
    if (!trailOf(doc, trailId)) return refuse('trail.gone');
    return () => {
      deckMap(doc).set('defaultTrailId', trailId);
    };
  },
);

/** Refused: `trail.gone`. */
export const duplicateTrail = command(
  'duplicateTrail',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId): Plan<{ trailId: TrailId }> => {
    const trail: Trail | undefined = readDeck(doc).trails.find(({ id }) => id === trailId);
    if (!trail) return refuse('trail.gone');
    return addTrail.plan(doc, {
      name: `${trail.name} (copy)`,
      slideIds: trail.stops.map(({ slideId }) => slideId),
      followsLinks: trail.followsLinks,
    });
  },
);

/** Refused: `trail.gone`. */
export const removeTrail = command(
  'removeTrail',
  'deck:write',
  (doc: Y.Doc, trailId: TrailId): Plan => {
    if (!trailOf(doc, trailId)) return refuse('trail.gone');
    return () => {
      trailsMap(doc).delete(trailId);
    };
  },
);

import { generateKeyBetween } from 'fractional-indexing';
import * as Y from 'yjs';
import {
  newId,
  refuse,
  type ElementId,
  type Result,
  type SlideId,
  type StopId,
  type TrailId,
} from '../../parts/ids.js';
import { deckMap, readDeck, slidesMap, trailsMap, elementOf } from '../document.js';
import { asRecord, asString } from '../../parts/decode.js';
import { COMMAND } from '../history.js';
import { TINTS, type Tint, type Trail } from '../types.js';

const NO_TRAIL = 'This trail is not there any more.';
const MOST_STOPS = 2000;

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
  ...{ id: newId(), slideId },
  ...(closeUpId ? { closeUpId } : {}),
});

/** A new trail behind the others; the first one of a deck becomes its default. */
export function addTrail(
  doc: Y.Doc,
  args: {
    id?: TrailId;
    name: string;
    tint?: Tint;
    slideIds?: SlideId[];
    followsLinks?: boolean;
  },
): Result<{ trailId: TrailId }> {
  const trailId = args.id ?? newId();
  const name = args.name.trim().slice(0, 200);
  if (name === '') return refuse('A trail needs a name.');
  if (trailsMap(doc).size >= 40) return refuse('A deck holds 40 trails at the most.');
  const deck = readDeck(doc);
  const last = [...trailsMap(doc).values()]
    .map((trail) => (trail instanceof Y.Map ? asString(trail.get('order'), 'a0') : 'a0'))
    .sort()
    .at(-1);
  doc.transact(() => {
    const trail = new Y.Map<unknown>();
    trailsMap(doc).set(trailId, trail);
    trail.set('name', name);
    trail.set('tint', args.tint ?? TINTS[deck.trails.length % TINTS.length]);
    trail.set('order', generateKeyBetween(last ?? null, null));
    trail.set('followsLinks', args.followsLinks ?? false);
    stopsOf(trail).push((args.slideIds ?? []).map((slideId) => stopAt(slideId)));
    if (deck.trails.length === 0) deckMap(doc).set('defaultTrailId', trailId);
  }, COMMAND);
  return { ok: true, trailId };
}

/** Adds a stop at the end, or before the stop at `index`. A trail may pass a slide more than once. */
export function addStop(doc: Y.Doc, trailId: TrailId, slideId: SlideId, index?: number): Result {
  const trail = trailOf(doc, trailId);
  if (!trail) return refuse(NO_TRAIL);
  if (!slidesMap(doc).has(slideId)) return refuse('This slide is not there any more.');
  const stops = stopsOf(trail);
  if (stops.length >= MOST_STOPS) return refuse(`A trail has ${MOST_STOPS} stops at the most.`);
  const at = Math.max(0, Math.min(index ?? stops.length, stops.length));
  doc.transact(() => stops.insert(at, [stopAt(slideId)]), COMMAND);
  return { ok: true };
}

/** Adds a stop at a close-up: after the last stop on its slide, or at the end of a trail that does not pass that. */
export function addCloseUpStop(
  doc: Y.Doc,
  trailId: TrailId,
  slideId: SlideId,
  closeUpId: ElementId,
): Result {
  const trail = trailOf(doc, trailId);
  if (!trail) return refuse(NO_TRAIL);
  const closeUp = elementOf(doc, slideId, closeUpId);
  if (closeUp?.get('kind') !== 'closeup') return refuse('This close-up is not there any more.');
  const stops = stopsOf(trail);
  if (stops.length >= MOST_STOPS) return refuse(`A trail has ${MOST_STOPS} stops at the most.`);
  const last = stops.toArray().findLastIndex((stop) => asRecord(stop).slideId === slideId);
  const at = last < 0 ? stops.length : last + 1;
  doc.transact(() => stops.insert(at, [stopAt(slideId, closeUpId)]), COMMAND);
  return { ok: true };
}

/** Where a stop is: of two places that it was moved to at once, the one that is read. */
const indexOf = (stops: Y.Array<unknown>, stopId: StopId): number =>
  stops.toArray().findLastIndex((stop) => asRecord(stop).id === stopId);

function takeOut(stops: Y.Array<unknown>, stopId: StopId): void {
  for (let at = indexOf(stops, stopId); at >= 0; at = indexOf(stops, stopId)) stops.delete(at);
}

export function removeStop(doc: Y.Doc, trailId: TrailId, stopId: StopId): Result {
  const trail = trailOf(doc, trailId);
  const stops = trail && stopsOf(trail);
  if (!stops || indexOf(stops, stopId) < 0) {
    return refuse('This stop is not on the trail any more.');
  }
  doc.transact(() => takeOut(stops, stopId), COMMAND);
  return { ok: true };
}

/** Moves a stop so that it comes before the one named, or to the end. */
export function moveStop(
  doc: Y.Doc,
  trailId: TrailId,
  stopId: StopId,
  before: StopId | null,
): Result {
  const trail = trailOf(doc, trailId);
  const stops = trail && stopsOf(trail);
  const from = stops ? indexOf(stops, stopId) : -1;
  if (!stops || from < 0) return refuse('This stop is not on the trail any more.');
  if (before === stopId) return { ok: true };
  doc.transact(() => {
    const stop = stops.get(from);
    takeOut(stops, stopId);
    const to = before === null ? -1 : indexOf(stops, before);
    stops.insert(to < 0 ? stops.length : to, [stop]);
  }, COMMAND);
  return { ok: true };
}

export function setTrail(
  doc: Y.Doc,
  trailId: TrailId,
  settings: { name?: string; tint?: Tint; followsLinks?: boolean },
): Result {
  const trail = trailOf(doc, trailId);
  if (!trail) return refuse(NO_TRAIL);
  const name = settings.name?.trim().slice(0, 200);
  if (name === '') return refuse('A trail needs a name.');
  doc.transact(() => {
    if (name !== undefined) trail.set('name', name);
    if (settings.tint) trail.set('tint', settings.tint);
    if (settings.followsLinks !== undefined) trail.set('followsLinks', settings.followsLinks);
  }, COMMAND);
  return { ok: true };
}

export function setDefaultTrail(doc: Y.Doc, trailId: TrailId): Result {
  if (!trailOf(doc, trailId)) return refuse(NO_TRAIL);
  doc.transact(() => deckMap(doc).set('defaultTrailId', trailId), COMMAND);
  return { ok: true };
}

export function duplicateTrail(doc: Y.Doc, trailId: TrailId): Result<{ trailId: TrailId }> {
  const trail: Trail | undefined = readDeck(doc).trails.find(({ id }) => id === trailId);
  if (!trail) return refuse(NO_TRAIL);
  return addTrail(doc, {
    name: `${trail.name} (copy)`,
    slideIds: trail.stops.map(({ slideId }) => slideId),
    followsLinks: trail.followsLinks,
  });
}

export function removeTrail(doc: Y.Doc, trailId: TrailId): Result {
  if (!trailOf(doc, trailId)) return refuse(NO_TRAIL);
  doc.transact(() => trailsMap(doc).delete(trailId), COMMAND);
  return { ok: true };
}

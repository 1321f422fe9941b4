import { command, isRefusal, type Plan, UNCHANGED } from '../command.js';
import { generateNKeysBetween } from 'fractional-indexing';
import * as Y from 'yjs';
import { newId, type ElementId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import { drawnOf, membersOf, withMembers } from '../../elements/groups.js';
import type { Place } from '../../elements/moves.js';
import { elementOf, elementsOf, readSlide, slideOf } from '../document.js';
import { carriedLinks, validOrder, type ElementSettings } from './elementCommands.js';

import { type Box, type Layer } from '../../parts/place.js';
import { elementKind, holdsMembers, may, type SlideElement } from '../../elements/registry.js';

export const setBox = command(
  'setBox',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementId: ElementId, box: Box): Plan => {
    return setPlaces.plan(doc, slideId, [{ elementId, box }]);
  },
);

/** Where an element is to lie, and settings that change along with that: what a line sticks to, how a picture is cropped. */
export type NewPlace = Omit<Place, 'rotation'> & { rotation?: number; settings?: ElementSettings };

/**
 * Moves, resizes or turns several elements in one step. Refuses sizes under 8 units (lines may be as flat as they
 * like) and numbers that are none. Locked ones stay where they are.
 * Refused: `thing.far`, `thing.gone`, `thing.locked`, `thing.number`, `thing.size`.
 */
export const setPlaces = command(
  'setPlaces',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, places: readonly NewPlace[]): Plan => {
    const free: NewPlace[] = [];
    for (const place of places) {
      const { elementId, box, rotation = 0 } = place;
      const element = elementOf(doc, slideId, elementId);
      if (!element) return refuse('thing.gone');
      if (![box.x, box.y, box.w, box.h, rotation].every(Number.isFinite))
        return refuse('thing.number');
      const least = element.get('kind') === 'line' ? 1 : 8;
      if (box.w < least || box.h < least) {
        return refuse('thing.size');
      }
      if ([box.x, box.y, box.w, box.h].some((value) => Math.abs(value) > 20_000)) {
        return refuse('thing.far');
      }
      if (element.get('isLocked') !== true) free.push(place);
    }
    if (places.length > 0 && free.length === 0) return refuse('thing.locked');
    return () => {
      for (const { elementId, box, rotation, points, settings } of free) {
        const element = elementOf(doc, slideId, elementId);
        const { x, y, w, h } = box;
        element?.set('box', { x, y, w, h });
        if (rotation !== undefined) element?.set('rotation', rotation);
        if (points) element?.set('points', points);
        for (const [key, value] of Object.entries(settings ?? {})) element?.set(key, value);
      }
    };
  },
);

/**
 * Moves elements to a layer, in front of what is there; groups with their members. Zones and questions have their own.
 * Refused: `group.member`, `piece.kind`, `piece.link`, `slide.gone`, `thing.gone`, `thing.locked`, `thing.staysOn`.
 */
export const setLayer = command(
  'setLayer',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, elementIds: readonly ElementId[], layer: Layer): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const { elements } = readSlide(slideId, slide);
    const moving = withMembers(elements, elementIds);
    if (elementIds.some((id) => !moving.some((element) => element.id === id)))
      return refuse('thing.gone');
    for (const { id, kind, groupId, isLocked } of moving) {
      if (isLocked) return refuse('thing.locked');
      const { staysOn, label } = elementKind(kind);
      if (staysOn) return refuse('thing.staysOn', { label: label.toLowerCase(), layer: staysOn });
      if (layer === 'pieces' && groupId === null && !may({ kind }, 'bePiece')) {
        return refuse('piece.kind');
      }
      if (layer === 'pieces' && carriedLinks(doc, id).length > 0) {
        return refuse('piece.link');
      }
      if (groupId && !moving.some((element) => element.id === groupId)) {
        return refuse('group.member');
      }
    }
    return () => {
      toOrders(doc, slideId, moving, last(elements, layer), null);
      for (const { id } of moving) elementOf(doc, slideId, id)?.set('layer', layer);
    };
  },
);

/** The order of the topmost thing on a layer. */
const last = (elements: readonly SlideElement[], layer: Layer): string | undefined =>
  elements.filter((element) => element.layer === layer).at(-1)?.order;

/** Inside a transaction: gives elements orders between two others, keeping their own sequence. */
function toOrders(
  doc: Y.Doc,
  slideId: SlideId,
  elements: readonly SlideElement[],
  above: string | undefined,
  below: string | null,
): void {
  const keys = keysBetween(above, below, elements.length);
  elements.forEach(({ id }, index) => elementOf(doc, slideId, id)?.set('order', keys[index]));
}

function keysBetween(above: string | undefined, below: string | null, count: number): string[] {
  const [from, to] = [validOrder(above), validOrder(below ?? undefined)];
  // Two editors may have given two things the same order: then there is no room between, but after.
  return generateNKeysBetween(from, from !== null && to !== null && from >= to ? null : to, count);
}

export const ORDER_STEPS = ['front', 'forward', 'backward', 'back'] as const;
export type OrderStep = (typeof ORDER_STEPS)[number];

/**
 * Brings things in front of, or behind, others on their layer: all others, or the next one. Things of a group change
 * their order within it.
 * Refused: `slide.gone`, `thing.gone`.
 */
export const reorder = command(
  'reorder',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementIds: ElementId | readonly ElementId[],
    to: OrderStep,
  ): Plan => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const ids = typeof elementIds === 'string' ? [elementIds] : elementIds;
    const { elements } = readSlide(slideId, slide);
    const first = elements.find(({ id }) => ids.includes(id));
    if (!first) return refuse('thing.gone');
    const siblings = elements.filter(
      ({ groupId, layer }) => groupId === first.groupId && layer === first.layer,
    );
    const taken = siblings.filter(({ id }) => ids.includes(id));
    const rest = siblings.filter(({ id }) => !ids.includes(id));
    const [bottom, top] = [siblings.indexOf(taken[0]!), siblings.indexOf(taken.at(-1)!)];
    // How many of the others come to lie below.
    const below = {
      front: rest.length,
      back: 0,
      forward: Math.min(rest.length, top - taken.length + 2),
      backward: Math.max(0, bottom - 1),
    }[to];
    const wanted = [...rest.slice(0, below), ...taken, ...rest.slice(below)];
    if (wanted.every((element, index) => element === siblings[index])) return UNCHANGED;
    const drawn = (some: readonly SlideElement[]): SlideElement[] =>
      withMembers(
        elements,
        some.map(({ id }) => id),
      );
    const under = drawn(rest.slice(0, below)).at(-1)?.order;
    const over = drawn(rest.slice(below))[0]?.order ?? null;
    return () => {
      // Within a group there may be no room beyond its members: then all of them are given new orders.
      if (first.groupId === null) toOrders(doc, slideId, drawn(taken), under, over);
      else
        renumber(
          doc,
          slideId,
          elements,
          wanted.flatMap((one) => drawn([one])),
        );
    };
  },
);

/** Inside a transaction: hands the orders that things have out again in another sequence. */
function renumber(
  doc: Y.Doc,
  slideId: SlideId,
  elements: readonly SlideElement[],
  wanted: readonly SlideElement[],
): void {
  const orders = elements.filter((one) => wanted.includes(one)).map(({ order }) => order);
  wanted.forEach(({ id }, index) => elementOf(doc, slideId, id)?.set('order', orders[index]));
}

/**
 * Makes a group of things that lie on one layer and in the same group, if in any. They come to lie together.
 * Refused: `group.few`, `group.layers`, `group.others`, `group.outside`, `slide.gone`, `thing.locked`.
 */
export const group = command(
  'group',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementIds: readonly ElementId[],
    id: ElementId = newId(),
  ): Plan<{ elementId: ElementId }> => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const { elements } = readSlide(slideId, slide);
    const members = elements.filter((element) => elementIds.includes(element.id));
    const [first] = members;
    if (!first || members.length < 2) return refuse('group.few');
    const { layer, groupId } = first;
    if (members.some((other) => other.layer !== layer)) {
      return refuse('group.layers');
    }
    if (members.some((other) => other.groupId !== groupId)) {
      return refuse('group.others');
    }
    if (!members.every((member) => may(member, 'beGrouped'))) {
      return refuse('group.outside');
    }
    if (members.some(({ isLocked }) => isLocked)) return refuse('thing.locked');
    const drawn = withMembers(
      elements,
      members.map((member) => member.id),
    );
    const top = drawn.at(-1)!;
    const above = elements.find(
      (other) => other.layer === layer && other.order > top.order && !drawn.includes(other),
    );
    return () => {
      const map = new Y.Map<unknown>();
      elementsOf(slide).set(id, map);
      map.set('kind', 'group');
      map.set('layer', layer);
      if (groupId) map.set('groupId', groupId);
      const keys = keysBetween(top.order, above?.order ?? null, drawn.length + 1);
      drawn.forEach((one, index) => elementOf(doc, slideId, one.id)?.set('order', keys[index]));
      map.set('order', keys.at(-1));
      for (const member of members) elementOf(doc, slideId, member.id)?.set('groupId', id);
      return { elementId: id };
    };
  },
);

/**
 * Undoes groups; what was in them stays as it lies. Links that a group carried stay without a carrier.
 * Refused: `group.none`, `slide.gone`, `thing.locked`.
 */
export const ungroup = command(
  'ungroup',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    groupIds: readonly ElementId[],
  ): Plan<{ elementIds: ElementId[] }> => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const { elements } = readSlide(slideId, slide);
    const groups = elements.filter((one) => holdsMembers(one) && groupIds.includes(one.id));
    if (groups.length === 0) return refuse('group.none');
    if (groups.some(({ isLocked }) => isLocked)) return refuse('thing.locked');
    const freed: ElementId[] = [];
    return () => {
      for (const one of groups) {
        for (const member of membersOf(elements, one.id)) {
          elementOf(doc, slideId, member.id)?.set('groupId', one.groupId ?? '');
          freed.push(member.id);
        }
        elementsOf(slide).delete(one.id);
      }
      return { elementIds: freed };
    };
  },
);

/**
 * Makes everything on the content layer scenery, or lifts all scenery out again.
 * Refused: `slide.gone`, `slide.noScenery`, `slide.noneForScenery`.
 */
export const moveLayer = command(
  'moveLayer',
  'deck:write',
  (doc: Y.Doc, slideId: SlideId, from: 'background' | 'content'): Plan<{ moved: number }> => {
    const slide = slideOf(doc, slideId);
    if (!slide) return refuse('slide.gone');
    const { elements } = readSlide(slideId, slide);
    const ids = elements
      .filter(({ id, kind, layer, isLocked }) => {
        const isOwn = layer === from && !isLocked && !elementKind(kind).staysOn;
        // What carries a link would not be reached any more on the background.
        return isOwn && (from === 'background' || carriedLinks(doc, id).length === 0);
      })
      .map(({ id }) => id);
    const whole = ids.filter((id) => drawnOf(elements, [id]).every((one) => ids.includes(one.id)));
    if (whole.length === 0) {
      return refuse(from === 'background' ? 'slide.noScenery' : 'slide.noneForScenery');
    }
    const to = from === 'background' ? 'content' : 'background';
    const move = setLayer.plan(doc, slideId, whole, to);
    if (isRefusal(move)) return move;
    return () => {
      move();
      return { moved: whole.length };
    };
  },
);

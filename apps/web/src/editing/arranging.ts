import {
  boundsOf,
  duplicateElements,
  elementKind,
  holdsMembers,
  isInBox,
  liesIn,
  meets,
  middleOf,
  movedBy,
  movingWith,
  resize,
  setPlaces,
  snap,
  snapSides,
  snapTurn,
  stretched,
  textHeight,
  textPadding,
  textType,
  turnedBy,
  union,
  type Box,
  type ElementId,
  type Handle,
  type Place,
  type Point,
  type SlideElement,
} from '@gobrel/core';
import type { PointerEvent } from 'react';
import { NO_PREVIEW, placesPreview } from './preview';
import type { StageHands } from './StageHands';
import type { Gesture } from './useGestures';

/** CSS pixels within which things snap. */
const REACH = 6;

/** The box around things as they are seen. */
export const boxAround = (elements: readonly SlideElement[]): Box | undefined =>
  union(elements.map(({ box, rotation }) => boundsOf(box, rotation)));

/** The boxes that something can snap to: those of all things that do not move along. */
function othersThan({ slide, touchable }: StageHands, ids: readonly ElementId[]): Box[] {
  const moving = new Set(movingWith(slide.elements, ids).map(({ id }) => id));
  return touchable
    .filter(({ id, groupId }) => groupId === null && !moving.has(id) && !ids.includes(id))
    .map(({ box, rotation }) => boundsOf(box, rotation));
}

const whole = (value: number): number => Math.round(value);
export const rounded = (box: Box): Box => ({
  x: whole(box.x),
  y: whole(box.y),
  w: Math.max(1, whole(box.w)),
  h: Math.max(1, whole(box.h)),
});

const movable = (elements: readonly SlideElement[]): SlideElement[] =>
  elements.filter(({ isLocked }) => !isLocked);

/**
 * Moves what is in hand: along one axis with Shift, without snapping with Ctrl, leaving a copy behind with Alt.
 * `onPress` is what a press without a move means.
 */
export function moving(
  hands: StageHands,
  start: Point,
  held: readonly SlideElement[],
  onPress: (event: PointerEvent) => void,
): Gesture {
  const { slide, scale } = hands;
  const ids = movable(held).map(({ id }) => id);
  const from = boxAround(movable(held));
  const others = othersThan(hands, ids);
  let by: Point = { x: 0, y: 0 };
  return {
    move(at, event) {
      if (!from) return;
      let [dx, dy] = [at.x - start.x, at.y - start.y];
      if (event.shiftKey) [dx, dy] = Math.abs(dx) >= Math.abs(dy) ? [dx, 0] : [0, dy];
      const wanted = { ...from, x: from.x + dx, y: from.y + dy };
      const isFree = event.ctrlKey || event.metaKey;
      const snapped = isFree ? { box: wanted, guides: [] } : snap(wanted, others, REACH / scale);
      by = {
        x: event.shiftKey && dx === 0 ? 0 : whole(snapped.box.x) - from.x,
        y: event.shiftKey && dy === 0 ? 0 : whole(snapped.box.y) - from.y,
      };
      const places = movedBy(slide.elements, ids, by.x, by.y);
      if (event.altKey) {
        hands.show(NO_PREVIEW);
        hands.draw({
          guides: snapped.guides,
          ghosts: places.map(({ box, rotation }) => boundsOf(box, rotation)),
        });
      } else {
        hands.show(placesPreview(places));
        hands.draw({ guides: snapped.guides });
      }
    },
    end(_at, event, hasMoved) {
      if (!hasMoved) onPress(event);
      else if (ids.length > 0) {
        if (event.altKey) {
          const copies = hands.run(duplicateElements, slide.id, ids, { dx: by.x, dy: by.y });
          if (copies) hands.edit.select(copies.elementIds);
        } else if (by.x !== 0 || by.y !== 0) {
          hands.run(setPlaces, slide.id, movedBy(slide.elements, ids, by.x, by.y));
        }
      }
      hands.clear();
    },
    cancel: hands.clear,
  };
}

/** Things that keep their proportion when a corner is pulled, unless Shift says otherwise. */
const keepsShape = ({ kind }: SlideElement): boolean => elementKind(kind).keepsForm === true;

/** A text that grows is never lower than its words. */
function atLeastItsWords(element: SlideElement, box: Box, hands: StageHands): Box {
  if (element.kind !== 'text' || element.fit !== 'grow') return box;
  const { theme } = hands;
  const padding = textPadding(element, theme);
  const isCard = element.style === 'choice' || element.layer === 'pieces';
  const words = textHeight(
    element.text,
    box.w - 2 * padding,
    textType(element, theme),
    element.columns,
  );
  return { ...box, h: Math.max(box.h, Math.ceil(words + (isCard ? 0 : 2 * padding))) };
}

/** Pulls a handle of what is in hand: from the middle with Alt, without snapping with Ctrl. */
export function resizing(
  hands: StageHands,
  start: Point,
  held: readonly SlideElement[],
  handle: Handle,
): Gesture {
  const { slide, scale } = hands;
  const elements = movable(held);
  const ids = elements.map(({ id }) => id);
  const [one, ...more] = elements;
  const isAlone = one !== undefined && more.length === 0 && !holdsMembers(one);
  const from = isAlone ? one.box : boxAround(elements);
  const rotation = isAlone ? one.rotation : 0;
  const others = othersThan(hands, ids);
  const isCorner = handle.length === 2;
  let places: Place[] = [];
  return {
    move(at, event) {
      if (!from || !one) return;
      const keep = isCorner && (isAlone ? keepsShape(one) : true) !== event.shiftKey;
      let to = resize(from, handle, at.x - start.x, at.y - start.y, {
        keep,
        rotation,
        fromMiddle: event.altKey,
      });
      const isFree = event.ctrlKey || event.metaKey || event.altKey || keep || rotation !== 0;
      const snapped = isFree ? null : snapSides(to, handle, others, REACH / scale);
      if (snapped) to = snapped.box;
      places = isAlone
        ? [
            {
              elementId: one.id,
              box: atLeastItsWords(one, rotation === 0 ? rounded(to) : to, hands),
              rotation,
            },
          ]
        : stretched(slide.elements, ids, from, to);
      hands.show(placesPreview(places));
      hands.draw({ guides: snapped?.guides ?? [] });
    },
    end() {
      if (places.length > 0) hands.run(setPlaces, slide.id, places);
      hands.clear();
    },
    cancel: hands.clear,
  };
}

/** Turns what is in hand about its middle: near every 15 degrees it snaps, with Shift always. */
export function turning(hands: StageHands, start: Point, held: readonly SlideElement[]): Gesture {
  const elements = movable(held);
  const ids = elements.map(({ id }) => id);
  const around = boxAround(elements);
  const about = around && middleOf(elements.length === 1 ? elements[0]!.box : around);
  const isAlone = elements.length === 1 && !holdsMembers(elements[0]!);
  const before = isAlone ? elements[0]!.rotation : 0;
  const angleOf = (at: Point): number =>
    about ? (Math.atan2(at.y - about.y, at.x - about.x) * 180) / Math.PI : 0;
  let places: Place[] = [];
  return {
    move(at, event) {
      if (!about) return;
      const turned = before + angleOf(at) - angleOf(start);
      const degrees = snapTurn(turned, event.shiftKey) - before;
      places = turnedBy(hands.slide.elements, ids, about, degrees);
      hands.show(placesPreview(places));
    },
    end() {
      if (places.length > 0) hands.run(setPlaces, hands.slide.id, places);
      hands.clear();
    },
    cancel: hands.clear,
  };
}

const boxBetween = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  w: Math.abs(a.x - b.x),
  h: Math.abs(a.y - b.y),
});

/** Selects what a frame touches; close-ups and zones only when they lie in it, as they are large. */
export function framing(hands: StageHands, start: Point): Gesture {
  const { edit, touchable } = hands;
  const before = edit.selected.map(({ id }) => id);
  const caught = (frame: Box): ElementId[] => [
    ...new Set(
      touchable.flatMap((element) => {
        const bounds = boundsOf(element.box, element.rotation);
        const isCaught = elementKind(element.kind).isRegion
          ? liesIn(bounds, frame)
          : meets(bounds, frame);
        const id = isCaught && !holdsMembers(element) ? hands.inHand(element.id) : null;
        return id ? [id] : [];
      }),
    ),
  ];
  return {
    move(at) {
      hands.draw({ frame: boxBetween(start, at) });
    },
    end(at, event, hasMoved) {
      hands.clear();
      if (!hasMoved) {
        if (!event.shiftKey) edit.select([]);
        return;
      }
      const ids = caught(boxBetween(start, at));
      edit.select(event.shiftKey ? [...new Set([...before, ...ids])] : ids);
    },
    cancel: hands.clear,
  };
}

/** Draws a frame for something new; a press alone makes one of standard size there. */
export function drawingBox(
  hands: StageHands,
  start: Point,
  standard: { w: number; h: number },
  onDrawn: (box: Box) => void,
): Gesture {
  return {
    move(at) {
      hands.draw({ frame: boxBetween(start, at) });
    },
    end(at, _event, hasMoved) {
      hands.clear();
      const { x, y, w, h } = boxBetween(start, at);
      onDrawn(
        rounded(
          hasMoved && w >= 12 && h >= 12
            ? { x, y, w, h }
            : { ...standard, x: start.x - standard.w / 2, y: start.y - standard.h / 2 },
        ),
      );
    },
    cancel: hands.clear,
  };
}

/** The things under a place, topmost first, as what pressing them takes in hand. */
export function underneath(hands: StageHands, at: Point): ElementId[] {
  const ids = [...hands.touchable]
    .reverse()
    .filter((one) => !holdsMembers(one) && isInBox(one.box, one.rotation, at))
    .flatMap(({ id }) => hands.inHand(id) ?? []);
  return [...new Set(ids)];
}

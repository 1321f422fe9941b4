import { STAGE, type Box, type Slide, type TextStyle } from '../deck/types.js';

const MARGIN = 96;

/** Where a new slide's first texts stand, in slide units. */
export const TITLE_BOX: Box = { x: MARGIN, y: 72, w: 800, h: 76 };
export const BODY_BOX: Box = { x: MARGIN, y: 156, w: 720, h: 120 };

/** Type sizes in slide units; the theme may change the face but not these. */
export const TYPE_SIZE: Record<TextStyle, number> = {
  title: 56,
  heading: 40,
  body: 30,
  caption: 22,
  choice: 28,
};

const CHOICE = { w: 400, h: 64, gap: 14, top: 300 };

/**
 * The box for one more choice: under the last one, in a second column when the first is full; a gap that has been
 * left higher up when both are. `choices` are the boxes of those that are there.
 */
export function nextChoiceBox(choices: readonly Box[]): Box {
  const perColumn = Math.floor((STAGE.height - CHOICE.top - 40) / (CHOICE.h + CHOICE.gap));
  const places = Array.from({ length: 2 * perColumn }, (_, index) => ({
    x: MARGIN + Math.floor(index / perColumn) * (CHOICE.w + 40),
    y: CHOICE.top + (index % perColumn) * (CHOICE.h + CHOICE.gap),
    w: CHOICE.w,
    h: CHOICE.h,
  }));
  const isTaken = places.map((place) => choices.some((box) => overlaps(box, place)));
  const next = isTaken.lastIndexOf(true) + 1;
  const free = next < places.length ? next : isTaken.indexOf(false);
  return places[free < 0 ? choices.length % places.length : free]!;
}

/**
 * The box of a new element put on the stage without a place of its own: the free spot nearest the middle, or
 * stepped down from the middle when the stage is full.
 */
export function newElementBox(slide: Slide, size: { w: number; h: number }): Box {
  const middle = { x: (STAGE.width - size.w) / 2, y: (STAGE.height - size.h) / 2 };
  const others = slide.elements.filter((element) => element.layer !== 'background');
  const spots: { x: number; y: number }[] = [middle];
  for (let y = 40; y + size.h <= STAGE.height - 40; y += 40) {
    for (let x = 60; x + size.w <= STAGE.width - 60; x += 40) spots.push({ x, y });
  }
  const fromMiddle = (spot: { x: number; y: number }): number =>
    Math.hypot(spot.x - middle.x, spot.y - middle.y);
  const free = spots
    .sort((a, b) => fromMiddle(a) - fromMiddle(b))
    .find((spot) => !others.some((other) => overlaps({ ...spot, ...size }, other.box)));
  const step = (others.length % 8) * 24;
  const spot = free ?? { x: middle.x + step, y: middle.y + step };
  return { x: Math.round(spot.x), y: Math.round(spot.y), ...size };
}

const overlaps = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

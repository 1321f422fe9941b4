import type { LayoutName } from './names.js';
import { STAGE, type Box, type Layer, type Slot } from '../parts/place.js';
import { type Alignment, type TextStyle } from '../parts/typography.js';

const MARGIN = 96;
const box = (x: number, y: number, w: number, h: number): Box => ({ x, y, w, h });

/** Where the first texts of most layouts stand, in slide units. */
export const TITLE_BOX: Box = box(MARGIN, 72, 800, 76);
export const BODY_BOX: Box = box(MARGIN, 156, 720, 120);

/** A place that a layout keeps for something. */
export type SlotSpec = { slot: Slot; box: Box } & (
  | { takes: 'text'; style: TextStyle; align?: Alignment; isFixed?: boolean }
  | { takes: 'picture' | 'question' }
);

/** Where the choices of a slide stand: rows of lines, in columns. */
interface ChoiceList {
  x: number;
  y: number;
  w: number;
  h: number;
  gap: number;
  rows: number;
  columns: number;
  between: number;
}

export interface Layout {
  label: string;
  slots: readonly SlotSpec[];
  choices: ChoiceList;
}

const text = (
  slot: Slot,
  style: TextStyle,
  where: Box,
  rest: { align?: Alignment; isFixed?: boolean } = {},
): SlotSpec => ({ slot, takes: 'text', style, box: where, ...rest });

const TITLE = text('title', 'title', TITLE_BOX);
const BELOW: ChoiceList = {
  x: MARGIN,
  y: 300,
  w: 400,
  h: 64,
  gap: 14,
  rows: 4,
  columns: 2,
  between: 40,
};
const AT_FOOT: ChoiceList = {
  x: MARGIN,
  y: 532,
  w: 520,
  h: 64,
  gap: 14,
  rows: 2,
  columns: 2,
  between: 48,
};

const LAYOUT_TABLE: Record<LayoutName, Layout> = {
  title: {
    label: 'Title',
    slots: [
      text('title', 'title', box(140, 236, 1000, 140), { align: 'center' }),
      text('subtitle', 'subtitle', box(200, 384, 880, 96), { align: 'center' }),
    ],
    choices: { ...AT_FOOT, x: 380, rows: 2, columns: 1 },
  },
  section: {
    label: 'Section',
    slots: [
      text('title', 'title', box(MARGIN, 300, 900, 84)),
      text('subtitle', 'subtitle', box(MARGIN, 392, 900, 60)),
    ],
    choices: { ...AT_FOOT, w: 400, between: 40 },
  },
  text: { label: 'Text', slots: [TITLE, text('body', 'body', BODY_BOX)], choices: BELOW },
  'text-picture': {
    label: 'Text and picture',
    slots: [
      text('title', 'title', box(MARGIN, 72, 560, 76)),
      text('body', 'body', box(MARGIN, 156, 520, 300)),
      { slot: 'picture', takes: 'picture', box: box(680, 72, 504, 576) },
    ],
    choices: { ...AT_FOOT, columns: 1 },
  },
  'two-columns': {
    label: 'Two columns',
    slots: [
      TITLE,
      text('body', 'body', box(MARGIN, 172, 520, 330)),
      text('second', 'body', box(664, 172, 520, 330)),
    ],
    choices: AT_FOOT,
  },
  picture: {
    label: 'Picture',
    slots: [
      { slot: 'picture', takes: 'picture', box: box(0, 0, STAGE.width, STAGE.height) },
      text('caption', 'caption', box(MARGIN, 652, 800, 40)),
    ],
    choices: { ...AT_FOOT, y: 500 },
  },
  choices: { label: 'Choices', slots: [TITLE], choices: BELOW },
  question: {
    label: 'Question',
    slots: [
      text('title', 'title', box(MARGIN, 72, 1088, 76)),
      { slot: 'body', takes: 'question', box: box(MARGIN, 180, 640, 440) },
    ],
    choices: { ...BELOW, x: 780, y: 180, columns: 1, rows: 5 },
  },
  pattern: {
    label: 'Pattern for leaves',
    slots: [TITLE, text('body', 'body', BODY_BOX)],
    choices: BELOW,
  },
  empty: { label: 'Empty', slots: [], choices: BELOW },
};

export const layoutOf = (name: LayoutName): Layout => LAYOUT_TABLE[name];

/** Whether a choice must not be laid over it, nor under it: it is pressed itself, or something is put there. */
export const isKeptClear = (thing: { kind: unknown; layer: unknown }): boolean =>
  thing.layer === 'pieces' || KEPT_CLEAR.has(thing.kind);
const KEPT_CLEAR = new Set<unknown>(['question', 'zone', 'media', 'table', 'hotspot']);

/** Where the things of a slide lie that a new choice has to do with. */
export interface Occupied {
  choices: readonly Box[];
  /** What is kept clear. */
  clear: readonly Box[];
  /** Everything else but the background. */
  others: readonly Box[];
}

/**
 * The box for one more choice: after the last one of the layout's list; a gap that has been left earlier when the list
 * is full. What of the list lies on something that is kept clear is not used; when all of it does, the choice goes to
 * where nothing is, the lower the better.
 */
export function nextChoiceBox(
  { choices, clear, others }: Occupied,
  layout: LayoutName = 'choices',
): Box {
  const { x, y, w, h, gap, rows, columns, between } = layoutOf(layout).choices;
  const isOn = (taken: readonly Box[], place: Box): boolean =>
    taken.some((one) => overlaps(one, place));
  const all = Array.from({ length: rows * columns }, (_, index) =>
    box(x + Math.floor(index / rows) * (w + between), y + (index % rows) * (h + gap), w, h),
  );
  const places = all.filter((place) => !isOn(clear, place));
  const isTaken = places.map((place) => isOn(choices, place));
  const next = isTaken.lastIndexOf(true) + 1;
  const free = next < places.length ? next : isTaken.indexOf(false);
  if (free >= 0) return places[free]!;
  if (clear.length > 0) {
    const spread = choices.map((one) =>
      box(one.x - CLOSE, one.y - CLOSE, one.w + 2 * CLOSE, one.h + 2 * CLOSE),
    );
    for (const taken of [
      [...spread, ...clear, ...others],
      [...choices, ...clear],
    ]) {
      const elsewhere = freeAtFoot((place) => !isOn(taken, place));
      if (elsewhere) return elsewhere;
    }
  }
  return all[choices.length % all.length]!;
}

/** Widths and heights that a choice may have where its usual place is taken, the best first; a finger needs 64. */
const SMALLER = [
  [400, 64],
  [320, 64],
  [240, 64],
  [176, 96],
] as const;
/** Between a choice and the edge of the stage, or its neighbours, at the least. */
const CLOSE = 8;

function freeAtFoot(isFree: (place: Box) => boolean): Box | undefined {
  for (let foot = STAGE.height - CLOSE; foot > 0; foot -= CLOSE) {
    for (const [w, h] of SMALLER) {
      for (let x = MARGIN; foot >= h && x + w <= STAGE.width - CLOSE; x += CLOSE) {
        if (isFree(box(x, foot - h, w, h))) return box(x, foot - h, w, h);
      }
    }
  }
  return undefined;
}

/** The places of a slide's layout that nothing fills yet. */
export function emptySlots(
  slide: {
    layout: LayoutName;
    elements: readonly { slot: Slot | null }[];
  },
  /** Those of a layout of the deck's own, where it follows one. */
  slots: readonly SlotSpec[] = layoutOf(slide.layout).slots,
): SlotSpec[] {
  const filled = new Set(slide.elements.map(({ slot }) => slot));
  return slots.filter(({ slot }) => !filled.has(slot));
}

/** How much smaller a thing is tried to be put each time that it finds no room, as a share of its size. */
const SMALLER_BY = 0.15;

/**
 * The box of a new element put on the stage without a place of its own: the free spot nearest the middle; smaller, down
 * to a share of its size, where there is none; stepped down from the middle when the stage is full.
 */
export function newElementBox(
  slide: {
    elements: readonly { layer: Layer; box: Box }[];
  },
  size: { w: number; h: number },
  least = 1,
): Box {
  const others = slide.elements.filter((element) => element.layer !== 'background');
  for (let share = 1; share >= least; share -= SMALLER_BY) {
    const place = nearMiddle(Math.round(size.w * share), Math.round(size.h * share), others);
    if (place) return place;
  }
  const step = (others.length % 8) * 24;
  const x = Math.round((STAGE.width - size.w) / 2 + step);
  return { x, y: Math.round((STAGE.height - size.h) / 2 + step), ...size };
}

function nearMiddle(w: number, h: number, others: readonly { box: Box }[]): Box | undefined {
  const middle = box((STAGE.width - w) / 2, (STAGE.height - h) / 2, w, h);
  const spots = [middle];
  for (let y = 40; y + h <= STAGE.height - 40; y += 40) {
    for (let x = 60; x + w <= STAGE.width - 60; x += 40) spots.push(box(x, y, w, h));
  }
  const fromMiddle = ({ x, y }: Box): number => Math.hypot(x - middle.x, y - middle.y);
  const free = spots
    .sort((a, b) => fromMiddle(a) - fromMiddle(b))
    .find((spot) => !others.some((other) => overlaps(spot, other.box)));
  return free && { ...free, x: Math.round(free.x), y: Math.round(free.y) };
}

const overlaps = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

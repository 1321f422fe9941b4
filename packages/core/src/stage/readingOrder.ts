import { isPiece, isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { ZoneElement } from '../elements/zone/zone.js';
import { type Slide } from '../deck/types.js';
import type { Box } from '../parts/place.js';

/**
 * The order in which a slide is read aloud and set below the picture on a phone: what lies above before what lies below,
 * what lies on the left before what lies on the right. Again and again the things are parted where the widest straight
 * gap runs through all of them (the recursive XY-cut of page analysis: Nagy and Seth, 1984), so that a column is read to
 * its end. What lies on a picture is read after it, before what comes next. Things that no straight gap parts are read by lines: two share one when their middles lie within half the
 * smaller one's height.
 */
export function readingOrder(elements: readonly SlideElement[]): SlideElement[] {
  return onPictures(elements.filter((element) => !isSpare(element)));
}

/** What lies on a picture, within its edges, is read after it and before what comes next. */
function onPictures(elements: readonly SlideElement[]): SlideElement[] {
  const lying = new Map<SlideElement, SlideElement[]>();
  const alone: SlideElement[] = [];
  const grounds: SlideElement[] = [];
  for (const element of elements) {
    const ground = grounds.findLast((one) => liesWithin(element.box, one.box));
    if (ground) lying.set(ground, [...(lying.get(ground) ?? []), element]);
    else alone.push(element);
    if (!ground && element.kind === 'picture') grounds.push(element);
  }
  if (lying.size === 0) return inOrder(alone);
  return inOrder(alone).flatMap((one) => [one, ...onPictures(lying.get(one) ?? [])]);
}

const liesWithin = (inner: Box, outer: Box): boolean =>
  inner.x >= outer.x - TOUCHING &&
  inner.y >= outer.y - TOUCHING &&
  inner.x + inner.w <= outer.x + outer.w + TOUCHING &&
  inner.y + inner.h <= outer.y + outer.h + TOUCHING;

function inOrder(elements: SlideElement[]): SlideElement[] {
  if (elements.length < 2) return elements;
  const [rows, columns] = [widestGap(elements, 'y'), widestGap(elements, 'x')];
  const isInColumns =
    columns &&
    // A thing that has the left side to itself goes before all that is beside it.
    (!rows || columns.before.length === 1 || columns.width > COLUMNS_FROM * rows.width);
  const cut = isInColumns ? columns : rows;
  if (!cut) return byLines(elements);
  return [...inOrder(cut.before), ...inOrder(cut.after)];
}

/** How much wider than the gap between rows one between columns is: in a grid rows go first. */
const COLUMNS_FROM = 1.5;
/** Slide units by which two things may lie over each other and are still one after the other. */
const TOUCHING = 4;

interface Cut {
  before: SlideElement[];
  after: SlideElement[];
  width: number;
}

/** The widest straight gap through all things, from the top or from the left. */
function widestGap(elements: readonly SlideElement[], axis: 'x' | 'y'): Cut | null {
  const long = axis === 'x' ? 'w' : 'h';
  const sorted = [...elements].sort((a, b) => a.box[axis] - b.box[axis]);
  let widest = -TOUCHING;
  let at = 0;
  let end = -Infinity;
  sorted.forEach(({ box }, index) => {
    const width = box[axis] - end;
    if (index > 0 && width > widest) [widest, at] = [width, index];
    end = Math.max(end, box[axis] + box[long]);
  });
  if (at === 0) return null;
  return { before: sorted.slice(0, at), after: sorted.slice(at), width: widest };
}

function byLines(elements: readonly SlideElement[]): SlideElement[] {
  const byTop = [...elements].sort((a, b) => middle(a) - middle(b) || a.box.x - b.box.x);
  const lines: SlideElement[][] = [];
  for (const element of byTop) {
    const line = lines.at(-1);
    const last = line?.at(-1);
    const isSameLine =
      last && Math.abs(middle(last) - middle(element)) < Math.min(last.box.h, element.box.h) / 2;
    if (line && isSameLine) line.push(element);
    else lines.push([element]);
  }
  return lines.flatMap((line) => line.sort((a, b) => a.box.x - b.box.x));
}

const middle = (element: SlideElement): number => element.box.y + element.box.h / 2;

/** What stands below the picture on a phone: what is read, pieces, questions and choices, each in reading order. */
export interface PhoneReading {
  /** The title, which stays on the picture. */
  title: SlideElement | null;
  /** What is read and looked at, choices apart. */
  read: SlideElement[];
  pieces: SlideElement[];
  zones: ZoneElement[];
  questions: QuestionElement[];
}

export function phoneReading(slide: Slide): PhoneReading {
  const order = readingOrder(slide.elements.filter((element) => element.layer !== 'background'));
  const title =
    order.find((element) => element.kind === 'text' && element.style === 'title') ?? null;
  return {
    title,
    read: order.filter(
      (element) =>
        element !== title &&
        element.layer === 'content' &&
        element.kind !== 'question' &&
        !(element.kind === 'text' && element.style === 'choice'),
    ),
    pieces: order.filter(isPiece),
    zones: order.filter((element) => element.kind === 'zone'),
    questions: order.filter((element) => element.kind === 'question'),
  };
}

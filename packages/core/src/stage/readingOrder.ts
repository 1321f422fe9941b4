import { isPiece, isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { ZoneElement } from '../elements/zone/zone.js';
import { type Slide } from '../deck/types.js';
import { inReadingOrder, TOUCHING } from '../geometry/readingOrder.js';
import type { Box } from '../parts/place.js';

/**
 * The order in which a slide is read aloud and set below the picture on a phone, as it is seen: what lies on a picture is
 * read after it, before what comes next.
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
  const inOrder = inReadingOrder(alone);
  return inOrder.flatMap((one) => [one, ...onPictures(lying.get(one) ?? [])]);
}

const liesWithin = (inner: Box, outer: Box): boolean =>
  inner.x >= outer.x - TOUCHING &&
  inner.y >= outer.y - TOUCHING &&
  inner.x + inner.w <= outer.x + outer.w + TOUCHING &&
  inner.y + inner.h <= outer.y + outer.h + TOUCHING;

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

import { isPiece, isSpare } from '../elements/elements.js';
import type { SlideElement } from '../elements/registry.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { ZoneElement } from '../elements/zone/zone.js';
import { type Slide } from '../deck/types.js';

/**
 * The order in which a slide is read aloud and set below the picture on a phone: from top to bottom,
 * things on one line from left to right. Two things share a line when their middles lie within half the
 * smaller one's height.
 */
export function readingOrder(elements: readonly SlideElement[]): SlideElement[] {
  const byTop = elements
    .filter((element) => !isSpare(element))
    .sort((a, b) => middle(a) - middle(b) || a.box.x - b.box.x);
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

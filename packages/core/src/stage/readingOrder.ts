import {
  isPiece,
  isSpare,
  type MediaElement,
  type SlideElement,
  type TableElement,
} from '../elements/elements.js';
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

/** What stands below the picture on a phone: words, pieces, questions and choices, each in reading order. */
export interface PhoneReading {
  /** The title, which stays on the picture. */
  title: SlideElement | null;
  texts: SlideElement[];
  pieces: SlideElement[];
  questions: SlideElement[];
  zones: SlideElement[];
  /** Tables, sounds and videos: too small to be read or touched in the picture. */
  tables: TableElement[];
  media: MediaElement[];
}

export function phoneReading(slide: Slide): PhoneReading {
  const order = readingOrder(slide.elements.filter((element) => element.layer !== 'background'));
  const title =
    order.find((element) => element.kind === 'text' && element.style === 'title') ?? null;
  return {
    title,
    texts: order.filter(
      (element) =>
        element !== title &&
        !isPiece(element) &&
        element.kind === 'text' &&
        element.style !== 'choice',
    ),
    pieces: order.filter(isPiece),
    questions: order.filter((element) => element.kind === 'question'),
    zones: order.filter((element) => element.kind === 'zone'),
    tables: order.filter((element) => element.kind === 'table'),
    media: order.filter((element) => element.kind === 'media'),
  };
}

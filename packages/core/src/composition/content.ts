import type { Slide } from '../deck/types.js';
import { drawnBox, isSpare } from '../elements/elements.js';
import type { ChartElement } from '../elements/chart/chart.js';
import type { FormulaElement } from '../elements/formula/formula.js';
import type { MediaElement } from '../elements/media/media.js';
import type { PictureElement } from '../elements/picture/picture.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { SlideElement } from '../elements/registry.js';
import type { TableElement } from '../elements/table/table.js';
import type { TextElement } from '../elements/text/text.js';
import type { Box } from '../parts/place.js';
import { wordsOf } from '../parts/richText.js';
import { wasMovedByHand } from './movedByHand.js';

/** What is set into a region of its own, with a form or a height of its own. */
export type Block = QuestionElement | TableElement | ChartElement | FormulaElement | MediaElement;
export type Part = TextElement | PictureElement | Block;

/** What is on a slide, as an editor sees it who is to lay it out: in the order in which it is read. */
export interface Content {
  title: TextElement | null;
  /** Everything that is read, but the title and the choices. */
  texts: TextElement[];
  choices: TextElement[];
  pictures: PictureElement[];
  blocks: Block[];
  /** What stays where it is: put there by hand, pieces and zones, and what belongs to them. Slide units. */
  kept: Box[];
}

const BLOCKS = new Set<SlideElement['kind']>(['question', 'table', 'chart', 'formula', 'media']);
const isBlock = (element: SlideElement): element is Block => BLOCKS.has(element.kind);

/** What of a slide is set out, and what stays. */
export function contentOf(slide: Slide): Content {
  const content: Content = {
    title: null,
    texts: [],
    choices: [],
    pictures: [],
    blocks: [],
    kept: [],
  };
  const free: Part[] = [];
  const held: Box[] = [];
  for (const element of slide.elements) {
    if (element.layer === 'background' || isSpare(element)) continue;
    if (isFree(element)) free.push(element);
    else if (element.groupId === null) {
      // A close-up shows what it lies on: that stays, but nothing is in its way.
      held.push(element.box);
      if (element.kind !== 'closeup') content.kept.push(drawnBox(element));
    }
  }
  for (const part of free) {
    // A thing that something kept lies on belongs to it: a link area on a picture, a piece on its place.
    const isKept = part.kind !== 'text' && held.some((box) => liesOn(box, part.box));
    if (isKept) content.kept.push(part.box);
    else put(content, part);
  }
  return content;
}

function put(content: Content, part: Part): void {
  if (part.kind === 'picture') content.pictures.push(part);
  else if (part.kind !== 'text') content.blocks.push(part);
  else if (part.style === 'choice') content.choices.push(part);
  else if (part.style === 'title' && !content.title) content.title = part;
  else content.texts.push(part);
}

function isFree(element: SlideElement): element is Part {
  const isOfAKind = element.kind === 'text' || element.kind === 'picture' || isBlock(element);
  return (
    isOfAKind &&
    element.layer === 'content' &&
    !element.isLocked &&
    element.groupId === null &&
    element.rotation === 0 &&
    !wasMovedByHand(element)
  );
}

function liesOn(above: Box, below: Box): boolean {
  const x = above.x + above.w / 2;
  const y = above.y + above.h / 2;
  return x > below.x && x < below.x + below.w && y > below.y && y < below.y + below.h;
}

/** All that is set out, in the order in which it is read. */
export const partsOf = ({ title, texts, pictures, blocks, choices }: Content): Part[] => [
  ...(title ? [title] : []),
  ...texts,
  ...pictures,
  ...blocks,
  ...choices,
];

/** How many letters a text has. */
export const lettersIn = (text: TextElement): number => wordsOf(text.text).length;

import { PAPER, type Theme } from '../themes/theme.js';
import { flatWords } from '../elements/formula/inWords.js';
import type { QuestionElement } from '../elements/question/question.js';
import type { SlideElement } from '../elements/registry.js';
import { shapeWordsBox } from '../geometry/shapes/shapes.js';
import { AS_THE_STYLE } from '../parts/typography.js';
import { kindOf } from '../questions/registry.js';
import {
  QUESTION_CARD,
  SHAPE_PADDING,
  shapeType,
  textPadding,
  textType,
  typeInStyle,
  type SetType,
} from '../themes/themes.js';
import { textHeight } from './textHeight.js';
import { textWidth } from './typeWidths.js';

/** The height that an element's words take in its box, in slide units; null for what has no words of its own. */
export function wordsHeight(
  element: SlideElement,
  theme: Theme,
  set: SetType | null = null,
): number | null {
  switch (element.kind) {
    case 'text': {
      const type = set ?? textType(element, theme);
      const padding = textPadding(element, theme);
      const width = Math.max(type.size, element.box.w - 2 * padding);
      return textHeight(element.text, width, type, element.columns);
    }
    case 'shape': {
      const type = set ?? shapeType(element, theme);
      const room = shapeWordsBox(element.shape, element.box.w, element.box.h);
      const width = Math.max(type.size, room.w - 2 * SHAPE_PADDING);
      // As if the whole box were room for words: a shape that keeps some of it needs as much more.
      return (textHeight(element.text, width, type) + 2 * SHAPE_PADDING) * (element.box.h / room.h);
    }
    case 'question':
      return questionHeight(element, element.box.w, questionSize(element));
    default:
      return null;
  }
}

/** Whether a question is answered on a surface, or by pieces, and not on rows of its own. */
export const hasSurface = ({ question }: Pick<QuestionElement, 'question'>): boolean =>
  kindOf(question.kind).lines(question).length === 0;

/** Sizes that the words of a question are set in, the largest first, in slide units. */
const QUESTION_SIZES = [42, 38, 34, 30, QUESTION_CARD.size];

/** The largest size in which a question fits its box: it fills the room that it is given. */
export function questionSize(element: QuestionElement): number {
  // How high a picture stands in it is not known here; what is drawn or pointed on takes the room itself.
  if (element.picture || hasSurface(element)) return QUESTION_CARD.size;
  const fits = (size: number): boolean =>
    questionHeight(element, element.box.w, size) <= element.box.h;
  return QUESTION_SIZES.find(fits) ?? QUESTION_CARD.size;
}

/** The height of a question whose words are set in a size, in a width; slide units. */
export function questionHeight(
  { text, question }: Pick<QuestionElement, 'text' | 'question'>,
  w: number,
  size: number,
): number {
  const { padding } = QUESTION_CARD;
  const type: SetType = { ...typeInStyle(AS_THE_STYLE, 'body', PAPER), size, weight: 600 };
  const width = Math.max(size, w - 2 * padding);
  // An option stands in a frame, behind the mark that picks it.
  const room = Math.max(size, width - 3.2 * size);
  const rows = kindOf(question.kind)
    .lines(question)
    .map((line) => Math.max(1, Math.ceil(textWidth(flatWords(line), 'body', size) / room)));
  const lines = rows.reduce((sum, one) => sum + one, 0);
  return (
    textHeight(text, width, type) +
    (rows.length > 0 ? QUESTION_GAP : 0) +
    (lines * type.leading + rows.length * ROW_FRAME) * size +
    2 * padding
  );
}

/** Between the prompt of a question and what it is answered with, in slide units. */
const QUESTION_GAP = 12;
/** What a row to answer on needs besides its words: its frame and the gap below it, in type sizes. */
const ROW_FRAME = 1.2;

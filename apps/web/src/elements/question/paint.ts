import {
  flatWords,
  linesOn,
  AS_THE_STYLE,
  QUESTION_CARD,
  questionSize,
  typeInStyle,
  type QuestionElement,
  PAPER,
} from '@gobrel/core';
import { standIns } from '../../painting/farFaces';
import { card, type Painter } from '../../painting/canvas';
import { paintText } from '../../painting/paintText';

export const paint: Painter<QuestionElement> = ({ context, theme }, element) => {
  const { w, h } = element.box;
  const { padding } = QUESTION_CARD;
  const size = questionSize(element);
  const words = typeInStyle({ ...AS_THE_STYLE, size }, 'body', PAPER);
  const { line } = PAPER.colours;
  context.fillStyle = '#FFFFFF';
  card(context, { x: 0, y: 0, w, h }, theme.dress.edge === 'none' ? '' : theme.colours.line);
  context.fillStyle = theme.colours.head;
  context.fillRect(4, 0, w - 8, 8);
  const inner = { x: padding, y: padding, w: w - 2 * padding, h };
  const type = { ...words, weight: 600, linked: new Set<string>() };
  let y = inner.y + paintText(context, element.text, inner, type) + 12;
  for (const option of linesOn(element)) {
    const height = size * 1.9;
    if (y + height > h) break;
    context.fillStyle = '#FFFFFF';
    card(context, { x: inner.x, y, w: inner.w, h: height }, line);
    context.fillStyle = type.colour;
    context.font = `400 ${size * 0.92}px ${type.family}, ${standIns()}`;
    context.textAlign = 'left';
    context.fillText(flatWords(option), inner.x + 16, y + height * 0.64, inner.w - 32);
    y += height + 10;
  }
};

import {
  isRightToLeft,
  isSolid,
  standOf,
  textEdge,
  textFill,
  textPadding,
  textType,
  wordsOf,
  type TextElement,
} from '@gobrel/core';
import { choicePath } from '../../painting/dress';
import { card, inset, setFill, type Painter } from '../../painting/canvas';
import { paintText } from '../../painting/paintText';

export const paint: Painter<TextElement> = ({ context, theme, linked }, element) => {
  const { w, h } = element.box;
  const whole = { x: 0, y: 0, w, h };
  const fill = textFill(element, theme);
  const padding = textPadding(element, theme);
  const stand = standOf(element);
  if (stand === 'line') {
    context.fillStyle = theme.colours.head;
    context.fillRect(0, 0, w, 3);
    context.beginPath();
    context.arc(7.5, 1.5, 7.5, 0, 2 * Math.PI);
    context.fill();
  }
  if (fill !== 'none') {
    setFill(context, fill, '', { w, h });
    const edge = textEdge(element, theme);
    if (element.style === 'choice' && element.layer !== 'pieces') {
      const path = choicePath(theme.dress.choice, w, h, theme.dress.corner);
      context.fill(path);
      if (edge && theme.dress.edge !== 'none') {
        context.strokeStyle = edge;
        context.lineWidth = 3;
        context.stroke(path);
      }
    } else if (isSolid(stand)) {
      context.fillRect(-1, -1, w + 2, h + 2);
    } else card(context, whole, edge);
  }
  const isCard = element.layer === 'pieces' || element.style === 'choice';
  const room = inset(whole, padding, isCard ? 0 : padding);
  const type = textType(element, theme);
  const height = paintText(context, element.text, room, { ...type, linked });
  const words = wordsOf(element.text);
  const isAdorned = element.style === 'title' && !isCard && words !== '';
  if (!isAdorned || theme.dress.ornament === 'none') return;
  // So small that all ornaments are one.
  const free = room.h - height;
  const above = type.upright === 'top' ? 0 : type.upright === 'middle' ? free / 2 : free;
  // Below where the words begin: at the right of those that are read from there.
  const begins = isRightToLeft(words) ? 'end' : 'start';
  const aside = type.align === 'center' ? 0.5 : type.align === begins ? 0 : 1;
  context.fillStyle = type.colour;
  context.globalAlpha *= 0.5;
  context.fillRect(room.x + (room.w - 120) * aside, room.y + above + height + 8, 120, 4);
};

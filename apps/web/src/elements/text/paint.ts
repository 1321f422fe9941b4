import { standOf, textEdge, textFill, textPadding, textType, type TextElement } from '@gobrel/core';
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
    } else if (stand === 'plate') {
      context.fillRect(-1, -1, w + 2, h + 2);
    } else card(context, whole, edge);
  }
  if (element.style === 'title' && theme.dress.ornament !== 'none' && element.layer !== 'pieces') {
    context.fillStyle = textType(element, theme).colour;
    context.save();
    context.globalAlpha *= 0.5;
    context.fillRect(padding, h - padding - 8, 120, 4);
    context.restore();
  }
  const isCard = element.layer === 'pieces' || element.style === 'choice';
  const room = inset(whole, padding, isCard ? 0 : padding);
  paintText(context, element.text, room, { ...textType(element, theme), linked });
};

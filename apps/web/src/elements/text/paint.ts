import { textEdge, textFill, textPadding, textType, type TextElement } from '@gobrel/core';
import { card, inset, setFill, type Painter } from '../../painting/canvas';
import { paintText } from '../../painting/paintText';

export const paint: Painter<TextElement> = ({ context, theme, linked }, element) => {
  const { w, h } = element.box;
  const whole = { x: 0, y: 0, w, h };
  const fill = textFill(element, theme);
  const padding = textPadding(element, theme);
  if (fill !== 'none') {
    setFill(context, fill, '', { w, h });
    card(context, whole, textEdge(element, theme));
  }
  const isCard = element.layer === 'pieces' || element.style === 'choice';
  const room = inset(whole, padding, isCard ? 0 : padding);
  paintText(context, element.text, room, { ...textType(element, theme), linked });
};

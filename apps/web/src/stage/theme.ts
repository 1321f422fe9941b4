import { lineHeight, THEME_COLOURS, TYPE_SIZE, type TextStyle, type ThemeName } from '@gobrel/core';
import type { CSSProperties } from 'react';

const HEAD = "'Bricolage Grotesque Variable', system-ui, sans-serif";
const BODY = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";

/** How a text style is set, in slide units. */
export function textStyle(
  style: TextStyle,
  theme: ThemeName,
  colour: string,
  size = 0,
): CSSProperties {
  const isHeading = style === 'title' || style === 'heading';
  const { ink, choiceInk } = THEME_COLOURS[theme];
  return {
    fontFamily: isHeading ? HEAD : BODY,
    fontSize: size || TYPE_SIZE[style],
    fontWeight: isHeading ? 700 : style === 'choice' ? 650 : 400,
    lineHeight: lineHeight(style),
    color: style === 'choice' ? colour || choiceInk : colour || ink,
  };
}

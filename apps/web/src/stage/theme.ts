import { TYPE_SIZE, type TextStyle, type ThemeName } from '@gobrel/core';
import type { CSSProperties } from 'react';

interface Theme {
  paper: string;
  ink: string;
  choiceFill: string;
  choiceInk: string;
  shapeFill: string;
  line: string;
}

export const THEME_COLOURS: Record<ThemeName, Theme> = {
  paper: {
    paper: '#FFFDF7',
    ink: '#1E2B32',
    choiceFill: '#FFFAF0',
    choiceInk: '#8E3518',
    shapeFill: '#E1EBEC',
    line: '#DED6C6',
  },
  night: {
    paper: '#22303A',
    ink: '#F6F1E4',
    choiceFill: '#FFFAF0',
    choiceInk: '#8E3518',
    shapeFill: '#37505C',
    line: '#4D6069',
  },
};

const HEAD = "'Bricolage Grotesque Variable', system-ui, sans-serif";
const BODY = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif";

/** How a text style is set, in slide units. */
export function textStyle(style: TextStyle, theme: ThemeName, colour: string): CSSProperties {
  const isHeading = style === 'title' || style === 'heading';
  const { ink, choiceInk } = THEME_COLOURS[theme];
  return {
    fontFamily: isHeading ? HEAD : BODY,
    fontSize: TYPE_SIZE[style],
    fontWeight: isHeading ? 700 : style === 'choice' ? 650 : 400,
    lineHeight: isHeading ? 1.12 : 1.34,
    color: style === 'choice' ? colour || choiceInk : colour || ink,
  };
}

import type { TextStyle, ThemeName } from '../deck/types.js';

export interface ThemeColours {
  paper: string;
  ink: string;
  choiceFill: string;
  choiceInk: string;
  shapeFill: string;
  line: string;
}

export const THEME_COLOURS: Record<ThemeName, ThemeColours> = {
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

/** Line heights of the text styles, in type sizes. */
export const lineHeight = (style: TextStyle): number =>
  style === 'title' || style === 'heading' ? 1.12 : 1.34;

/** Room left and right of the words inside a text's box, in slide units. */
export const CHOICE_PADDING = 24;
export const PIECE_PADDING = 10;
export const SHAPE_PADDING = 12;
/** A question's card: padding, and the size its words are set in. */
export const QUESTION_CARD = { padding: 20, size: 26 } as const;

/** The narrowest window, in CSS pixels, in which students touch the slide itself; below it they get lists. */
export const NARROWEST_STAGE = 880;

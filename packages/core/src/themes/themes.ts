import type { Alignment, TextStyle, Typography, Upright } from '../parts/typography.js';
import type { Fill } from '../parts/fill.js';
import type { Layer } from '../parts/place.js';
import { familyOf, type FamilyName } from '../parts/fonts.js';

export interface ThemeColours {
  paper: string;
  ink: string;
  /** Titles and headings. */
  head: string;
  choiceFill: string;
  choiceInk: string;
  shapeFill: string;
  line: string;
  /** What the colour picker offers first. */
  swatches: readonly string[];
}

/** How a text style is set. Sizes in slide units, line heights in type sizes. */
export interface TypeSpec {
  family: FamilyName;
  size: number;
  weight: number;
  leading: number;
}

export interface Theme {
  label: string;
  colours: ThemeColours;
  type: Record<TextStyle, TypeSpec>;
}

const set = (family: FamilyName, size: number, weight: number, leading: number): TypeSpec => ({
  family,
  size,
  weight,
  leading,
});

/** The styles of a theme from its two families; themes may change single ones. */
const typeFrom = (
  head: FamilyName,
  body: FamilyName,
  headWeight = 700,
): Record<TextStyle, TypeSpec> => ({
  title: set(head, 56, headWeight, 1.12),
  subtitle: set(body, 34, 400, 1.3),
  heading: set(head, 40, headWeight, 1.12),
  body: set(body, 30, 400, 1.34),
  caption: set(body, 22, 400, 1.34),
  choice: set(body, 28, 650, 1.34),
});

const THEME_TABLE = {
  paper: {
    label: 'Paper',
    colours: {
      paper: '#FFFDF7',
      ink: '#1E2B32',
      head: '#1E2B32',
      choiceFill: '#FFFAF0',
      choiceInk: '#8E3518',
      shapeFill: '#E1EBEC',
      line: '#DED6C6',
      swatches: ['#1E2B32', '#17505C', '#BF4E2A', '#A97F22', '#5E7F3A', '#7A4B78', '#FFFFFF'],
    },
    type: typeFrom('bricolage', 'atkinson'),
  },
  night: {
    label: 'Night',
    colours: {
      paper: '#22303A',
      ink: '#F6F1E4',
      head: '#FFFFFF',
      choiceFill: '#FFFAF0',
      choiceInk: '#8E3518',
      shapeFill: '#37505C',
      line: '#4D6069',
      swatches: ['#F6F1E4', '#FFFFFF', '#F0C36A', '#E79A7C', '#9CC7B4', '#B9A6D6', '#1E2B32'],
    },
    type: typeFrom('bricolage', 'atkinson'),
  },
  meadow: {
    label: 'Meadow',
    colours: {
      paper: '#F3F8EC',
      ink: '#24331F',
      head: '#35602A',
      choiceFill: '#FFFFFF',
      choiceInk: '#7A3B12',
      shapeFill: '#D5E6C3',
      line: '#BFD2AE',
      swatches: ['#24331F', '#35602A', '#C4572B', '#D19A22', '#2F6E78', '#8A4B6E', '#FFFFFF'],
    },
    type: typeFrom('fredoka', 'lexend', 600),
  },
  almanac: {
    label: 'Almanac',
    colours: {
      paper: '#FBF3E4',
      ink: '#33261C',
      head: '#5B2A1E',
      choiceFill: '#FFFBF3',
      choiceInk: '#5B2A1E',
      shapeFill: '#EBDCC0',
      line: '#D6C19B',
      swatches: ['#33261C', '#5B2A1E', '#9A4A26', '#8A6A1F', '#3D5A4A', '#44506E', '#FFFFFF'],
    },
    type: {
      ...typeFrom('literata', 'literata', 650),
      title: set('literata', 58, 650, 1.12),
      body: set('literata', 30, 400, 1.4),
    },
  },
} as const satisfies Record<string, Theme>;

export type ThemeName = keyof typeof THEME_TABLE;
export const THEMES = Object.keys(THEME_TABLE) as ThemeName[];
export const themeOf = (name: ThemeName): Theme => THEME_TABLE[name];
export const coloursOf = (name: ThemeName): ThemeColours => THEME_TABLE[name].colours;
export const typeSpec = (theme: ThemeName, style: TextStyle): TypeSpec =>
  themeOf(theme).type[style];

/** Words as they are set: nothing left to a style any more. */
export interface SetType extends TypeSpec {
  colour: string;
  align: Alignment;
  upright: Upright;
  /** Space between paragraphs in type sizes. */
  gap: number;
}

function setWith(own: Typography, spec: TypeSpec, colour: string, rest: Rest): SetType {
  return {
    family: own.family || spec.family,
    size: own.size || spec.size,
    weight: spec.weight,
    leading: own.leading || spec.leading,
    colour: own.colour || colour,
    align: own.align || rest.align,
    upright: own.upright || rest.upright,
    gap: own.gap,
  };
}
interface Rest {
  align: Alignment;
  upright: Upright;
}

/** What a text says of how its words are set, and on what. */
interface Words extends Typography {
  style: TextStyle;
  layer: Layer;
  fill: Fill;
}

/** How the words of a text stand on a slide of a theme. */
export function textType(element: Words, theme: ThemeName): SetType {
  const { ink, head, choiceInk } = coloursOf(theme);
  const { style, layer } = element;
  const isPiece = layer === 'pieces';
  const colour = isPiece
    ? PIECE_INK
    : style === 'choice'
      ? choiceInk
      : style === 'title' || style === 'heading'
        ? head
        : ink;
  return setWith(element, typeSpec(theme, style), colour, {
    align: isPiece ? 'center' : 'start',
    upright: style === 'choice' || isPiece ? 'middle' : 'top',
  });
}

/** The same for the words in a shape. */
export const shapeType = (element: Typography, theme: ThemeName): SetType =>
  setWith(element, typeSpec(theme, 'body'), coloursOf(theme).ink, {
    align: 'center',
    upright: 'middle',
  });

/** And for tables and lists of credits, in one of the styles. */
export const typeInStyle = (own: Typography, style: TextStyle, theme: ThemeName): SetType =>
  setWith(own, typeSpec(theme, style), coloursOf(theme).ink, { align: 'start', upright: 'top' });

/** What a text is filled with: choices and pieces stand on cards unless they are given another ground, or none. */
export function textFill(element: Words, theme: ThemeName): Fill {
  const { fill, style, layer } = element;
  if (fill !== '') return fill;
  return style === 'choice' || layer === 'pieces' ? coloursOf(theme).choiceFill : 'none';
}

/** The edge of a text's card; '' for none: pieces have one, and choices that stand on the card of their theme. */
export function textEdge({ style, layer, fill }: Words, theme: ThemeName): string {
  if (layer === 'pieces') return coloursOf('paper').line;
  return style === 'choice' && fill === '' ? coloursOf(theme).line : '';
}

/** The ink of a piece's card. */
export const PIECE_INK = '#1E2B32';
/** Room left and right of the words inside a text's box, in slide units. */
export const CHOICE_PADDING = 24;
export const PIECE_PADDING = 10;
export const SHAPE_PADDING = 12;
export function textPadding(element: Words, theme: ThemeName): number {
  if (element.layer === 'pieces') return PIECE_PADDING;
  if (element.style === 'choice') return CHOICE_PADDING;
  return textFill(element, theme) === 'none' ? 0 : SHAPE_PADDING;
}

/** A question's card: padding, and the size its words are set in. */
export const QUESTION_CARD = { padding: 20, size: 26 } as const;

/** The narrowest window, in CSS pixels, in which students touch the slide itself; below it they get lists. */
export const NARROWEST_STAGE = 880;

/** How wide running text of a family is set, compared with the family that widths are known of. */
export const familyWidth = (family: FamilyName): number => familyOf(family).width;

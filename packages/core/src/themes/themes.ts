import type { Alignment, Stand, TextStyle, Typography, Upright } from '../parts/typography.js';
import type { Fill } from '../parts/fill.js';
import type { Layer } from '../parts/place.js';
import { familyOf, type FamilyName } from '../parts/fonts.js';
import { PAPER, type Theme, type TypeSpec } from './theme.js';

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
    family: own.family ?? spec.family,
    // Editions that were frozen earlier have nought and no letters for null.
    size: own.size || spec.size,
    weight: spec.weight,
    leading: own.leading || spec.leading,
    colour: own.colour || colour,
    align: own.align ?? rest.align,
    upright: own.upright ?? rest.upright,
    gap: own.gap ?? 0,
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
  stands: Stand;
}

/** How the words of a text stand on a slide of a theme. */
export function textType(element: Words, theme: Theme): SetType {
  const { ink, head, choiceInk, paper } = theme.colours;
  const { style, layer } = element;
  const isPiece = layer === 'pieces';
  const own = style === 'title' || style === 'heading' ? head : ink;
  const colour = isPiece
    ? PIECE_INK
    : style === 'choice'
      ? choiceInk
      : standOf(element) === 'band'
        ? paper
        : own;
  return setWith(element, theme.type[style], colour, {
    align: isPiece ? 'center' : 'start',
    upright: style === 'choice' || isPiece ? 'middle' : 'top',
  });
}

/** The same for the words in a shape. */
export const shapeType = (element: Typography, theme: Theme): SetType =>
  setWith(element, theme.type.body, theme.colours.ink, {
    align: 'center',
    upright: 'middle',
  });

/** And for tables and lists of credits, in one of the styles. */
export const typeInStyle = (own: Typography, style: TextStyle, theme: Theme): SetType =>
  setWith(own, theme.type[style], theme.colours.ink, { align: 'start', upright: 'top' });

/** What a text is filled with: choices and pieces stand on cards unless they are given another ground, or none. */
export function textFill(element: Words, theme: Theme): Fill {
  const { fill, style, layer } = element;
  if (fill !== '') return fill;
  if (layer === 'pieces') return PIECE_FILL;
  if (style === 'choice') return theme.colours.choiceFill;
  const { paper, head } = theme.colours;
  return element.stands === 'plate' ? paper : element.stands === 'band' ? head : 'none';
}

/** What a text stands on, where it has no ground of its own. */
export const standOf = ({ stands, fill, style, layer }: Words): Stand =>
  fill === '' && style !== 'choice' && layer !== 'pieces' ? stands : 'bare';

/** The edge of a text's card; '' for none: pieces have one, and choices that stand on the card of their theme. */
export function textEdge({ style, layer, fill }: Words, theme: Theme): string {
  if (layer === 'pieces') return PAPER.colours.line;
  return style === 'choice' && fill === '' ? theme.colours.line : '';
}

/** Pieces are of paper in every theme: they are moved over all of its colours. */
const PIECE_FILL = '#FFFDF7';
const PIECE_INK = '#1E2B32';
/** Room left and right of the words inside a text's box, in slide units. */
export const CHOICE_PADDING = 24;
export const PIECE_PADDING = 10;
export const SHAPE_PADDING = 12;
export const STAND_PADDING: Readonly<Record<Stand, number>> = {
  bare: 0,
  plate: 20,
  band: 20,
  line: 16,
};
export function textPadding(element: Words, theme: Theme): number {
  if (element.layer === 'pieces') return PIECE_PADDING;
  if (element.style === 'choice') return CHOICE_PADDING;
  const stand = standOf(element);
  if (stand !== 'bare') return STAND_PADDING[stand];
  return textFill(element, theme) === 'none' ? 0 : SHAPE_PADDING;
}

/** A question's card: padding, and the size its words are set in. */
export const QUESTION_CARD = { padding: 20, size: 26 } as const;

/** The narrowest window, in CSS pixels, in which students touch the slide itself; below it they get lists. */
export const NARROWEST_STAGE = 880;

/** How wide running text of a family is set, compared with the family that widths are known of. */
export const familyWidth = (family: FamilyName): number => familyOf(family).width;

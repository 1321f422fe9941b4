import type { FamilyName } from './fonts.js';

export const TEXT_STYLES = ['title', 'subtitle', 'heading', 'body', 'caption', 'choice'] as const;
export type TextStyle = (typeof TEXT_STYLES)[number];

export const ALIGNMENTS = ['start', 'center', 'end', 'justify'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];
export const UPRIGHTS = ['top', 'middle', 'bottom'] as const;
export type Upright = (typeof UPRIGHTS)[number];

/**
 * What a text stands on: whatever is behind it, a plate of the theme's paper, one of the colour of its titles, or under a
 * line with a dot.
 */
export const STANDS = ['bare', 'plate', 'band', 'line'] as const;
export type Stand = (typeof STANDS)[number];
/** Whether it hides what is behind it. */
export const isSolid = (stand: Stand): boolean => stand === 'plate' || stand === 'band';

/** How words are set; null leaves it to the style, and thereby to the theme. */
export interface Typography {
  family: FamilyName | null;
  /** Type size in slide units. */
  size: number | null;
  /** '#rrggbb'. */
  colour: string | null;
  align: Alignment | null;
  upright: Upright | null;
  /** Line height in type sizes. */
  leading: number | null;
  /** Space between paragraphs in type sizes. */
  gap: number | null;
}

/** All of it as the style says. */
export const AS_THE_STYLE: Typography = {
  family: null,
  size: null,
  colour: null,
  align: null,
  upright: null,
  leading: null,
  gap: null,
};

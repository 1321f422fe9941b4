/** A colour '#rrggbb', '' for what the theme says, 'none' for nothing; or a gradient. */
export type Fill = string | Gradient;
export interface Gradient {
  from: string;
  to: string;
  /** Degrees clockwise; 0 runs from left to right. */
  angle: number;
  isRadial: boolean;
}

export const DASHES = ['solid', 'dashed', 'dotted'] as const;
export type Dash = (typeof DASHES)[number];
export interface Outline {
  /** '#rrggbb', or '' for the theme's ink. */
  colour: string;
  /** In slide units; 0 draws none. */
  weight: number;
  dash: Dash;
}

export const SHADOWS = ['none', 'soft', 'lifted'] as const;
export type Shadow = (typeof SHADOWS)[number];

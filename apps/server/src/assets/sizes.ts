/** Widths in pixels that pictures are handed out in, besides their own. */
export const WIDTHS = [320, 640, 1280] as const;
export const SMALL = 48;
/** Widths of small PNGs, drawings among them: for what cannot draw an SVG itself. */
export const SMALL_WIDTHS = [SMALL, 272] as const;

export const NO_PICTURE =
  'This file is no picture that can be shown. PNG, JPEG, WebP, GIF and SVG pictures can be used.';

import { STAGE } from '../parts/place.js';
import type { TextStyle } from '../parts/typography.js';
import { NARROWEST_STAGE } from '../themes/themes.js';

/**
 * The smallest type that is read from the back row, in slide units: body about a thirtieth of the slide's height, as
 * is usual for rooms six times as deep as the picture is high; what is set larger or matters less in proportion.
 */
export const READABLE: Record<TextStyle, number> = {
  title: 40,
  subtitle: 26,
  heading: 32,
  body: 24,
  choice: 24,
  caption: 20,
};

/** A slide fills a screen of this many pixels; a picture should have as many where it stands. */
const SCREEN_WIDTH = 1920;
export const SCREEN_PIXELS = SCREEN_WIDTH / STAGE.width;
/** Fewer pixels than this share of what is shown looks blurred. */
export const BLURRED = 0.5;

/** The side of the smallest area that a finger meets, in CSS pixels (WCAG 2.5.5). */
const FINGER = 44;
/** The same on the stage of the narrowest screen on which the slide itself is touched, in slide units. */
export const SMALLEST_AREA = Math.ceil((FINGER * STAGE.width) / NARROWEST_STAGE);

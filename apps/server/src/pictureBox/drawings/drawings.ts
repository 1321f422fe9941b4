import type { Drawing } from './drawing.js';
import { NATURE } from './nature.js';
import { SCHOOL } from './school.js';
import { SEA } from './sea.js';
import { WEATHER } from './weather.js';

export type { Drawing } from './drawing.js';

/** All drawings of the picture box. */
export const DRAWINGS: readonly Drawing[] = [...WEATHER, ...SEA, ...NATURE, ...SCHOOL];

/** A drawing as a picture of its own. */
export const svgOf = ({ body, title }: Drawing): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 100" width="720" height="600"><title>${title}</title>${body}</svg>`;

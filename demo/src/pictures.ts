import { COASTS } from './drawings/coast.js';
import { LAMP_ROOMS } from './drawings/lampRoom.js';
import { SHORES } from './drawings/shore.js';
import { THINGS } from './drawings/things.js';

/** The demo's own drawings, as SVG. Made for this project; free to use with it. */
export const PICTURES = { ...COASTS, ...LAMP_ROOMS, ...SHORES, ...THINGS } as const;

export type PictureName = keyof typeof PICTURES;

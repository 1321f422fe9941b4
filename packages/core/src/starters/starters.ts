import { CLOSING } from './closing.js';
import { OPENING } from './opening.js';
import type { Starter } from './starter.js';
import { WORKING } from './working.js';

/** The ready-made slides that ship with Gobrel. */
export const STARTERS: readonly Starter[] = [...OPENING, ...WORKING, ...CLOSING];

import type { Beginning } from './beginning.js';
import { LESSONS } from './lessons.js';
import { STORIES } from './stories.js';

/** All beginnings, as they are offered. */
export const BEGINNINGS_OF_OURS: readonly Beginning[] = [...STORIES, ...LESSONS];

export const beginningById = (id: string): Beginning | undefined =>
  BEGINNINGS_OF_OURS.find((one) => one.id === id);

import type { FamilyName } from '../parts/fonts.js';
import type { Dress } from './dress.js';

/** Every theme has two sides: dark words on light, and light words on dark. */
export const SIDES = ['light', 'dark'] as const;
export type Side = (typeof SIDES)[number];

/** The pictures that a theme can have in its background. */
export const SCENERIES = [
  'sheets',
  'hills',
  'herbarium',
  'harbour',
  'stars',
  'blueprint',
  'pool',
  'chalk',
  'orchard',
  'city',
  'workshop',
  'attic',
] as const;
export type SceneryName = (typeof SCENERIES)[number];

/** How much of its scenery a deck shows. */
export const AMOUNTS = ['none', 'quiet', 'full'] as const;
export type Amount = (typeof AMOUNTS)[number];

/** What scenery is painted with, as #rrggbb. */
export interface SceneColours {
  /** What the ground turns into towards the foot of the slide. */
  sky: string;
  /** From the farthest thing to the nearest. */
  far: string;
  mid: string;
  near: string;
  deep: string;
  /** Sun, lamps, stars. */
  light: string;
  /** The one warm thing. */
  warm: string;
}

export interface ThemeColours {
  paper: string;
  ink: string;
  /** Titles and headings. */
  head: string;
  choiceFill: string;
  choiceInk: string;
  shapeFill: string;
  line: string;
}

/** A theme as it is kept: plain data, ours or a teacher's own. */
export interface ThemeData {
  label: string;
  head: FamilyName;
  body: FamilyName;
  /** Of titles and headings. */
  headWeight: number;
  scenery: SceneryName;
  dress: Dress;
  light: ThemeColours;
  dark: ThemeColours;
  /** What its scenery is painted with; ours have that in `scenes.ts`. */
  scene?: Record<Side, SceneColours>;
}

import type { Outline } from '../../parts/fill.js';
import type { ShapeName } from '../../geometry/shapes/shapes.js';
import type { ElementBase } from '../base.js';
import { flag, outline, SHAPED } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** A region that the show can fly into; a stop on a trail like a slide. */
export interface CloseUpElement extends ElementBase {
  kind: 'closeup';
  shape: ShapeName;
  points: number[];
  isSeen: boolean;
  outline: Outline;
}

export const closeup: ElementKindOf<CloseUpElement> = {
  kind: 'closeup',
  label: 'Close-up',
  fields: { ...SHAPED, isSeen: flag(), outline: outline(4) },
  needs: [],
  may: { holdLines: true },
  isRegion: true,
  takesAlong: true,
  look: ['outline', 'isSeen'],
  isInTheWay: () => false,
};

import type { Typography } from '../../parts/typography.js';
import type { ElementBase } from '../base.js';
import { TYPE, TYPOGRAPHY } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** The credits of all pictures of the deck. It has no words of its own, so it is never out of date. */
export interface CreditsElement extends ElementBase, Typography {
  kind: 'credits';
}

export const credits: ElementKindOf<CreditsElement> = {
  kind: 'credits',
  label: 'Credits',
  fields: TYPOGRAPHY,
  needs: [],
  may: { holdLines: true, beGrouped: true, beTurned: true },
  look: [...TYPE, 'opacity'],
  isInTheWay: () => true,
};

import type { ShapeName } from '../../geometry/shapes/shapes.js';
import type { ElementBase } from '../base.js';
import { SHAPED } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** An area that is not to be seen and carries a link. */
export interface HotspotElement extends ElementBase {
  kind: 'hotspot';
  shape: ShapeName;
  points: number[];
}

export const hotspot: ElementKindOf<HotspotElement> = {
  kind: 'hotspot',
  label: 'Link area',
  fields: SHAPED,
  needs: [],
  may: { carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  look: [],
  isInTheWay: () => false,
};

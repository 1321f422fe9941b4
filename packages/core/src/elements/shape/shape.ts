import type { Fill, Outline, Shadow } from '../../parts/fill.js';
import type { RichText } from '../../parts/richText.js';
import type { Typography } from '../../parts/typography.js';
import { shapeKind, type ShapeName } from '../../geometry/shapes/shapes.js';
import type { ElementBase } from '../base.js';
import { fill, FLIPPED, outline, richText, shadow, SHAPED, TYPE, TYPOGRAPHY } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

export interface ShapeElement extends ElementBase, Typography {
  kind: 'shape';
  shape: ShapeName;
  /** Values of the shape's adjustments; standard ones where there are none. */
  points: number[];
  text: RichText;
  fill: Fill;
  outline: Outline;
  shadow: Shadow;
  isFlippedAcross: boolean;
  isFlippedDown: boolean;
}

export const shape: ElementKindOf<ShapeElement, 'shape'> = {
  kind: 'shape',
  label: 'Shape',
  labelOf: (element) => shapeKind(element.shape).label,
  fields: {
    ...TYPOGRAPHY,
    ...SHAPED,
    text: richText(),
    fill: fill(),
    outline: outline(0),
    shadow: shadow(),
    ...FLIPPED,
  },
  needs: ['shape'],
  may: { bePiece: true, carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  look: [...TYPE, 'fill', 'outline', 'shadow', 'opacity'],
  isInTheWay: ({ fill, opacity }) => fill !== 'none' && opacity > 0.5,
};

import { readAsset, readCredit, readShare, type AssetRef, type Credit } from '../../parts/asset.js';
import { asNumber, asRecord } from '../../parts/decode.js';
import type { Outline, Shadow } from '../../parts/fill.js';
import { FITS, type Fit } from '../../parts/fit.js';
import type { Box } from '../../parts/place.js';
import { SHAPES, type ShapeName } from '../../geometry/shapes/shapes.js';
import type { ElementBase } from '../base.js';
import {
  flag,
  FLIPPED,
  given,
  letters,
  numbers,
  oneOf,
  outline,
  shadow,
  type Field,
} from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** Soft adjustments of a picture, each −1 to 1, 0 as it is. */
export interface Adjustments {
  brightness: number;
  contrast: number;
  colour: number;
  warmth: number;
}

export interface PictureElement extends ElementBase {
  kind: 'picture';
  asset: AssetRef;
  alt: string;
  /** It says nothing that must be read out: it needs no alternative text. */
  isDecoration: boolean;
  credit: Credit;
  /** The credit stands in a small line on the picture's lower edge. */
  showsCredit: boolean;
  fit: Fit;
  /** The part of the picture that is shown, in shares of it; the whole of it is 0 0 1 1. */
  crop: Box;
  /** What of the whole picture must not be lost, in shares of it: it stays in view and nothing is laid over it; null where nobody has said, then what seems to. */
  matters: Box | null;
  /** The shape it is cut to. */
  mask: ShapeName;
  points: number[];
  outline: Outline;
  shadow: Shadow;
  isFlippedAcross: boolean;
  isFlippedDown: boolean;
  adjust: Adjustments;
}

export const picture: ElementKindOf<PictureElement, 'asset'> = {
  kind: 'picture',
  label: 'Picture',
  fields: {
    asset: given(readAsset),
    alt: letters(2000),
    isDecoration: flag(),
    credit: credited(),
    showsCredit: flag(),
    fit: oneOf(FITS, 'contain'),
    crop: given(readShare),
    matters: given((value) => (value ? readShare(value) : null)),
    mask: oneOf(SHAPES, 'rectangle'),
    points: numbers(8),
    outline: outline(0),
    shadow: shadow(),
    ...FLIPPED,
    adjust: given(readAdjustments),
  },
  needs: ['asset'],
  may: { bePiece: true, carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  keepsForm: true,
  look: ['outline', 'shadow', 'opacity', 'adjust'],
  isInTheWay: () => true,
  says: ({ alt }) => alt,
  pictures: ({ asset }) => [asset.hash],
};

/** Its licence once stood beside it. */
function credited(): Field<Credit> {
  return {
    ...given((value) => readCredit(value)),
    once: 'licence',
    read: (raw, key) => readCredit(raw.get(key), raw.get('licence')),
  };
}

function readAdjustments(value: unknown): Adjustments {
  const { brightness, contrast, colour, warmth } = asRecord(value);
  const soft = (given: unknown): number => asNumber(given, 0, -1, 1);
  return {
    brightness: soft(brightness),
    contrast: soft(contrast),
    colour: soft(colour),
    warmth: soft(warmth),
  };
}

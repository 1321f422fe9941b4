import type { Fill } from '../../parts/fill.js';
import type { RichText } from '../../parts/richText.js';
import {
  isSolid,
  STANDS,
  TEXT_STYLES,
  type Stand,
  type TextStyle,
  type Typography,
} from '../../parts/typography.js';
import type { ElementBase } from '../base.js';
import { fill, oneOf, richText, TYPE, TYPOGRAPHY, whole } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** What a text does when its words need more room: its box grows, they run out of it, or they are set smaller. */
export const TEXT_FITS = ['grow', 'fixed', 'shrink'] as const;
export type TextFit = (typeof TEXT_FITS)[number];

export interface TextElement extends ElementBase, Typography {
  kind: 'text';
  style: TextStyle;
  text: RichText;
  columns: number;
  fit: TextFit;
  fill: Fill;
  /** What it was set out on; heeded where it has no fill of its own. */
  stands: Stand;
}

export const text: ElementKindOf<TextElement, 'style'> = {
  kind: 'text',
  label: 'Text',
  fields: {
    ...TYPOGRAPHY,
    style: oneOf(TEXT_STYLES, 'body'),
    text: richText(),
    columns: whole(1, 1, 3),
    fit: oneOf(TEXT_FITS, 'grow'),
    fill: fill(),
    stands: oneOf(STANDS, 'bare'),
  },
  needs: ['style'],
  may: { bePiece: true, carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  look: [...TYPE, 'style', 'fill', 'opacity'],
  isInTheWay: ({ style, fill, stands }) =>
    style === 'choice' || (fill === '' ? isSolid(stands) : fill !== 'none'),
};

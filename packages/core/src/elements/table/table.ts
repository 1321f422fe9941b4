import type { Outline } from '../../parts/fill.js';
import type { RichText } from '../../parts/richText.js';
import type { Typography } from '../../parts/typography.js';
import type { ElementBase } from '../base.js';
import { numbers, outline, richText, TYPE, TYPOGRAPHY } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

export interface TableElement extends ElementBase, Typography {
  kind: 'table';
  /** One table node. */
  text: RichText;
  /** Widths of its columns, in shares of the box. */
  columns: number[];
  outline: Outline;
}

export const table: ElementKindOf<TableElement> = {
  kind: 'table',
  label: 'Table',
  fields: { ...TYPOGRAPHY, text: richText(), columns: numbers(20), outline: outline(2) },
  needs: [],
  may: { holdLines: true, beGrouped: true, beTurned: true },
  growsWithRows: true,
  look: [...TYPE, 'outline', 'opacity'],
  isInTheWay: () => true,
};

import type { ElementBase } from '../base.js';
import { colour, letters } from '../fields.js';
import type { ElementKindOf } from '../kind.js';
import { spokenTex } from './tex.js';

/** A formula, as large as its box has room for. */
export interface FormulaElement extends ElementBase {
  kind: 'formula';
  /** In LaTeX's way of writing, without signs around it. */
  tex: string;
  /** How it is read aloud; '' as it is written. */
  spoken: string;
  colour: string | null;
}

export const formula: ElementKindOf<FormulaElement> = {
  kind: 'formula',
  label: 'Formula',
  fields: { tex: letters(1000), spoken: letters(1000), colour: colour() },
  needs: [],
  may: { bePiece: true, carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  keepsForm: true,
  look: ['colour', 'opacity'],
  isInTheWay: () => false,
  says: ({ spoken, tex }) => spoken || spokenTex(tex),
};

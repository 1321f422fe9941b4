import * as Y from 'yjs';
import { readStrokes, type InkStroke } from '../../parts/ink.js';
import type { Box } from '../../parts/place.js';
import type { ElementBase } from '../base.js';
import { box, given, type Field } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

/** A drawing by hand. `frame` is what its strokes were drawn in; it is stretched to the box. */
export interface InkElement extends ElementBase {
  kind: 'ink';
  frame: Box;
  strokes: InkStroke[];
}

/** Several people may draw at once, so strokes are kept one by one. */
const strokes = (): Field<InkStroke[]> => ({
  ...given(readStrokes),
  write: (map, key, value) => map.set(key, Y.Array.from(value ?? [])),
});

export const ink: ElementKindOf<InkElement> = {
  kind: 'ink',
  label: 'Drawing',
  fields: { frame: box(), strokes: strokes() },
  needs: [],
  may: { bePiece: true, carryLink: true, holdLines: true, beGrouped: true, beTurned: true },
  keepsForm: true,
  look: ['opacity'],
  isInTheWay: () => false,
};

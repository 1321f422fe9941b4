import type { ElementBase } from '../base.js';
import type { ElementKindOf } from '../kind.js';

/** Things that move, turn and carry a link as one. Its box is the one around its members. */
export interface GroupElement extends ElementBase {
  kind: 'group';
}

export const group: ElementKindOf<GroupElement> = {
  kind: 'group',
  label: 'Group',
  fields: {},
  needs: [],
  may: { bePiece: true, carryLink: true, beGrouped: true, beTurned: true },
  keepsForm: true,
  holdsMembers: true,
  look: [],
  isInTheWay: () => false,
};

import type { Point } from '../geometry/Pen.js';
import type { Decimal } from '../questions/number/readNumber.js';
import type { ElementId } from '../parts/ids.js';
import type { Layer } from '../parts/place.js';
import type { ElementBase } from './base.js';
import type { Fields } from './fields.js';

export interface OfAKind extends ElementBase {
  kind: string;
}

/** What things of a kind may do. */
export interface Abilities {
  /** Students may be let move it. */
  bePiece?: true;
  /** It carries a link as a whole. */
  carryLink?: true;
  /** Lines stick to it with their ends. */
  holdLines?: true;
  beGrouped?: true;
  beTurned?: true;
}

/**
 * What a kind of thing on a slide is, once, for every device. `N` names the fields that whoever puts one on a slide has
 * to say.
 */
export interface ElementKindOf<E extends OfAKind, N extends keyof E = never> {
  kind: E['kind'];
  /** What it is called in lists and in the tray. */
  label: string;
  /** The same for one that has a better name than its kind. */
  labelOf?(element: E): string;
  /** Its own fields, beside those that every thing has. */
  fields: Fields<Omit<E, keyof OfAKind>>;
  needs: readonly N[];
  may: Abilities;
  /** The layer that it never leaves. */
  staysOn?: Layer;
  /** It has the form of what is in it: corners pull it larger and smaller, never askew. */
  keepsForm?: true;
  /** Its box is as high as the rows of its table. */
  growsWithRows?: true;
  /** It is drawn as the things that lie in it, and its box is the one around them. */
  holdsMembers?: true;
  /** It is a region of the slide, with other things in it. */
  isRegion?: true;
  /** What lies in it moves along with it. */
  takesAlong?: true;
  /** What belongs to its look, and not to what it shows or where it is. */
  look: readonly (keyof E)[];
  /** Whether one that carries no link keeps a finger from what lies under it. */
  isInTheWay(element: E): boolean;
  /** What it says to those who do not see it, where that is not the words in it. */
  says?(element: E): string;
  /** Lines that students read on it below its words. */
  lines?(element: E): string[];
  /** Hashes of the pictures that it shows. */
  pictures?(element: E): string[];
  /** Hashes of the sounds and videos that it plays. */
  media?(element: E): string[];
  /** What of its fields is otherwise in a deck whose language parts decimals by this sign. */
  withDecimal?(fields: Partial<Omit<E, keyof OfAKind>>, decimal: Decimal): Partial<E>;
  /** The same thing after others have moved: what sticks to them has followed. */
  follow?(element: E, find: (id: ElementId) => ElementBase | undefined): E;
  /** Whether it is where others hold it, and is not moved by itself. */
  isHeld?(element: E): boolean;
  /** Where it comes to lie turned about a place, for one that has no upright of its own. Degrees clockwise. */
  turned?(element: E, about: Point, degrees: number): Pick<E, 'box'> & { points: Point[] };
}

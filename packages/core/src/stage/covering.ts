import { isPiece } from '../elements/elements.js';
import { elementKind, type SlideElement } from '../elements/registry.js';

/**
 * Whether a thing that carries no link keeps a finger from what lies under it. What is seen through, lines and drawings
 * are pressed through. The stage goes by it, and so does Check.
 */
export function isInTheWay(element: SlideElement): boolean {
  return isPiece(element) || elementKind(element.kind).isInTheWay(element);
}

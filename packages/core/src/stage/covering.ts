import { isPiece, type SlideElement } from '../elements/elements.js';

/**
 * Whether a thing that carries no link keeps a finger from what lies under it. What is seen through, lines and drawings
 * are pressed through. The stage goes by it, and so does Check.
 */
export function isInTheWay(element: SlideElement): boolean {
  if (isPiece(element)) return true;
  switch (element.kind) {
    case 'shape':
      return element.fill !== 'none' && element.opacity > 0.5;
    case 'text':
      return element.style === 'choice' || (element.fill !== '' && element.fill !== 'none');
    case 'picture':
    case 'media':
    case 'table':
    case 'question':
    case 'credits':
      return true;
    case 'line':
    case 'ink':
    case 'hotspot':
    case 'zone':
    case 'closeup':
    case 'group':
      return false;
  }
}

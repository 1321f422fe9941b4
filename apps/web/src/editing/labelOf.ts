import { elementKind, elementWords, kindName, type SlideElement } from '@gobrel/core';

/** What an element is called to someone who cannot see it. */
export function labelOf(element: SlideElement): string {
  const words = elementWords(element).replace(/\s+/g, ' ').slice(0, 60);
  const kind =
    element.layer === 'pieces' && !elementKind(element.kind).staysOn ? 'Piece' : kindName(element);
  const lock = element.isLocked ? ', locked' : '';
  if (words) return `${kind}: ${words}${lock}`;
  return `${kind}${'text' in element ? ', empty' : ''}${lock}`;
}

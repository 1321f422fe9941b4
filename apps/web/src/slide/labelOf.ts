import { elementWords, type SlideElement } from '@gobrel/core';

const KIND_NAMES: Record<SlideElement['kind'], string> = {
  text: 'Text',
  shape: 'Shape',
  picture: 'Picture',
  hotspot: 'Hotspot',
  line: 'Line',
  zone: 'Zone',
  question: 'Question',
};

/** What an element is called to someone who cannot see it. */
export function labelOf(element: SlideElement): string {
  const words = elementWords(element).replace(/\s+/g, ' ').slice(0, 60);
  const kind =
    element.layer === 'pieces' && element.kind !== 'zone' ? 'Piece' : KIND_NAMES[element.kind];
  return words ? `${kind}: ${words}` : 'text' in element ? `${kind}, empty` : kind;
}

import { elementWords, shapeKind, type SlideElement } from '@gobrel/core';

export const KIND_NAMES: Record<SlideElement['kind'], string> = {
  text: 'Text',
  shape: 'Shape',
  picture: 'Picture',
  hotspot: 'Hotspot',
  line: 'Line',
  ink: 'Drawing',
  media: 'Sound',
  table: 'Table',
  closeup: 'Close-up',
  credits: 'Credits',
  group: 'Group',
  zone: 'Zone',
  question: 'Question',
};

export function kindName(element: SlideElement): string {
  if (element.kind === 'media' && element.medium === 'video') return 'Video';
  return element.kind === 'shape' ? shapeKind(element.shape).label : KIND_NAMES[element.kind];
}

/** What an element is called to someone who cannot see it. */
export function labelOf(element: SlideElement): string {
  const words = elementWords(element).replace(/\s+/g, ' ').slice(0, 60);
  const kind = element.layer === 'pieces' && element.kind !== 'zone' ? 'Piece' : kindName(element);
  const lock = element.isLocked ? ', locked' : '';
  if (words) return `${kind}: ${words}${lock}`;
  return `${kind}${'text' in element ? ', empty' : ''}${lock}`;
}

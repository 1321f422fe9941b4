import type { SlideElement } from './elements.js';
import { wordsOf } from '../parts/richText.js';

/** What an element says of itself: its words, its alternative text or its name. */
export function elementWords(element: SlideElement): string {
  const words = 'text' in element ? wordsOf(element.text) : '';
  return words || (element.kind === 'picture' ? element.alt : '') || element.name;
}

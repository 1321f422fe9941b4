import { textWidth } from '@gobrel/core';

/** Map units across a card's picture, with a little air. */
const WIDTH = 128;

/**
 * A title in as many lines of a card's width as there may be, at a size in map units: what stands in the place of a
 * picture that is too small to be made out. Whole words, as long as one fits; what is left over ends in dots.
 */
export function farTitle(title: string, size: number, mostLines: number): string {
  const fits = (words: string): boolean => textWidth(words, 'bold', size) <= WIDTH;
  const lines: string[] = [];
  let rest = title.trim().replace(/\s+/g, ' ');
  while (rest !== '' && lines.length < mostLines) {
    const isLast = lines.length === mostLines - 1;
    if (fits(rest)) return [...lines, rest].join('\n');
    const words = rest.split(' ');
    let count = words.length - 1;
    while (count > 0 && !fits(words.slice(0, count).join(' ') + (isLast ? '…' : ''))) count -= 1;
    if (count === 0) {
      // One long word: as many of its letters as there is room for.
      let letters = rest.length - 1;
      while (letters > 1 && !fits(`${rest.slice(0, letters)}…`)) letters -= 1;
      return [...lines, `${rest.slice(0, letters)}…`].join('\n');
    }
    lines.push(words.slice(0, count).join(' ') + (isLast ? '…' : ''));
    rest = words.slice(count).join(' ');
  }
  return lines.join('\n');
}

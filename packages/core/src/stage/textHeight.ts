import type { RichMark, RichNode, RichText } from '../parts/richText.js';
import { asRecord, asString } from '../parts/decode.js';
import { flatWords } from '../elements/formula/inWords.js';
import { familyWidth, type SetType } from '../themes/themes.js';
import { textWidth, type Face } from './typeWidths.js';

/** Indent of a list's items, in type sizes. */
export const LIST_INDENT = 1.2;

/** The measured face that comes nearest to how words are set. */
export function faceFor({ family, weight }: SetType, isBold: boolean): Face {
  if (family === 'bricolage' && weight >= 600) return 'head';
  if (isBold) return 'bold';
  return weight >= 700 ? 'bold' : weight >= 600 ? 'choice' : 'body';
}

/** As a share of the type size: a word that is wider by no more than this fits. Sums differ in their last digits. */
export const SLIVER = 1e-6;

/** A type size that a run of words has been given, in slide units; 0 for none. */
export function runSize(marks: readonly RichMark[] | undefined): number {
  const mark = marks?.find(({ type }) => type === 'textStyle');
  if (!mark) return 0;
  const size = parseFloat(asString(asRecord(mark.attrs).fontSize));
  return size >= 8 && size <= 400 ? size : 0;
}

/**
 * The height in slide units that a text takes when it is set into a width: broken between words, a word that is wider
 * than the line broken within; a line is as high as its largest words. Measured without a browser, so a few per cent
 * may be missing.
 */
export function textHeight(text: RichText, width: number, type: SetType, columns = 1): number {
  const gutter = columns > 1 ? type.size : 0;
  const column = Math.max(type.size, (width - gutter * (columns - 1)) / columns);
  const block = new Block(type);
  for (const node of text.content) block.add(node, column);
  // Columns are balanced, to a line.
  return columns > 1
    ? Math.ceil(block.height / columns / (type.size * type.leading)) * type.size * type.leading
    : block.height;
}

class Block {
  height = 0;
  #type: SetType;
  #isFirst = true;

  constructor(type: SetType) {
    this.#type = type;
  }

  add(node: RichNode, width: number): void {
    const children = node.content ?? [];
    if (node.type === 'bulletList' || node.type === 'orderedList') {
      const inner = Math.max(this.#type.size, width - LIST_INDENT * this.#type.size);
      for (const child of children) this.add(child, inner);
    } else if (children.some(({ content }) => content !== undefined)) {
      for (const child of children) this.add(child, width);
    } else this.#paragraph(children, width);
  }

  #paragraph(runs: readonly RichNode[], width: number): void {
    const { size: standard, leading, gap, family } = this.#type;
    const stretch = familyWidth(family);
    const room = width + SLIVER * standard;
    // What is counted stays in plain numbers of this function: it is asked of every text of a deck.
    let height = this.#isFirst ? 0 : gap * standard;
    let used = 0;
    let tallest = 0;
    this.#isFirst = false;
    for (const run of runs) {
      if (run.type === 'hardBreak') {
        height += (tallest || standard) * leading;
        used = 0;
        tallest = 0;
      }
      const text = flatWords(run.text ?? '');
      if (!text) continue;
      const size = runSize(run.marks) || standard;
      const face = faceFor(this.#type, run.marks?.some(({ type }) => type === 'bold') ?? false);
      const whole = textWidth(text, face, size) * stretch;
      if (used + whole <= room) {
        // All of it fits on the line that was begun: nothing is broken.
        if (used > 0 || text.trim() !== '') tallest = Math.max(tallest, size);
        used += whole;
        continue;
      }
      const space = textWidth(' ', face, size) * stretch;
      // Word by word, without cutting the text into pieces.
      for (let from = 0; from < text.length;) {
        const blank = text.indexOf(' ', from);
        const end = blank < 0 ? text.length : blank;
        if (end > from) {
          const word = textWidth(text, face, size, from, end) * stretch;
          // Letters that follow another run directly belong to its last word.
          const between = used === 0 || from === 0 ? 0 : space;
          if (used > 0 && used + between + word > room) {
            height += (tallest || standard) * leading;
            used = 0;
            tallest = 0;
          } else used += between;
          tallest = Math.max(tallest, size);
          used += word;
          // A word that is wider than the line is broken within.
          while (used > room) {
            used -= width;
            height += tallest * leading;
          }
        }
        from = end + 1;
      }
    }
    this.height += height + (tallest || standard) * leading;
  }
}

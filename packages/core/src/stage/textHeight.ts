import type { RichMark, RichNode, RichText } from '../deck/richText.js';
import { asRecord } from '../deck/decode.js';
import { familyWidth, type SetType } from './themes.js';
import { textWidth, type Face } from './typeWidths.js';

/** Indent of a list's items, in type sizes. */
const LIST_INDENT = 1.2;

/** The measured face that comes nearest to how words are set. */
function faceFor({ family, weight }: SetType, isBold: boolean): Face {
  if (family === 'bricolage' && weight >= 600) return 'head';
  if (isBold) return 'bold';
  return weight >= 700 ? 'bold' : weight >= 600 ? 'choice' : 'body';
}

/** A type size that a run of words has been given, in slide units; 0 for none. */
export function runSize(marks: readonly RichMark[] | undefined): number {
  const mark = marks?.find(({ type }) => type === 'textStyle');
  const size = parseFloat(String(asRecord(mark?.attrs).fontSize ?? ''));
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
    if (!this.#isFirst) this.height += gap * standard;
    this.#isFirst = false;
    let used = 0;
    let tallest = 0;
    const breakLine = (): void => {
      this.height += (tallest || standard) * leading;
      [used, tallest] = [0, 0];
    };
    for (const run of runs) {
      if (run.type === 'hardBreak') breakLine();
      if (!run.text) continue;
      const size = runSize(run.marks) || standard;
      const face = faceFor(this.#type, run.marks?.some(({ type }) => type === 'bold') ?? false);
      const widthOf = (words: string): number => textWidth(words, face, size) * familyWidth(family);
      const space = widthOf(' ');
      const isGlued = !run.text.startsWith(' ');
      run.text.split(' ').forEach((word, index) => {
        if (word === '') return;
        const wordWidth = widthOf(word);
        const between = used === 0 || (index === 0 && isGlued) ? 0 : space;
        if (used > 0 && used + between + wordWidth > width) breakLine();
        else used += between;
        tallest = Math.max(tallest, size);
        used += wordWidth;
        while (used > width) {
          const rest = used - width;
          breakLine();
          [used, tallest] = [rest, size];
        }
      });
    }
    breakLine();
  }
}

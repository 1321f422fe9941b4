import { flatWords } from '../elements/formula/inWords.js';
import type { RichNode, RichText } from '../parts/richText.js';
import { familyWidth, type SetType } from '../themes/themes.js';
import { faceFor, LIST_INDENT, runSize, SLIVER, textHeight } from './textHeight.js';
import { textWidth } from './typeWidths.js';

/** A paragraph in type sizes: how far it is set in, and how wide its words are. */
interface Paragraph {
  inset: number;
  words: Float64Array;
  space: number;
}

/**
 * A text measured once, to be set into many widths in many sizes: it says what `textHeight` says, several times as fast.
 * Texts of which runs have a size of their own are handed on to that.
 */
export class MeasuredText {
  /** The widest word in type sizes. */
  readonly widestWord: number;
  /** The widest paragraph on one line, in type sizes. */
  readonly widestLine: number;
  #text: RichText;
  #type: SetType;
  /** Null for a text that is not as simple. */
  #paragraphs: Paragraph[] | null = [];

  /** @param type how its words are set, but for their size */
  constructor(text: RichText, type: SetType) {
    this.#text = text;
    this.#type = type;
    let [widest, longest] = [0, 0];
    for (const { words, inset, isPlain } of paragraphsOf(text.content, 0)) {
      const measured = words.map(({ word, isBold }) => this.#widthOf(word, isBold));
      widest = Math.max(widest, ...measured);
      const space = this.#widthOf(' ', words[0]?.isBold ?? false);
      const gaps = Math.max(0, words.length - 1) * space;
      longest = Math.max(longest, measured.reduce((sum, one) => sum + one, gaps) + inset);
      if (isPlain) this.#paragraphs?.push({ inset, space, words: Float64Array.from(measured) });
      else this.#paragraphs = null;
    }
    this.widestWord = widest;
    this.widestLine = longest;
  }

  #widthOf(word: string, isBold: boolean): number {
    return textWidth(word, faceFor(this.#type, isBold), 1) * familyWidth(this.#type.family);
  }

  /** Its height in slide units in a width, with words of a size; broken as `textHeight` breaks it. */
  height(width: number, size: number, columns: number): number {
    const { leading, gap } = this.#type;
    if (!this.#paragraphs || columns > 1) {
      return textHeight(this.#text, width, { ...this.#type, size }, columns);
    }
    let height = 0;
    let isFirst = true;
    for (const { inset, words, space } of this.#paragraphs) {
      const room = Math.max(1, Math.max(size, width) / size - inset);
      let lines = 1;
      let used = 0;
      for (const word of words) {
        const between = used === 0 ? 0 : space;
        if (used > 0 && used + between + word > room + SLIVER) {
          lines += 1;
          used = word;
        } else used += between + word;
        while (used > room + SLIVER) {
          used -= room;
          lines += 1;
        }
      }
      height += (isFirst ? 0 : gap) + lines * leading;
      isFirst = false;
    }
    return height * size;
  }
}

interface Read {
  words: { word: string; isBold: boolean }[];
  inset: number;
  /** One run in the size of the text: its words are all that there is to it. */
  isPlain: boolean;
}

function paragraphsOf(nodes: readonly RichNode[], inset: number): Read[] {
  return nodes.flatMap((node) => {
    const children = node.content ?? [];
    const isList = node.type === 'bulletList' || node.type === 'orderedList';
    if (isList) return paragraphsOf(children, inset + LIST_INDENT);
    if (children.some(({ content }) => content !== undefined)) return paragraphsOf(children, inset);
    const words = children.flatMap(({ text, marks }) => {
      const isBold = marks?.some(({ type }) => type === 'bold') ?? false;
      return flatWords(text ?? '')
        .split(' ')
        .filter((word) => word !== '')
        .map((word) => ({ word, isBold }));
    });
    const isPlain =
      children.length <= 1 && !children.some((run) => !run.text || runSize(run.marks));
    return [{ words, inset, isPlain }];
  });
}

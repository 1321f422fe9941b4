import type { RichNode, RichText } from '../deck/richText.js';
import { textWidth, type Face } from './typeWidths.js';

/** Indent of a list's items, in type sizes. */
const LIST_INDENT = 1.2;

/**
 * How many lines a text takes when it is set into a width, both in slide units: broken between words, a word that is
 * wider than the line broken within. Lists are indented, paragraphs have no space between them.
 */
export function linesOf(text: RichText, width: number, face: Face, size: number): number {
  let lines = 0;
  for (const node of text.content) lines += nodeLines(node, width, face, size);
  return lines;
}

function nodeLines(node: RichNode, width: number, face: Face, size: number): number {
  const children = node.content ?? [];
  if (node.type === 'bulletList' || node.type === 'orderedList' || node.type === 'listItem') {
    const inner = node.type === 'listItem' ? width : width - LIST_INDENT * size;
    let lines = 0;
    for (const child of children) lines += nodeLines(child, Math.max(size, inner), face, size);
    return lines;
  }
  if (children.length === 0) return 1;
  let lines = 1;
  let used = 0;
  const space = textWidth(' ', face, size);
  for (const run of children) {
    if (run.type === 'hardBreak') {
      lines += 1;
      used = 0;
    }
    if (!run.text) continue;
    const runFace =
      face === 'body' && run.marks?.some(({ type }) => type === 'bold') ? 'bold' : face;
    const isGlued = !run.text.startsWith(' ');
    run.text.split(' ').forEach((word, index) => {
      if (word === '') return;
      const wordWidth = textWidth(word, runFace, size);
      const gap = used === 0 || (index === 0 && isGlued) ? 0 : space;
      if (used + gap + wordWidth <= width) used += gap + wordWidth;
      else if (wordWidth <= width) {
        lines += 1;
        used = wordWidth;
      } else {
        const more = Math.ceil((used + gap + wordWidth) / width) - 1;
        lines += more;
        used = used + gap + wordWidth - more * width;
      }
    });
  }
  return lines;
}

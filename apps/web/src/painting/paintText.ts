import {
  flatWords,
  isRightToLeft,
  LINK_MARK,
  runSize,
  type Box,
  type RichNode,
  type RichText,
  type SetType,
} from '@gobrel/core';
import { standIns } from './farFaces';

export type Canvas = OffscreenCanvasRenderingContext2D;

/** How words are set, and which of the links they carry are there. */
export interface TextLook extends SetType {
  linked: ReadonlySet<string>;
}

interface Run {
  words: string;
  width: number;
  size: number;
  font: string;
  ink: string;
  isLinked: boolean;
}
interface Line {
  runs: Run[];
  /** Where it begins within the column: lists are indented. */
  indent: number;
  mark: string;
  align: SetType['align'];
  isRightToLeft: boolean;
  size: number;
}

const LIST_INDENT = 1.2;
const LINK_LINE = '#BF4E2A';

/** Sets words into a box, line by line; gives the height they take. Units are slide units. */
export function paintText(context: Canvas, text: RichText, box: Box, look: TextLook): number {
  const lines = text.content.flatMap((node) => linesOf(context, node, box.w, look, 0, ''));
  const height = lines.reduce((sum, line) => sum + line.size * look.leading, 0);
  const free = box.h - height;
  let y = box.y + (look.upright === 'top' ? 0 : look.upright === 'middle' ? free / 2 : free);
  context.textAlign = 'left';
  for (const line of lines) {
    const step = line.size * look.leading;
    paintLine(context, line, box, y + step / 2 + line.size * 0.35, look);
    y += step;
  }
  return height;
}

function paintLine(context: Canvas, line: Line, box: Box, base: number, look: TextLook): void {
  const width = line.runs.reduce((sum, run) => sum + run.width, 0);
  const room = box.w - line.indent - width;
  const isAtRight = line.align === (line.isRightToLeft ? 'start' : 'end');
  const before = line.align === 'center' ? room / 2 : isAtRight ? room : 0;
  // The sign of an entry stands where its words begin.
  let x = box.x + (line.isRightToLeft ? 0 : line.indent) + before;
  context.direction = line.isRightToLeft ? 'rtl' : 'ltr';
  if (line.mark) {
    context.font = fontOf(look, look.size, look.weight, false);
    context.fillStyle = look.colour;
    const beside = LIST_INDENT * look.size;
    const at = line.isRightToLeft ? box.x + box.w - line.indent + beside * 0.4 : x - beside * 0.8;
    context.fillText(line.mark, at, base);
  }
  for (const run of line.isRightToLeft ? line.runs.toReversed() : line.runs) {
    context.font = run.font;
    context.fillStyle = run.ink;
    context.fillText(run.words, x, base);
    if (run.isLinked) {
      context.fillStyle = LINK_LINE;
      context.fillRect(x, base + run.size * 0.1, run.width, 3);
    }
    x += run.width;
  }
}

const fontOf = (look: SetType, size: number, weight: number, isItalic: boolean): string =>
  `${isItalic ? 'italic ' : ''}${weight} ${size}px ${look.family}, ${standIns()}`;

function linesOf(
  context: Canvas,
  node: RichNode,
  width: number,
  look: TextLook,
  indent: number,
  mark: string,
): Line[] {
  const children = node.content ?? [];
  if (node.type === 'bulletList' || node.type === 'orderedList') {
    const inner = indent + LIST_INDENT * look.size;
    return children.flatMap((child, index) => {
      const sign = node.type === 'bulletList' ? '•' : `${index + 1}.`;
      return linesOf(context, child, width, look, inner, sign);
    });
  }
  if (children.some((child) => child.content)) {
    return children.flatMap((child, index) =>
      linesOf(context, child, width, look, indent, index === 0 ? mark : ''),
    );
  }
  const broken = breakLines(context, node, width - indent, look);
  const words = broken.flatMap((runs) => runs.map((run) => run.words)).join(' ');
  const isTurned = isRightToLeft(words);
  return broken.map((runs, index) => ({
    runs,
    indent,
    mark: index === 0 ? mark : '',
    align: alignOf(node) ?? look.align,
    isRightToLeft: isTurned,
    size: Math.max(0, ...runs.map((run) => run.size)) || look.size,
  }));
}

function alignOf({ attrs }: RichNode): SetType['align'] | undefined {
  const align = attrs?.textAlign;
  return align === 'center' ? 'center' : align === 'right' ? 'end' : undefined;
}

function breakLines(context: Canvas, node: RichNode, width: number, look: TextLook): Run[][] {
  const lines: Run[][] = [[]];
  let used = 0;
  for (const child of node.content ?? []) {
    if (child.type === 'hardBreak') {
      lines.push([]);
      used = 0;
    }
    const style = styleOf(child, look);
    context.font = style.font;
    for (const words of flatWords(child.text ?? '').match(/\s*\S+|\s+/g) ?? []) {
      const wide = context.measureText(words).width;
      if (used > 0 && used + wide > width) {
        const trimmed = words.trimStart();
        used = context.measureText(trimmed).width;
        lines.push([{ ...style, words: trimmed, width: used }]);
      } else {
        lines.at(-1)!.push({ ...style, words, width: wide });
        used += wide;
      }
    }
  }
  return lines;
}

function styleOf({ marks }: RichNode, look: TextLook): Omit<Run, 'words' | 'width'> {
  const has = (type: string): boolean => marks?.some((mark) => mark.type === type) ?? false;
  const colour = marks?.find(({ type }) => type === 'textStyle')?.attrs?.color;
  const size = runSize(marks) || look.size;
  return {
    size,
    font: fontOf(look, size, has('bold') ? Math.max(700, look.weight) : look.weight, has('italic')),
    ink: typeof colour === 'string' && /^#[0-9a-f]{6}$/i.test(colour) ? colour : look.colour,
    isLinked:
      marks?.some(
        ({ type, attrs }) => type === LINK_MARK && look.linked.has(String(attrs?.linkId)),
      ) ?? false,
  };
}

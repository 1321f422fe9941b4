import * as Y from 'yjs';
import { isRecord, LINK_MARK, plain, writeFragment } from '../../parts/richText.js';
import { changedStretch } from './sharedText.js';
import { sure } from '../../parts/sure.js';

type Marks = Record<string, unknown>;

/** One letter of a line as it is compared: where it stands, and how many code units it is there. */
interface Spot {
  text: Y.XmlText;
  index: number;
  length: number;
  marks: Marks;
}

/** A stretch of text between two breaks that says something. */
interface Line {
  /** Runs of white space are one blank here, and none at the ends. */
  words: string;
  /** One for each code unit of `words`. */
  spots: Spot[];
  /** The paragraph or heading it stands in. */
  block: Y.XmlElement;
}

/**
 * Makes a text say other paragraphs by the smallest change: what stays said keeps its links, marks, list and place, and
 * what others type in it meanwhile stays. White space that only lays words out is not compared. Call inside a
 * transaction.
 *
 * @param words paragraphs parted by line feeds; empty ones are passed over
 */
export function rewriteFragment(fragment: Y.XmlFragment, words: string): void {
  const before = linesOf(fragment);
  const after = words.split(/\n/).map(collapsed).filter(Boolean);
  if (before.length === 0) {
    const only = fragment.length === 1 ? fragment.get(0) : undefined;
    if (after.length === 0) return;
    if (!(only instanceof Y.XmlElement) || only.nodeName !== 'paragraph' || only.length > 0) {
      writeFragment(fragment, plain(...after));
      return;
    }
    only.insert(0, [new Y.XmlText(after[0])]);
    fragment.insert(
      1,
      after.slice(1).map((said) => {
        const paragraph = likeOf(only);
        paragraph.insert(0, [new Y.XmlText(said)]);
        return paragraph;
      }),
    );
    return;
  }
  const shorter = Math.min(before.length, after.length);
  let first = 0;
  while (first < shorter && before[first]!.words === after[first]) first += 1;
  let tail = 0;
  while (tail < shorter - first && before.at(-1 - tail)!.words === after.at(-1 - tail)) tail += 1;
  const old = before.slice(first, before.length - tail);
  const fresh = after.slice(first, after.length - tail);
  const both = Math.min(old.length, fresh.length);
  // From the end, so that what is earlier in a text is still where it was found.
  const left = new Set(before);
  for (const line of old.slice(both).reverse()) {
    left.delete(line);
    removeLine(
      fragment,
      line,
      [...left].some(({ block }) => block === line.block),
    );
  }
  if (fresh.length > both) {
    const anchor = old[both - 1] ?? before[first - 1];
    if (anchor) addLines(anchor, fresh.slice(both), 'after');
    else addLines(before[0]!, fresh.slice(both), 'before');
  }
  for (let at = both - 1; at >= 0; at -= 1) rewriteLine(old[at]!, fresh[at]!);
}

const collapsed = (words: string): string => words.replace(/\s+/g, ' ').trim();

function linesOf(fragment: Y.XmlFragment): Line[] {
  const lines: Line[] = [];
  const walk = (parent: Y.XmlFragment, depth: number): void => {
    if (depth > 12) return;
    let open: Line | null = null;
    let blank: Spot | null = null;
    const end = (): void => {
      open = null;
      blank = null;
    };
    const letter = (sign: string, spot: Spot): void => {
      if (/\s/.test(sign)) {
        if (blank && blank.text === spot.text) blank.length += spot.length;
        else if (open) blank = spot;
        return;
      }
      if (!open) lines.push((open = { words: '', spots: [], block: parent as Y.XmlElement }));
      if (blank) {
        open.words += ' ';
        open.spots.push(blank);
        blank = null;
      }
      open.words += sign;
      open.spots.push(spot);
    };
    for (const child of parent.toArray()) {
      if (child instanceof Y.XmlText) {
        let index = 0;
        for (const run of child.toDelta() as { insert: unknown; attributes?: Marks }[]) {
          const said = typeof run.insert === 'string' ? run.insert : '\n';
          for (const sign of said.split('')) {
            if (sign === '\n') end();
            else letter(sign, { text: child, index, length: 1, marks: run.attributes ?? {} });
            index += 1;
          }
        }
      } else {
        end();
        if (child instanceof Y.XmlElement && child.nodeName !== 'hardBreak') walk(child, depth + 1);
      }
    }
  };
  walk(fragment, 0);
  return lines;
}

function rewriteLine({ words, spots }: Line, to: string): void {
  const { from, taken, put } = changedStretch(words, to);
  if (taken === 0 && put === '') return;
  const left = spots[from - 1];
  const going = spots.slice(from, from + taken);
  const right = spots[from + taken];
  const home = going[0] ?? left ?? sure(right, 'words go, or stand on one side');
  const at = home.index + (home === left && !going[0] ? left.length : 0);
  const marks = going[0]?.marks ?? insertedMarks(left, right, put);
  for (const { text, index, length } of going.reverse()) text.delete(index, length);
  if (put) home.text.insert(at, put, marks);
}

/** Words put in go on as what stands before them; they carry a link on only from inside a word. */
function insertedMarks(left: Spot | undefined, right: Spot | undefined, put: string): Marks {
  const marks = left?.marks ?? right?.marks ?? {};
  const link = marks[LINK_MARK];
  if (link === undefined) return marks;
  const goesOn = left && /^[\p{L}\p{N}]/u.test(put);
  const isInside = left && right && linkOf(left.marks) === linkOf(right.marks);
  if (goesOn || isInside) return marks;
  const { [LINK_MARK]: _link, ...others } = marks;
  return others;
}

const linkOf = (marks: Marks): unknown => {
  const mark = marks[LINK_MARK];
  return isRecord(mark) ? mark.linkId : undefined;
};

function removeLine(fragment: Y.XmlFragment, line: Line, blockStays: boolean): void {
  if (!blockStays) {
    removeBlock(fragment, line.block);
    return;
  }
  for (const { text, index, length } of [...line.spots].reverse()) text.delete(index, length);
  // With the break that parted it from its neighbour.
  const texts = line.block.toArray();
  const place = texts.indexOf(line.spots[0]!.text);
  const gap = [place - 1, place + 1].find((index) => {
    const node = texts[index];
    return node instanceof Y.XmlElement && node.nodeName === 'hardBreak';
  });
  if (gap !== undefined && line.spots[0]!.text.length === 0) line.block.delete(gap, 1);
}

/** Takes a paragraph out, and the list item and the list with it that are empty then; a cell stays. */
function removeBlock(fragment: Y.XmlFragment, block: Y.XmlElement): void {
  let going: Y.XmlElement = block;
  for (;;) {
    const parent = going.parent as Y.XmlElement | Y.XmlFragment | null;
    if (!parent) return;
    const isCell = parent instanceof Y.XmlElement && /^table/.test(parent.nodeName);
    if (parent.length > 1) break;
    if (parent === fragment || isCell || !(parent instanceof Y.XmlElement)) {
      going.delete(0, going.length);
      return;
    }
    going = parent;
  }
  const parent = going.parent as Y.XmlElement | Y.XmlFragment;
  parent.delete(parent.toArray().indexOf(going), 1);
}

/** New paragraphs of the same kind as a line that is there: an item for an item. */
function addLines(line: Line, words: readonly string[], where: 'after' | 'before'): void {
  const { block } = line;
  const last = line.spots.at(-1)!;
  const isLastInBlock =
    block.toArray().at(-1) === last.text && last.index + last.length >= last.text.length;
  if (where === 'after' && !isLastInBlock) {
    const at = block.toArray().indexOf(last.text) + 1;
    if (last.index + last.length >= last.text.length) {
      const nodes = words.flatMap((said) => [new Y.XmlElement('hardBreak'), new Y.XmlText(said)]);
      block.insert(at, nodes);
    } else last.text.insert(last.index + last.length, words.map((said) => `\n${said}`).join(''));
    return;
  }
  const item = block.parent instanceof Y.XmlElement ? block.parent : null;
  const isItem = item !== null && /item$/i.test(item.nodeName) && item.get(0) === block;
  const neighbour = isItem ? item : block;
  const parent = neighbour.parent as Y.XmlElement | Y.XmlFragment;
  const at = parent.toArray().indexOf(neighbour) + (where === 'after' ? 1 : 0);
  parent.insert(
    at,
    words.map((said) => {
      const paragraph = likeOf(block);
      paragraph.insert(0, [new Y.XmlText(said)]);
      if (!isItem) return paragraph;
      const fresh = likeOf(item as Y.XmlElement);
      fresh.insert(0, [paragraph]);
      return fresh;
    }),
  );
}

function likeOf(element: Y.XmlElement): Y.XmlElement {
  const fresh = new Y.XmlElement(element.nodeName);
  for (const [name, value] of Object.entries(element.getAttributes())) {
    if (name !== 'checked') fresh.setAttribute(name, value as string);
  }
  return fresh;
}

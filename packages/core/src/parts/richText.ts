import * as Y from 'yjs';
import { type LinkId, asId } from './ids.js';

/**
 * Rich text as plain data, in the shape ProseMirror uses for its documents. In the deck document it is a
 * `Y.XmlFragment` as y-prosemirror writes it: nodes are `Y.XmlElement`, marks are attributes of `Y.XmlText`.
 */
export interface RichText {
  type: 'doc';
  content: RichNode[];
}
export interface RichMark {
  type: string;
  attrs?: Record<string, unknown>;
}
export interface RichNode {
  type: string;
  attrs?: Record<string, unknown>;
  content?: RichNode[];
  text?: string;
  marks?: RichMark[];
}

/** The mark that makes a run of words carry a link. */
export const LINK_MARK = 'wayOut';
const DEEPEST = 12;

export function plain(...paragraphs: string[]): RichText {
  return {
    type: 'doc',
    content: paragraphs.map((text) => ({
      type: 'paragraph',
      content: text === '' ? [] : [{ type: 'text', text }],
    })),
  };
}

/** The words of a rich text, paragraphs parted by line feeds. */
export function wordsOf(text: RichText): string {
  return joined(text.content, '\n').trim();
}

function nodeWords(node: RichNode): string {
  if (node.text !== undefined) return node.text;
  if (node.type === 'hardBreak') return '\n';
  const { content } = node;
  if (!content) return '';
  const isContainer = content.some(
    ({ type, content }) => content !== undefined && type !== 'hardBreak',
  );
  return joined(content, isContainer ? '\n' : '');
}

function joined(nodes: readonly RichNode[], between: string): string {
  let words = '';
  for (let index = 0; index < nodes.length; index += 1) {
    if (index > 0) words += between;
    words += nodeWords(nodes[index]!);
  }
  return words;
}

/** Whether all words of a text have a mark; false when there are none. */
export function hasMark(text: RichText, type: string): boolean {
  const runs = runsOf(text);
  return runs.length > 0 && runs.every(({ marks }) => marks?.some((mark) => mark.type === type));
}

/** A text with all its words marked, or with that mark taken off all of them. */
export function marked(text: RichText, mark: RichMark, isOn: boolean): RichText {
  const walk = (node: RichNode): RichNode => {
    if (node.text === undefined) {
      return node.content ? { ...node, content: node.content.map(walk) } : node;
    }
    const others = (node.marks ?? []).filter(({ type }) => type !== mark.type);
    return { ...node, marks: isOn ? [...others, mark] : others };
  };
  return { type: 'doc', content: text.content.map(walk) };
}

/** A text whose words have no colours of their own any more. */
export function uncoloured(text: RichText): RichText {
  const walk = (node: RichNode): RichNode => ({
    ...node,
    ...(node.content ? { content: node.content.map(walk) } : {}),
    ...(node.marks
      ? {
          marks: node.marks.flatMap((mark) => {
            if (mark.type !== 'textStyle' || !mark.attrs) return [mark];
            const { color: _color, ...attrs } = mark.attrs;
            const isBare = Object.values(attrs).every((value) => value === null);
            return isBare ? [] : [{ ...mark, attrs }];
          }),
        }
      : {}),
  });
  return { type: 'doc', content: text.content.map(walk) };
}

const runsOf = (node: { content?: RichNode[] }): RichNode[] =>
  (node.content ?? []).flatMap((child) => (child.text === undefined ? runsOf(child) : [child]));

/** A table of cells, its first row as heads: one table node in a text. */
export function tableText(rows: readonly (readonly string[])[]): RichText {
  const width = Math.max(1, ...rows.map((row) => row.length));
  return {
    type: 'doc',
    content: [
      {
        type: 'table',
        content: rows.map((row, index) => ({
          type: 'tableRow',
          content: Array.from({ length: width }, (_, at) => ({
            type: index === 0 ? 'tableHeader' : 'tableCell',
            content: plain(row[at] ?? '').content,
          })),
        })),
      },
    ],
  };
}

/** The cells of tab-separated text, as spreadsheets copy it; undefined when it is none. */
export function readTabbed(text: string): string[][] | undefined {
  if (!text.includes('\t')) return undefined;
  const rows = text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((row) => row.split('\t'));
  const width = rows[0]!.length;
  return width > 1 && rows.every((row) => row.length === width) ? rows : undefined;
}

/** The words that carry each link, in the order they stand. */
export function linkedWords(text: RichText): Map<LinkId, string> {
  const found = new Map<LinkId, string>();
  const walk = (node: RichNode): void => {
    if (node.text !== undefined) {
      for (const mark of node.marks ?? []) {
        const linkId = mark.type === LINK_MARK ? asId<LinkId>(mark.attrs?.linkId) : null;
        if (linkId) {
          found.set(linkId, (found.get(linkId) ?? '') + node.text);
        }
      }
    }
    node.content?.forEach(walk);
  };
  text.content.forEach(walk);
  return found;
}

export function readFragment(fragment: Y.XmlFragment): RichText {
  return { type: 'doc', content: readChildren(fragment, 0) };
}

function readChildren(parent: Y.XmlFragment | Y.XmlElement, depth: number): RichNode[] {
  if (depth > DEEPEST) return [];
  const nodes: RichNode[] = [];
  for (const child of parent.toArray()) {
    if (child instanceof Y.XmlText) nodes.push(...readRuns(child));
    else if (child instanceof Y.XmlElement) {
      const attrs = child.getAttributes() as Record<string, unknown>;
      nodes.push({
        type: child.nodeName,
        ...(Object.keys(attrs).length > 0 ? { attrs } : {}),
        content: readChildren(child, depth + 1),
      });
    }
  }
  return nodes;
}

interface Run {
  insert: unknown;
  attributes?: Record<string, unknown>;
}
const deltaOf = (text: Y.XmlText): Run[] => text.toDelta() as Run[];

function readRuns(text: Y.XmlText): RichNode[] {
  return deltaOf(text).flatMap((run) => {
    if (typeof run.insert !== 'string') return [];
    const marks = Object.entries(run.attributes ?? {}).map(([type, attrs]) => ({
      type,
      ...(isRecord(attrs) && Object.keys(attrs).length > 0 ? { attrs } : {}),
    }));
    return [{ type: 'text', text: run.insert, ...(marks.length > 0 ? { marks } : {}) }];
  });
}

/** Replaces all that the fragment holds. Call inside a transaction. */
export function writeFragment(fragment: Y.XmlFragment, text: RichText): void {
  if (fragment.length > 0) fragment.delete(0, fragment.length);
  fragment.insert(0, text.content.map(toXml));
}

/** A node of a text, not yet in a document. */
export function toXml(node: RichNode): Y.XmlElement | Y.XmlText {
  if (node.text !== undefined) return runsToXml([node]);
  const element = new Y.XmlElement(node.type);
  for (const [name, value] of Object.entries(node.attrs ?? {})) {
    element.setAttribute(name, value as string);
  }
  const children: (Y.XmlElement | Y.XmlText)[] = [];
  let runs: RichNode[] = [];
  const flush = (): void => {
    if (runs.length > 0) children.push(runsToXml(runs));
    runs = [];
  };
  for (const child of node.content ?? []) {
    if (child.text !== undefined) runs.push(child);
    else {
      flush();
      children.push(toXml(child));
    }
  }
  flush();
  element.insert(0, children);
  return element;
}

function runsToXml(runs: RichNode[]): Y.XmlText {
  const text = new Y.XmlText();
  text.applyDelta(
    runs.map((run) => ({
      insert: run.text ?? '',
      attributes: Object.fromEntries(
        (run.marks ?? []).map((mark) => [mark.type, mark.attrs ?? {}]),
      ),
    })),
  );
  return text;
}

/** Hands the words that carry one link to another, or to none. Call inside a transaction. */
export function relinkWords(fragment: Y.XmlFragment, from: LinkId, to: LinkId | null): void {
  for (const child of fragment.toArray()) {
    if (child instanceof Y.XmlText) {
      let index = 0;
      for (const run of deltaOf(child)) {
        const length = typeof run.insert === 'string' ? run.insert.length : 1;
        const mark = run.attributes?.[LINK_MARK];
        if (isRecord(mark) && mark.linkId === from) {
          child.format(index, length, { [LINK_MARK]: to === null ? null : { linkId: to } });
        }
        index += length;
      }
    } else if (child instanceof Y.XmlElement) relinkWords(child, from, to);
  }
}

/** Marks the first run of exactly these words as carrying the link; false when they do not stand in it. */
export function linkWords(fragment: Y.XmlFragment, words: string, linkId: LinkId): boolean {
  const found = findWords(fragment, words);
  found?.text.format(found.at, words.length, { [LINK_MARK]: { linkId } });
  return found !== null;
}

/** Where exactly these words stand first, marks aside, in one paragraph. */
export function findWords(
  fragment: Y.XmlFragment,
  words: string,
): { text: Y.XmlText; at: number } | null {
  for (const child of fragment.toArray()) {
    if (child instanceof Y.XmlText) {
      const at = deltaOf(child)
        .map((run) => (typeof run.insert === 'string' ? run.insert : '\u0000'))
        .join('')
        .indexOf(words);
      if (at >= 0) return { text: child, at };
    } else if (child instanceof Y.XmlElement) {
      const found = findWords(child, words);
      if (found) return found;
    }
  }
  return null;
}

export function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

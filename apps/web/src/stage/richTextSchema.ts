import { generateJSON, type Attribute, type Extensions } from '@tiptap/core';
import { Highlight } from '@tiptap/extension-highlight';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import { TextAlign } from '@tiptap/extension-text-align';
import { Color, FontSize, TextStyle } from '@tiptap/extension-text-style';
import StarterKit from '@tiptap/starter-kit';
import { wordsOf, type RichText } from '@gobrel/core';
import { highlighted } from '../parts/highlighted';
import { WayOutMark } from './wayOutMark';

/** The fill of a cell is kept with it. */
const background = {
  background: {
    default: null,
    parseHTML: (element: HTMLElement) => element.getAttribute('data-background'),
    renderHTML: ({ background }: { background?: string | null }) =>
      background ? { 'data-background': background, style: `background: ${background}` } : {},
  },
};
const FilledCell = TableCell.extend({
  addAttributes() {
    return { ...this.parent?.(), ...background };
  },
});
const FilledHeader = TableHeader.extend({
  addAttributes() {
    return { ...this.parent?.(), ...background };
  },
});

/** Highlighted words are typed in the ink they are read in. */
const ReadableHighlight = Highlight.extend({
  addAttributes() {
    return {
      color: {
        ...(this.parent?.() as { color: Attribute }).color,
        renderHTML({ color }: { color?: string | null }) {
          const { background, '--ink': ink } = highlighted(color ?? undefined);
          return { 'data-color': color, style: `background: ${background}; --ink: ${ink}` };
        },
      },
    };
  },
});

/** Everything a text may hold. Whatever the schema lacks would be taken out of the document on opening it. */
export const EXTENSIONS: Extensions = [
  StarterKit.configure({
    undoRedo: false,
    link: false,
    heading: false,
    blockquote: false,
    code: false,
    codeBlock: false,
    horizontalRule: false,
    dropcursor: false,
    gapcursor: false,
    trailingNode: false,
    // The signs of a list stand where its first letter begins.
    bulletList: { HTMLAttributes: { dir: 'auto' } },
    orderedList: { HTMLAttributes: { dir: 'auto' } },
  }),
  TextStyle,
  Color,
  FontSize,
  ReadableHighlight.configure({ multicolor: true }),
  Subscript,
  Superscript,
  TextAlign.configure({ types: ['paragraph'], alignments: ['left', 'center', 'right', 'justify'] }),
  Table.configure({ resizable: false }),
  TableRow,
  FilledCell,
  FilledHeader,
  WayOutMark,
];

/** More letters than this are no text for a slide. */
export const MOST_LETTERS = 100_000;

/**
 * Foreign markup without its styling: bold, italic, lists and the like stay, fonts, sizes, colours and layout go. What
 * was copied from a text of ours keeps all it had.
 */
export function withoutStyling(html: string): string {
  const body = new DOMParser().parseFromString(html, 'text/html').body;
  if (body.querySelector('[data-pm-slice]')) return html;
  for (const element of body.querySelectorAll('script, style, meta, link, img, svg, iframe')) {
    element.remove();
  }
  for (const element of body.querySelectorAll('*')) {
    // Some programs wrap all they copy into a bold element that is not.
    const isNormal = /font-weight:\s*(normal|400)/.test(element.getAttribute('style') ?? '');
    const isHeading = /^H[1-6]$/.test(element.tagName);
    for (const { name } of [...element.attributes]) {
      if (!['colspan', 'rowspan'].includes(name)) element.removeAttribute(name);
    }
    if (isNormal && element.tagName === 'B') element.replaceWith(...element.childNodes);
    if (isHeading) {
      const paragraph = document.createElement('p');
      const strong = document.createElement('strong');
      strong.append(...element.childNodes);
      paragraph.append(strong);
      element.replaceWith(paragraph);
    }
  }
  return body.innerHTML;
}

/** Markup says a word in many letters: so many more it may have. */
const MOST_MARKUP = 10 * MOST_LETTERS;

/** The cells of the first table in markup, as rows of words; undefined when there is none, or far too much. */
export function cellsFromHtml(html: string): string[][] | undefined {
  if (html.length > MOST_MARKUP) return undefined;
  const table = new DOMParser().parseFromString(html, 'text/html').querySelector('table');
  if (!table) return undefined;
  return [...table.rows].map((row) =>
    [...row.cells].map((cell) => (cell.textContent ?? '').replace(/\s+/g, ' ').trim()),
  );
}

/** Pasted markup as a text of ours; undefined when it holds no words, or far too much. Tables within it become lines. */
export function textFromHtml(html: string): RichText | undefined {
  if (html.length > MOST_MARKUP) return undefined;
  const body = new DOMParser().parseFromString(withoutStyling(html), 'text/html').body;
  for (const cell of body.querySelectorAll('td, th')) cell.append(' ');
  for (const table of body.querySelectorAll('table')) {
    const lines = [...table.querySelectorAll('tr')].map((row) => {
      const line = document.createElement('p');
      line.textContent = row.textContent;
      return line;
    });
    table.replaceWith(...lines);
  }
  const text = generateJSON(body.innerHTML, EXTENSIONS) as RichText;
  return wordsOf(text) === '' ? undefined : text;
}

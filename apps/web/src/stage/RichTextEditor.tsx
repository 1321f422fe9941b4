import { readTabbed } from '@gobrel/core';
import { Extension, getSchema } from '@tiptap/core';
import { AllSelection, Selection, type EditorState } from '@tiptap/pm/state';
import { EditorContent, useEditor, type Editor } from '@tiptap/react';
import { useEffect, useLayoutEffect, useMemo, useState, type ReactElement } from 'react';
import { initProseMirrorDoc, ySyncPlugin } from 'y-prosemirror';
import type * as Y from 'yjs';
import { cellsFromHtml, EXTENSIONS, MOST_LETTERS, withoutStyling } from './richTextSchema';

const SCHEMA = getSchema(EXTENSIONS);

/** Row and column of the cell that the caret is in. */
function cellOf({ selection: { $from } }: EditorState): { row: number; column: number } | null {
  for (let depth = $from.depth; depth > 1; depth -= 1) {
    if ($from.node(depth - 1).type.name !== 'tableRow') continue;
    return { row: $from.index(depth - 2), column: $from.index(depth - 1) };
  }
  return null;
}

/** Types into a shared text in place; two people may type in it at once. Escape ends. */
export function RichTextEditor(props: {
  fragment: Y.XmlFragment;
  label: string;
  onEditor?: (editor: Editor | null) => void;
  onEnd: () => void;
  /** All words are marked at first, so that what is typed takes their place. */
  marksAll?: boolean;
  /** Told when something is too large to be pasted. */
  onRefused?: (reason: string) => void;
  /** Takes cells that are pasted into a table, from the cell of the caret on. */
  onCells?: (cells: string[][], at: { row: number; column: number }) => void;
}): ReactElement {
  const { fragment, label, onEditor, onEnd, marksAll, onRefused, onCells } = props;
  // The text is there from the start, so the caret is not set anew when the document arrives.
  const start = useMemo(() => initProseMirrorDoc(fragment, SCHEMA).doc, [fragment]);
  const editor = useEditor(
    {
      extensions: [
        ...EXTENSIONS,
        Extension.create({
          name: 'sharedText',
          addProseMirrorPlugins() {
            // Made with the editor's own schema: nodes of another one would be thrown out of the document, with all
            // that is in them, as soon as somebody else changes something beside them.
            const { mapping } = initProseMirrorDoc(fragment, this.editor.schema);
            return [ySyncPlugin(fragment, { mapping })];
          },
        }),
      ],
      content: start.toJSON() as Record<string, unknown>,
      injectCSS: false,
      editorProps: {
        attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
        transformPastedHTML: withoutStyling,
        handlePaste: (view, event) => {
          const words = event.clipboardData?.getData('text/plain') ?? '';
          const { length } = words;
          if (length <= MOST_LETTERS) {
            const html = event.clipboardData?.getData('text/html') ?? '';
            const at = cellOf(view.state);
            const cells = at && onCells && (cellsFromHtml(html) ?? readTabbed(words));
            if (!cells) return false;
            // One cell alone is words for the place of the caret.
            if (cells.length === 1 && cells[0]?.length === 1) view.pasteText(cells[0][0]!);
            else onCells(cells, at);
            return true;
          }
          onRefused?.(
            `That is ${length.toLocaleString('en')} letters: a text takes ${MOST_LETTERS.toLocaleString('en')} at once.`,
          );
          return true;
        },
        handleKeyDown: (_view, event) => {
          if (event.key !== 'Escape') return false;
          onEnd();
          return true;
        },
      },
    },
    [fragment],
  );
  // At once, not in the next frame as the editor would by itself: the first letters typed after the key that began it
  // went elsewhere.
  const [marksAllAtFirst] = useState(marksAll);
  useLayoutEffect(() => {
    // A table is filled in from its first cell.
    const isTable = start.firstChild?.type.name === 'table';
    const { doc, tr } = editor.state;
    const end = isTable ? Selection.atStart(doc) : Selection.atEnd(doc);
    editor.view.dispatch(tr.setSelection(marksAllAtFirst ? new AllSelection(doc) : end));
    editor.view.focus();
  }, [editor, marksAllAtFirst, start]);
  useEffect(() => {
    onEditor?.(editor);
    return () => onEditor?.(null);
  }, [editor, onEditor]);
  return <EditorContent editor={editor} className="pointer-events-auto cursor-text" />;
}

import { readTabbed } from '@gobrel/core';
import { Editor, Extension, getSchema } from '@tiptap/core';
import { AllSelection, Selection, type EditorState } from '@tiptap/pm/state';
import { EditorContent } from '@tiptap/react';
import { useEffect, useLayoutEffect, useRef, useState, type ReactElement } from 'react';
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

interface Hands {
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
}

/** Types into a shared text in place; two people may type in it at once. Escape ends. */
export function RichTextEditor(props: Hands): ReactElement {
  const { fragment, onEditor, marksAll } = props;
  const latest = useRef(props);
  useLayoutEffect(() => {
    latest.current = props;
  });
  // Made and thrown away by effects: one made while drawing is thrown away by its library when React takes its time to
  // show it, and then there is none.
  const [editor, setEditor] = useState<Editor | null>(null);
  useLayoutEffect(() => {
    const made = editorOf(fragment, () => latest.current);
    setEditor(made);
    return () => made.destroy();
  }, [fragment]);
  // At once, not in the next frame as the editor would by itself: the first letters typed after the key that began it
  // went elsewhere.
  const [marksAllAtFirst] = useState(marksAll);
  useLayoutEffect(() => {
    if (!editor || editor.isDestroyed) return;
    const { doc, tr } = editor.state;
    // A table is filled in from its first cell.
    const isTable = doc.firstChild?.type.name === 'table';
    const end = isTable ? Selection.atStart(doc) : Selection.atEnd(doc);
    editor.view.dispatch(tr.setSelection(marksAllAtFirst ? new AllSelection(doc) : end));
    editor.view.focus();
  }, [editor, marksAllAtFirst]);
  useEffect(() => {
    onEditor?.(editor);
    return () => onEditor?.(null);
  }, [editor, onEditor]);
  return <EditorContent editor={editor} className="pointer-events-auto cursor-text" />;
}

/** An editor of a shared text. `hands` says what is done with what it does not do itself. */
function editorOf(
  fragment: Y.XmlFragment,
  hands: () => Pick<Hands, 'label' | 'onEnd' | 'onRefused' | 'onCells'>,
): Editor {
  return new Editor({
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
    // The text is there from the start, so the caret is not set anew when the document arrives.
    content: initProseMirrorDoc(fragment, SCHEMA).doc.toJSON() as Record<string, unknown>,
    injectCSS: false,
    editorProps: {
      attributes: () => ({
        'aria-label': hands().label,
        role: 'textbox',
        'aria-multiline': 'true',
      }),
      transformPastedHTML: withoutStyling,
      handlePaste: (view, event) => {
        const { onCells, onRefused } = hands();
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
        hands().onEnd();
        return true;
      },
    },
  });
}

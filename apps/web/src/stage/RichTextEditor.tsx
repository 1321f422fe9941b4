import { Extension } from '@tiptap/core';
import { getSchema } from '@tiptap/core';
import { EditorContent, useEditor, type Editor } from '@tiptap/react';
import { useEffect, useMemo, type ReactElement } from 'react';
import { initProseMirrorDoc, ySyncPlugin } from 'y-prosemirror';
import type * as Y from 'yjs';
import { EXTENSIONS, MOST_LETTERS, withoutStyling } from './richTextSchema';

const SCHEMA = getSchema(EXTENSIONS);

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
}): ReactElement {
  const { fragment, label, onEditor, onEnd, marksAll, onRefused } = props;
  // The text is there from the start, so the caret is not set anew when the document arrives.
  const start = useMemo(() => initProseMirrorDoc(fragment, SCHEMA), [fragment]);
  const editor = useEditor(
    {
      extensions: [
        ...EXTENSIONS,
        Extension.create({
          name: 'sharedText',
          addProseMirrorPlugins: () => [ySyncPlugin(fragment, { mapping: start.mapping })],
        }),
      ],
      content: start.doc.toJSON() as Record<string, unknown>,
      injectCSS: false,
      // A table is filled in from its first cell.
      autofocus: marksAll ? 'all' : start.doc.firstChild?.type.name === 'table' ? 'start' : 'end',
      editorProps: {
        attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
        transformPastedHTML: withoutStyling,
        handlePaste: (_view, event) => {
          const { length } = event.clipboardData?.getData('text/plain') ?? '';
          if (length <= MOST_LETTERS) return false;
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
  useEffect(() => {
    onEditor?.(editor);
    return () => onEditor?.(null);
  }, [editor, onEditor]);
  return <EditorContent editor={editor} className="pointer-events-auto cursor-text" />;
}

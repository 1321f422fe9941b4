import { Extension, type AnyExtension } from '@tiptap/core';
import { EditorContent, useEditor, type Editor } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, type ReactElement } from 'react';
import { ySyncPlugin } from 'y-prosemirror';
import type * as Y from 'yjs';
import { WayOutMark } from './wayOutMark';

/** Everything a text may hold. Whatever the schema lacks would be taken out of the document on opening it. */
const EXTENSIONS: AnyExtension[] = [
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
  }),
  WayOutMark,
];

/** Types into a shared text in place; two people may type in it at once. Escape ends. */
export function RichTextEditor(props: {
  fragment: Y.XmlFragment;
  label: string;
  onEditor?: (editor: Editor | null) => void;
  onEnd: () => void;
}): ReactElement {
  const { fragment, label, onEditor, onEnd } = props;
  const editor = useEditor(
    {
      extensions: [
        ...EXTENSIONS,
        Extension.create({
          name: 'sharedText',
          addProseMirrorPlugins: () => [ySyncPlugin(fragment)],
        }),
      ],
      injectCSS: false,
      autofocus: 'end',
      editorProps: {
        attributes: { 'aria-label': label, role: 'textbox', 'aria-multiline': 'true' },
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

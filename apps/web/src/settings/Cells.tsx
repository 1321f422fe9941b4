import { type ChartElement, type TableElement, type Theme } from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import type { ReactElement } from 'react';
import { Plain, Pop } from '../ui/controls';
import { Swatches } from './colours';

interface CellsProps {
  editor: Editor;
  /** A thing whose words are a table. */
  element: TableElement | ChartElement;
  theme: Theme;
  set: (settings: { columns: number[] }) => unknown;
  /** Cells are not seen as such: they have no look. */
  isPlain?: boolean;
}

/** Rows and columns, while a cell is written in. */
export function Cells({ editor, element, theme, set, isPlain }: CellsProps): ReactElement {
  const { columns } = element;
  const column = (): number => {
    const { $head } = editor.state.selection;
    for (let depth = $head.depth; depth > 0; depth -= 1) {
      if ($head.node(depth).type.name === 'tableRow') return $head.index(depth);
    }
    return columns.length;
  };
  const addColumn = (): void => {
    const at = column() + 1;
    editor.chain().focus().addColumnAfter().run();
    const mean = columns.reduce((sum, share) => sum + share, 0) / (columns.length || 1) || 1;
    set({ columns: [...columns.slice(0, at), mean, ...columns.slice(at)] });
  };
  const dropColumn = (): void => {
    if (columns.length < 2) return;
    const at = column();
    editor.chain().focus().deleteColumn().run();
    set({ columns: columns.filter((_, index) => index !== at) });
  };
  return (
    <span className="flex items-center">
      <Plain onClick={() => editor.chain().focus().addRowAfter().run()}>+ row</Plain>
      <Plain onClick={() => editor.chain().focus().deleteRow().run()}>− row</Plain>
      <Plain onClick={addColumn}>+ column</Plain>
      <Plain onClick={dropColumn}>− column</Plain>
      {!isPlain && (
        <>
          <Plain onClick={() => editor.chain().focus().toggleHeaderRow().run()}>Head row</Plain>
          <Pop label="Cell fill">
            <Swatches
              label="Cell fill"
              theme={theme}
              value=""
              onChange={(background) =>
                editor.chain().setCellAttribute('background', background).run()
              }
            />
            <Plain onClick={() => editor.chain().setCellAttribute('background', null).run()}>
              None
            </Plain>
          </Pop>
        </>
      )}
    </span>
  );
}

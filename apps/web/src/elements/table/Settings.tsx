import type { TableElement } from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import type { ReactElement } from 'react';
import { Plain, Pop } from '../../ui/controls';
import { OutlinePop, Swatches } from '../../settings/colours';
import type { SettingsOf } from '../../settings/settings';
import { FontPop } from '../../settings/FontPop';
import { WordMarks } from '../../settings/WordMarks';

export function Settings(props: SettingsOf<TableElement>): ReactElement {
  const { element, theme, edit, editor, set } = props;
  return (
    <>
      {editor ? (
        <Cells editor={editor} element={element} theme={theme} set={set} />
      ) : (
        <Plain onClick={() => edit.type(element.id)}>Fill in cells</Plain>
      )}
      <FontPop {...props} />
      <OutlinePop
        label="Lines"
        theme={theme}
        value={element.outline}
        onChange={(outline) => set({ outline })}
      />
      {!editor && element.columns.length > 1 && (
        <Plain onClick={() => set({ columns: element.columns.map(() => 1) })}>
          Columns equally wide
        </Plain>
      )}
      {editor && <WordMarks {...props} />}
    </>
  );
}

type CellsProps = Pick<SettingsOf<TableElement>, 'element' | 'theme' | 'set'> & { editor: Editor };

/** Rows and columns, while a cell is written in. */
function Cells({ editor, element, theme, set }: CellsProps): ReactElement {
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
      <Plain onClick={() => editor.chain().focus().toggleHeaderRow().run()}>Head row</Plain>
      <Pop label="Cell fill">
        <Swatches
          label="Cell fill"
          theme={theme}
          value=""
          onChange={(background) => editor.chain().setCellAttribute('background', background).run()}
        />
        <Plain onClick={() => editor.chain().setCellAttribute('background', null).run()}>
          None
        </Plain>
      </Pop>
    </span>
  );
}

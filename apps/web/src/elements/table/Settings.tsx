import type { TableElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Plain } from '../../ui/controls';
import { Cells } from '../../settings/Cells';
import { OutlinePop } from '../../settings/colours';
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

import { CHART_FORMS, chartWords, type ChartElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Cells } from '../../settings/Cells';
import { FillPop } from '../../settings/colours';
import type { SettingsOf } from '../../settings/settings';
import { Check, Line, Plain, Pop, Select, Setting } from '../../ui/controls';
import { FORM_NAMES } from './names';

export function Settings(props: SettingsOf<ChartElement>): ReactElement {
  const { element, theme, edit, editor, set } = props;
  if (editor) {
    return (
      <>
        <Cells editor={editor} element={element} theme={theme} set={set} isPlain />
        <Plain onClick={() => edit.type(null)}>Draw it</Plain>
      </>
    );
  }
  return (
    <>
      <Setting label="Drawn as">
        <Select
          label="Drawn as"
          value={element.form}
          options={CHART_FORMS.map((value) => ({ value, label: FORM_NAMES[value] }))}
          onChange={(form) => set({ form })}
        />
      </Setting>
      <Plain onClick={() => edit.type(element.id)}>Fill in values</Plain>
      <Check
        label="With its numbers"
        isOn={element.showsValues}
        onChange={(showsValues) => set({ showsValues })}
      />
      <FillPop
        theme={theme}
        value={element.fill}
        standard={theme.colours.paper}
        onChange={(fill) => set({ fill })}
      />
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <Pop label="Read aloud" value="by itself" width={360}>
        <p className="text-soft">“{chartWords(element)}”</p>
      </Pop>
    </>
  );
}

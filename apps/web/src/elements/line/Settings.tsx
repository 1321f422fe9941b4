import { DASHES, LINE_PATHS, TIPS, type LineElement, type Tip } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Line, named, NumberField, Plain, Select, Setting } from '../../ui/controls';
import { ColourPop } from '../../settings/colours';
import type { SettingsOf } from '../../settings/settings';

const TIP_NAMES = named(TIPS);

export function Settings(props: SettingsOf<LineElement>): ReactElement {
  const { element, theme, set } = props;
  const [start, end] = element.tips;
  const tips = (tip: [Tip, Tip]): unknown => set({ tips: tip });
  return (
    <>
      <Setting label="Path">
        <Select
          label="Path"
          value={element.path}
          options={named(LINE_PATHS)}
          onChange={(path) => set({ path })}
        />
      </Setting>
      <Setting label="Ends">
        <Select
          label="Start of the line"
          value={start}
          options={TIP_NAMES}
          onChange={(tip) => tips([tip, end])}
        />
        <Select
          label="End of the line"
          value={end}
          options={TIP_NAMES}
          onChange={(tip) => tips([start, tip])}
        />
      </Setting>
      <ColourPop
        label="Ink"
        theme={theme}
        value={element.colour ?? ''}
        standard={theme.colours.ink}
        onChange={(colour) => set({ colour: colour || null })}
      />
      <NumberField
        label="Weight"
        value={element.weight}
        min={1}
        max={60}
        onKeep={(weight) => set({ weight })}
      />
      <Setting label="Dash">
        <Select
          label="Dash"
          value={element.dash}
          options={named(DASHES)}
          onChange={(dash) => set({ dash })}
        />
      </Setting>
      {(element.from || element.to) && (
        <Plain onClick={() => set({ from: null, to: null })}>Let its ends go</Plain>
      )}
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
    </>
  );
}

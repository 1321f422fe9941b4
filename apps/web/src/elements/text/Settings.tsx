import { TEXT_STYLES, textFill, type TextElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { FillPop } from '../../settings/colours';
import { FontPop } from '../../settings/FontPop';
import type { SettingsOf } from '../../settings/settings';
import { WordMarks } from '../../settings/WordMarks';
import { Select, Setting } from '../../ui/controls';

const STYLE_NAMES = TEXT_STYLES.map((value) => ({
  value,
  label: value[0]!.toUpperCase() + value.slice(1),
}));
export function Settings(props: SettingsOf<TextElement>): ReactElement {
  const { element, theme, set } = props;
  return (
    <>
      <Setting label="Style">
        <Select
          label="Style"
          value={element.style}
          options={STYLE_NAMES}
          onChange={(style) => set({ style })}
        />
      </Setting>
      <FontPop {...props} />
      <WordMarks {...props} />
      {!props.editor && (
        <FillPop
          theme={theme}
          value={element.fill}
          standard={String(textFill({ ...element, fill: '' }, theme)).replace(
            'none',
            'transparent',
          )}
          onChange={(fill) => set({ fill })}
        />
      )}
    </>
  );
}

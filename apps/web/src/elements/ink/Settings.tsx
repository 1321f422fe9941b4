import type { InkElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { SettingsOf } from '../../settings/settings';
import { Line, Plain, Slide } from '../../ui/controls';

export function Settings(props: SettingsOf<InkElement>): ReactElement {
  const { element, edit, set } = props;
  return (
    <>
      <span className="text-soft">
        {element.strokes.length === 1 ? 'one stroke' : `${element.strokes.length} strokes`}
      </span>
      <Plain onClick={() => edit.setTool('rub')}>Rub out</Plain>
      <Slide
        label="Opacity"
        value={element.opacity}
        min={0.05}
        max={1}
        step={0.05}
        onKeep={(opacity) => set({ opacity })}
      />
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
    </>
  );
}

import type { GroupElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import type { SettingsOf } from '../../settings/settings';
import { Line, Plain } from '../../ui/controls';

export function Settings({ element, edit, set }: SettingsOf<GroupElement>): ReactElement {
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <Plain onClick={() => edit.enter(element.id)}>Step into it</Plain>
    </>
  );
}

import type { HotspotElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { RegionPop } from '../../settings/RegionPop';
import type { SettingsOf } from '../../settings/settings';
import { Line } from '../../ui/controls';

export function Settings({ element, set }: SettingsOf<HotspotElement>): ReactElement {
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <RegionPop shape={element.shape} set={set} />
    </>
  );
}

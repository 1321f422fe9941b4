import { shapeKind, type CloseUpElement, type HotspotElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Check, Line, Pop } from '../controls';
import { OutlinePop } from './colours';
import type { SettingsOf } from './settings';
import { ShapeGallery } from './ShapeGallery';

/** Hotspots and close-ups: areas of any shape with a name. */
export function RegionSettings(props: SettingsOf<HotspotElement | CloseUpElement>): ReactElement {
  const { element, theme, set } = props;
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <Pop label="Shape" value={shapeKind(element.shape).label} width={330}>
        <ShapeGallery value={element.shape} onChoose={(shape) => set({ shape, points: [] })} />
      </Pop>
      {element.kind === 'closeup' && (
        <>
          <Check
            label="Its outline is shown"
            isOn={element.isSeen}
            onChange={(isSeen) => set({ isSeen })}
          />
          {element.isSeen && (
            <OutlinePop
              theme={theme}
              value={element.outline}
              onChange={(outline) => set({ outline })}
            />
          )}
        </>
      )}
    </>
  );
}

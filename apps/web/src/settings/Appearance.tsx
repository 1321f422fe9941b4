import { SHADOWS, type PictureElement, type ShapeElement } from '@gobrel/core';
import { FlipHorizontal2, FlipVertical2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { named, Select, Setting, Sign, Slide } from '../ui/controls';
import type { SettingsOf } from './settings';

/** Flip, shadow and opacity. */
export function Appearance(props: SettingsOf<PictureElement | ShapeElement>): ReactElement {
  const { element, set } = props;
  return (
    <div className="flex flex-wrap items-center gap-1">
      <Sign
        icon={FlipHorizontal2}
        label="Flip across"
        isOn={element.isFlippedAcross}
        onClick={() => set({ isFlippedAcross: !element.isFlippedAcross })}
      />
      <Sign
        icon={FlipVertical2}
        label="Flip down"
        isOn={element.isFlippedDown}
        onClick={() => set({ isFlippedDown: !element.isFlippedDown })}
      />
      <Setting label="Shadow">
        <Select
          label="Shadow"
          value={element.shadow}
          options={named(SHADOWS)}
          onChange={(shadow) => set({ shadow })}
        />
      </Setting>
      <div className="w-full">
        <Slide
          label="Opacity"
          value={element.opacity}
          min={0.05}
          max={1}
          step={0.05}
          onKeep={(opacity) => set({ opacity })}
        />
      </div>
    </div>
  );
}

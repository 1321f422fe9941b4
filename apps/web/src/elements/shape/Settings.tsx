import { shapeKind, type ShapeElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Pop } from '../../ui/controls';
import { Appearance } from '../../settings/Appearance';
import { FillPop, OutlinePop } from '../../settings/colours';
import type { SettingsOf } from '../../settings/settings';
import { ShapeGallery } from '../../settings/ShapeGallery';
import { FontPop } from '../../settings/FontPop';
import { WordMarks } from '../../settings/WordMarks';

export function Settings(props: SettingsOf<ShapeElement>): ReactElement {
  const { element, theme, set } = props;
  return (
    <>
      <Pop label="Shape" value={shapeKind(element.shape).label} width={330}>
        <ShapeGallery value={element.shape} onChoose={(shape) => set({ shape, points: [] })} />
      </Pop>
      <FillPop
        theme={theme}
        value={element.fill}
        standard={theme.colours.shapeFill}
        onChange={(fill) => set({ fill })}
      />
      <OutlinePop theme={theme} value={element.outline} onChange={(outline) => set({ outline })} />
      <FontPop {...props} />
      <WordMarks {...props} />
      <Pop label="Look">
        <Appearance {...props} />
      </Pop>
    </>
  );
}

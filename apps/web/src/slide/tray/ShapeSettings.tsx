import { coloursOf, shapeKind, type ShapeElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Pop } from '../../ui/controls';
import { Appearance } from './Appearance';
import { FillPop, OutlinePop } from './colours';
import type { SettingsOf } from './settings';
import { ShapeGallery } from './ShapeGallery';
import { FontPop } from './TypeSettings';
import { WordMarks } from './WordMarks';

export function ShapeSettings(props: SettingsOf<ShapeElement>): ReactElement {
  const { element, theme, set } = props;
  return (
    <>
      <Pop label="Shape" value={shapeKind(element.shape).label} width={330}>
        <ShapeGallery value={element.shape} onChoose={(shape) => set({ shape, points: [] })} />
      </Pop>
      <FillPop
        theme={theme}
        value={element.fill}
        standard={coloursOf(theme).shapeFill}
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

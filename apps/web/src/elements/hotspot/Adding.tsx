import { SquareMousePointer } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, drawnWith, type AddingProps } from '../../settings/Adding';
import { inMiddle } from '../making';

export const Adding = (props: AddingProps): ReactElement => (
  <Add
    icon={SquareMousePointer}
    label="Link area"
    isOn={props.edit.tool === 'hotspot'}
    onClick={drawnWith(props, 'hotspot', () => ({
      kind: 'hotspot',
      layer: 'content',
      box: inMiddle(props.slide, 200, 140),
    }))}
  />
);

import { Spline } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, drawnWith, type AddingProps } from '../../settings/Adding';
import { inMiddle } from '../making';

export const Adding = (props: AddingProps): ReactElement => (
  <Add
    icon={Spline}
    label="Line"
    isOn={props.edit.tool === 'line'}
    onClick={drawnWith(props, 'line', () => ({
      kind: 'line',
      layer: 'content',
      box: inMiddle(props.slide, 240, 1),
    }))}
  />
);

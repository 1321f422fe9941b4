import { Focus } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, drawnWith, type AddingProps } from '../../settings/Adding';
import { inMiddle } from '../making';

export const Adding = (props: AddingProps): ReactElement => (
  <Add
    icon={Focus}
    label="Close-up"
    isOn={props.edit.tool === 'closeup'}
    onClick={drawnWith(props, 'closeup', () => ({
      kind: 'closeup',
      layer: 'content',
      box: inMiddle(props.slide, 480, 270, 0.4),
    }))}
  />
);

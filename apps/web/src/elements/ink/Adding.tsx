import { PenLine } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, type AddingProps } from '../../settings/Adding';

export const Adding = ({ edit }: AddingProps): ReactElement => (
  <Add
    icon={PenLine}
    label="Draw"
    isOn={edit.tool === 'pen' || edit.tool === 'marker' || edit.tool === 'rub'}
    onClick={() => edit.setTool(edit.tool === 'pen' ? 'select' : 'pen')}
  />
);

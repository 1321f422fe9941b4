import { Table } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, type AddingProps } from '../../settings/Adding';
import { tableElement } from './making';

export const Adding = ({ slide, layer, add }: AddingProps): ReactElement => (
  <Add icon={Table} label="Table" onClick={() => add(tableElement(slide, layer), true)} />
);

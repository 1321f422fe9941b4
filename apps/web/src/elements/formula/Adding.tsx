import { Sigma } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, type AddingProps } from '../../settings/Adding';
import { formulaElement } from './making';

export const Adding = ({ slide, layer, add }: AddingProps): ReactElement => (
  <Add icon={Sigma} label="Formula" onClick={() => add(formulaElement(slide, layer))} />
);

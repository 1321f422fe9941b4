import { Type } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, type AddingProps } from '../../settings/Adding';
import { textElement } from './making';

export const Adding = ({ slide, layer, add }: AddingProps): ReactElement => (
  <Add icon={Type} label="Text" onClick={() => add(textElement(slide, layer), true)} />
);

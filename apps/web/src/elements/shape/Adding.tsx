import { Pentagon } from 'lucide-react';
import type { ReactElement } from 'react';
import { AddFrom, type AddingProps } from '../../settings/Adding';
import { ShapeGallery } from '../../settings/ShapeGallery';
import { shapeElement } from './making';

export const Adding = ({ slide, layer, add }: AddingProps): ReactElement => (
  <AddFrom icon={Pentagon} label="Shape" width={340}>
    {(choose) => (
      <ShapeGallery
        onChoose={(shape) => {
          choose();
          add(shapeElement(slide, layer, shape));
        }}
      />
    )}
  </AddFrom>
);

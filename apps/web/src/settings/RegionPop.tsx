import { shapeKind, type ShapeName } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Pop } from '../ui/controls';
import { ShapeGallery } from './ShapeGallery';

/** The shape of an area; another one begins with its standard outline. */
export function RegionPop(props: {
  shape: ShapeName;
  set: (settings: { shape: ShapeName; points: number[] }) => unknown;
}): ReactElement {
  return (
    <Pop label="Shape" value={shapeKind(props.shape).label} width={330}>
      <ShapeGallery value={props.shape} onChoose={(shape) => props.set({ shape, points: [] })} />
    </Pop>
  );
}

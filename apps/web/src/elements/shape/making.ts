import type { Layer, NewElement, ShapeName, Slide } from '@gobrel/core';
import { flat, inMiddle } from '../making';

export const shapeElement = (slide: Slide, layer: Layer, shape: ShapeName): NewElement => ({
  kind: 'shape',
  shape,
  layer: flat(layer),
  box: inMiddle(slide, 240, 160),
});

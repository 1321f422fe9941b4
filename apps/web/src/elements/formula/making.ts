import type { Layer, NewElement, Slide } from '@gobrel/core';
import { flat, inMiddle } from '../making';

export const formulaElement = (slide: Slide, layer: Layer): NewElement => ({
  kind: 'formula',
  layer: flat(layer),
  tex: 'a^2 + b^2 = c^2',
  box: inMiddle(slide, 420, 80),
});

import type { NewElement, Slide } from '@gobrel/core';
import { inMiddle } from '../making';

export const zoneElement = (slide: Slide): NewElement => ({
  kind: 'zone',
  layer: 'pieces',
  name: 'zone',
  box: inMiddle(slide, 300, 160),
});
